#!/usr/bin/env bash
# Makes the demo devices anew with the real mkfs tools (Debian: dosfstools, mtools, e2fsprogs, ffmpeg). Run from anywhere.
# The images are FAT volumes of the coast of Skerrow; the fault plans beside them are written by hand.
set -euo pipefail
here=$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
export MTOOLS_SKIP_CHECK=1 TZ=UTC
java "$here/Content.java" "$work/content"

fill() { # IMAGE FOLDER: copies a tree, folders first, in name order
    local image=$1 from=$2
    (cd "$from" && find . -mindepth 1 -type d | sort | sed 's|^\./||') | while read -r d; do mmd -i "$image" "::/$d"; done
    (cd "$from" && find . -type f | sort | sed 's|^\./||') | while read -r f; do mcopy -m -i "$image" "$from/$f" "::/$f"; done
}

# A healthy stick whose pictures and two tables were deleted.
truncate -s 32M "$work/moss.img"
mkfs.vfat -F 16 -s 4 -n FENNELMOSS -i 4d4f5353 "$work/moss.img" >/dev/null
fill "$work/moss.img" "$work/content/moss"
for i in 1 2 3 5 6 8; do mdel -i "$work/moss.img" "::/Plots/Plot $i from the east.jpg"; done
mdel -i "$work/moss.img" "::/Levels/Bog levels 2020.csv" "::/Levels/Bog levels 2021.csv" "::/Reports/Loggers and their places.pdf"

# A card that reads badly; one folder was deleted before, and one picture stands where no record leads.
truncate -s 48M "$work/theatre.img"
mkfs.vfat -F 32 -s 1 -n PUPPETS -i 50555050 "$work/theatre.img" >/dev/null
mv "$work/content/theatre/Puppets/Old puppet 9.jpg" "$work/loose.jpg"
fill "$work/theatre.img" "$work/content/theatre"
mdeltree -i "$work/theatre.img" "::/Backdrops"
mdel -i "$work/theatre.img" "::/Plans/Lighting plan winter.pdf" "::/Puppets/Old puppet 4.jpg"
dd if="$work/loose.jpg" of="$work/theatre.img" bs=1M seek=40 conv=notrunc status=none

# A small FAT12 card of hive logs, two of them deleted at the end.
truncate -s 4M "$work/hives.img"
mkfs.vfat -F 12 -s 4 -n HIVES -i 48495645 "$work/hives.img" >/dev/null
fill "$work/hives.img" "$work/content/hives"

# On it, too: a film and a sound, and a table of weights of which an older state was deleted. The names before it keep their place in
# the folder, so that the new entry does not stand where the old one stood.
cut="ffmpeg -nostdin -loglevel error -y -fflags +bitexact"
mkdir "$work/keepers"
$cut -framerate 12 -i "$work/content/frames/%03d.png" -c:v libx264 -preset veryslow -crf 30 -pix_fmt yuv420p -flags +bitexact \
    -metadata creation_time=2026-05-09T10:14:00Z "$work/keepers/Hive door, 9 May.mp4"
$cut -f lavfi -i "sine=frequency=405:duration=24,tremolo=f=1.4:d=0.9,volume=0.8" -f lavfi -i "anoisesrc=d=24:c=pink:a=0.05:seed=7" \
    -filter_complex amix -ac 1 -b:a 40k -flags +bitexact "$work/keepers/Queen piping.mp3"
touch -d "2026-05-09T10:14:00" "$work/keepers/Hive door, 9 May.mp4" "$work/keepers/Queen piping.mp3"
mmd -i "$work/hives.img" ::/Recordings ::/Weights
mcopy -m -i "$work/hives.img" "$work/keepers/Hive door, 9 May.mp4" "$work/keepers/Queen piping.mp3" ::/Recordings/
before="$work/content/keepers/Weights 2026, before.csv"
mcopy -m -i "$work/hives.img" "$before" "::/Weights/Weights 2026.bak"
mcopy -m -i "$work/hives.img" "$before" "::/Weights/Weights 2026.csv"
mdel -i "$work/hives.img" "::/Weights/Weights 2026.bak" "::/Weights/Weights 2026.csv"
mcopy -m -i "$work/hives.img" "$work/content/keepers/Weights 2026.csv" "::/Weights/Weights 2026.csv"
mdel -i "$work/hives.img" "::/Hive logs/Hive log 2022.csv" "::/Hive logs/Hive log 2023.csv" "::/Combs/Comb 3.jpg"

# A card that drops out while it is read.
truncate -s 16M "$work/weather.img"
mkfs.vfat -F 16 -s 4 -n WEATHER -i 57454154 "$work/weather.img" >/dev/null
fill "$work/weather.img" "$work/content/weather"
mdel -i "$work/weather.img" "::/Mast/Mast camera 2.jpg"

# Three more, for other kinds of trouble: a disk with a dead stripe, an ageing one, an SSD that discarded blocks.
truncate -s 64M "$work/tide.img"
mkfs.vfat -F 32 -s 1 -n TIDEGAUGE -i 54494445 "$work/tide.img" >/dev/null
fill "$work/tide.img" "$work/content/weather"
mmd -i "$work/tide.img" "::/Moss"
mcopy -s -m -i "$work/tide.img" "$work/content/moss/Plots" "::/Moss/"
mdel -i "$work/tide.img" "::/Mast/Mast camera 3.jpg"

truncate -s 48M "$work/harbour.img"
mkfs.vfat -F 16 -s 4 -n HARBOUR -i 48415242 "$work/harbour.img" >/dev/null
fill "$work/harbour.img" "$work/content/hives"
mdel -i "$work/harbour.img" "::/Hive logs/Hive log 2021.csv"

truncate -s 32M "$work/exhibition.img"
mkfs.vfat -F 16 -s 4 -n EXHIBITION -i 45584849 "$work/exhibition.img" >/dev/null
fill "$work/exhibition.img" "$work/content/moss"
mdel -i "$work/exhibition.img" "::/Levels/Bog levels 2020.csv"

# Members of a box that kept the registers twice and the accounts once: two disks with one volume, one with another.
truncate -s 8M "$work/hall.img"
mkfs.vfat -F 12 -s 8 -n REGISTERS -i 48414c4c "$work/hall.img" >/dev/null
fill "$work/hall.img" "$work/content/hall"
mdel -i "$work/hall.img" "::/Registers/Register 1910s.txt"
truncate -s 8M "$work/accounts.img"
mkfs.vfat -F 12 -s 8 -n ACCOUNTS -i 41434354 "$work/accounts.img" >/dev/null
fill "$work/accounts.img" "$work/content/accounts"

# A disk with a history: a volume that was made over an older one, and one that no table lists any more.
truncate -s 88M "$work/lantern.img"
mkfs.vfat -F 32 -s 1 -n LANTERN -i 4c414e54 --offset 2048 "$work/lantern.img" 45056 >/dev/null
fill "$work/lantern.img@@1M" "$work/content/theatre"
mkfs.vfat -F 32 -s 1 -n LIGHTROOM -i 4c494748 --offset 2048 "$work/lantern.img" 45056 >/dev/null
fill "$work/lantern.img@@1M" "$work/content/hives"
truncate -s 36M "$work/logbooks.img"
mkfs.ext4 -q -F -b 1024 -L logbooks -U 4c4f4742-0000-4000-8000-000000000001 -E hash_seed=4c4f4742-0000-4000-8000-000000000002 -d "$work/content/weather" "$work/logbooks.img"
dd if="$work/logbooks.img" of="$work/lantern.img" bs=1M seek=48 conv=notrunc status=none
# One entry of a master boot record: FAT32, 90112 sectors from sector 2048.
printf '\x00\xfe\xff\xff\x0c\xfe\xff\xff\x00\x08\x00\x00\x00\x60\x01\x00' | dd of="$work/lantern.img" bs=1 seek=446 conv=notrunc status=none
printf '\x55\xaa' | dd of="$work/lantern.img" bs=1 seek=510 conv=notrunc status=none

for name in lantern:lantern-room-disk tide:tide-office-disk harbour:harbour-disk exhibition:exhibition-ssd moss:fennel-moss-stick theatre:little-quay-card hall:hall-registers accounts:hall-accounts hives:beekeepers-card weather:weather-post-card; do
    gzip -9nc "$work/${name%%:*}.img" > "$here/devices/${name##*:}.img.gz"
done
ls -l "$here/devices"
