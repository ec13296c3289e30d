package org.brantel.core.volume;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.PartitionedSeed;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VolumeSearchTest {

    private final List<String> problems = new ArrayList<>();

    private List<Volumes.Found> search(byte[] disk) throws IOException {
        problems.clear();
        return VolumeSearch.all(new FaultySource(disk), true, problems);
    }

    private List<Finding> files(byte[] disk, Volumes.Found volume) throws IOException {
        Collected told = new Collected(problems);
        volume.reader().walk(told.walk(volume.volume().index()));
        List<Finding> found = told.findings();
        assertThat(found).as("bytes lie on the disk").allMatch(f -> f.extents().stream()
                .allMatch(e -> e.isHole() || e.range().end() <= disk.length));
        return found;
    }

    private static byte[] at(int sector, String volume, int extraSectors) {
        byte[] seed = Seeds.volume(volume);
        byte[] disk = new byte[sector * 512 + seed.length + extraSectors * 512];
        System.arraycopy(seed, 0, disk, sector * 512, seed.length);
        return disk;
    }

    private static void wipe(byte[] disk, long from, long length) {
        Arrays.fill(disk, (int) from, (int) (from + length), (byte) 0);
    }

    private static boolean isWhole(List<Finding> files, String path, Origin origin) {
        return files.stream()
                .anyMatch(f -> path.equals(f.path()) && f.origin() == origin && f.prognosis() == Prognosis.WHOLE);
    }

    @ParameterizedTest
    @CsvSource({
        "ntfs, ntfs",
        "exfat, exfat",
        "fat12, fat12",
        "ext2, ext2",
        "ext4, ext4",
        "ext4-bigalloc, ext4",
        "udf, udf",
        "iso, iso9660"
    })
    void aVolumeThatNoTableListsIsFoundAtAnySector(String seed, String fs) throws IOException {
        byte[] disk = at(77, seed, 40);
        List<Volumes.Found> found = search(disk);
        assertThat(found).as("%s", problems).hasSize(1);
        assertThat(found.get(0).volume().fs()).isEqualTo(fs);
        assertThat(found.get(0).volume().state()).isEqualTo(Volume.State.LOST);
        assertThat(found.get(0).volume().startByte()).isEqualTo(77 * 512);
        assertThat(isWhole(files(disk, found.get(0)), "/plot/note.txt", Origin.LIVE))
                .isTrue();
    }

    @Test
    void ntfsIsFoundByTheCopyBehindItsLastSector() throws IOException {
        byte[] disk = at(63, "ntfs", 10);
        wipe(disk, 63 * 512, 512);
        Volumes.Found found = search(disk).get(0);
        assertThat(found.volume().startByte()).isEqualTo(63 * 512);
        assertThat(found.volume().foundBy()).contains("copy of its boot sector");
        assertThat(isWhole(files(disk, found), "/plot/hive/f5.dat", Origin.DELETED))
                .isTrue();
    }

    @Test
    void ntfsWithoutAnyBootSectorIsRebuiltFromItsFileTable() throws IOException {
        byte[] disk = at(63, "ntfs", 0);
        wipe(disk, 63 * 512, 512);
        wipe(disk, disk.length - 512, 512);
        List<Volumes.Found> found = search(disk);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).volume().foundBy()).contains("first record of its file table");
        assertThat(found.get(0).volume().startByte()).isEqualTo(63 * 512);
        assertThat(found.get(0).volume().clusterBytes()).isEqualTo(512);
        List<Finding> files = files(disk, found.get(0));
        assertThat(isWhole(files, "/plot/hive/a rather long name of a recording.bin", Origin.LIVE))
                .isTrue();
        assertThat(isWhole(files, "/mid.csv", Origin.DELETED)).isTrue();
    }

    @Test
    void exfatIsReadByTheCopyOfItsBootSector() throws IOException {
        byte[] disk = Seeds.volume("exfat");
        wipe(disk, 0, 512);
        List<Volumes.Found> found = search(disk);
        assertThat(found).hasSize(1);
        assertThat(isWhole(files(disk, found.get(0)), "/plot/hive/f8.dat", Origin.LIVE))
                .isTrue();
    }

    @Test
    void fatWithoutABootSectorIsRebuiltFromItsTablesAndFolders() throws IOException {
        byte[] disk = at(40, "fat12", 8);
        wipe(disk, 40 * 512, 512);
        List<Volumes.Found> found = search(disk);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).volume().fs()).isEqualTo("fat12");
        assertThat(found.get(0).volume().foundBy()).contains("allocation tables");
        List<Finding> files = files(disk, found.get(0));
        assertThat(isWhole(files, "/plot/hive/a rather long name of a recording.bin", Origin.LIVE))
                .isTrue();
        assertThat(isWhole(files, "/plot/note.txt", Origin.LIVE)).isTrue();
    }

    @Test
    void foldersOfBeforeAFormatAreReadWithTheClustersThatTheyTellOf() throws IOException {
        byte[] disk = Seeds.volume("fat12");
        // A format: root folder and tables begin anew, everything else stays.
        FaultySource before = new FaultySource(disk);
        long data = disk.length - before.size();
        assertThat(data).isZero();
        int reserved = disk[14] & 0xff;
        int tables = 2 * (disk[22] & 0xff);
        int root = ((disk[17] & 0xff) + (disk[18] & 0xff) * 256) * 32;
        wipe(disk, reserved * 512L + 3, tables * 256L - 3);
        wipe(disk, reserved * 512L + tables * 256L + 3, tables * 256L - 3);
        wipe(disk, (reserved + tables) * 512L, root);
        List<Volumes.Found> found = search(disk);
        assertThat(found).extracting(f -> f.volume().state()).containsExactly(Volume.State.LIVE, Volume.State.EARLIER);
        List<Finding> files = files(disk, found.get(1));
        assertThat(files)
                .anyMatch(f -> f.path().endsWith("/hive/a rather long name of a recording.bin")
                        && f.prognosis() == Prognosis.WHOLE
                        && f.origin() == Origin.EARLIER);
        assertThat(files)
                .anyMatch(f -> f.path().endsWith("/note.txt") && f.path().startsWith("/(lost folder "));
    }

    @Test
    void aGuidTableIsReadAndItsCopyWhereItIsSpoiled() throws IOException {
        byte[] disk = PartitionedSeed.guid();
        List<Volumes.Found> found = search(disk);
        assertThat(problems).isEmpty();
        assertThat(found).extracting(f -> f.volume().fs()).containsExactly("fat12", "ext2");
        assertThat(found)
                .allMatch(f -> f.volume().state() == Volume.State.LIVE
                        && f.volume().foundBy().endsWith("of the GUID table"));
        wipe(disk, 512, 512);
        found = search(disk);
        assertThat(found)
                .allMatch(f -> f.volume().foundBy().endsWith("of the backup GUID table"))
                .hasSize(2);
        assertThat(problems)
                .containsExactly("The GUID table at the medium's start is gone; its copy at the end is used.");
        disk = PartitionedSeed.guid();
        disk[1024 + 130] ^= 1;
        found = search(disk);
        assertThat(problems).anyMatch(p -> p.contains("fail their checksum"));
        assertThat(found)
                .allMatch(f -> f.volume().foundBy().endsWith("of the backup GUID table"))
                .hasSize(2);
    }

    @Test
    void aHybridMediumsOldTableAddsWhatTheGuidTableDoesNotKnow() throws IOException {
        List<Volumes.Found> found = search(PartitionedSeed.hybrid());
        assertThat(found).extracting(f -> f.volume().fs()).containsExactly("fat12", "ext2");
        assertThat(found).allMatch(f -> f.volume().state() == Volume.State.LIVE);
        assertThat(found.get(0).volume().foundBy()).endsWith("of the GUID table");
        assertThat(found.get(1).volume().foundBy()).doesNotContain("GUID");
    }

    @Test
    void sectorsOf4096BytesAreToldByWhatTheTableLeadsTo() throws IOException {
        List<Volumes.Found> found = search(PartitionedSeed.wideSectors());
        assertThat(found).extracting(f -> f.volume().fs()).containsExactly("fat12", "ext2");
        assertThat(found).extracting(f -> f.volume().startByte()).containsExactly(64L * 512, 1024L * 512);
        assertThat(found).allMatch(f -> f.volume().state() == Volume.State.LIVE);
    }

    @Test
    void logicalPartitionsAreFollowedAndACircleIsTold() throws IOException {
        byte[] disk = PartitionedSeed.mbr();
        assertThat(search(disk))
                .extracting(f -> f.volume().foundBy())
                .containsExactly("partition 1 of the master boot record", "partition 5 of the master boot record");
        assertThat(problems).isEmpty();
        // The next table is this one again.
        int table = (1024 - 32) * 512;
        disk[table + 462 + 4] = 0x05;
        disk[table + 462 + 12] = 1;
        assertThat(search(disk)).hasSize(2);
        assertThat(problems).anyMatch(p -> p.contains("runs in a circle"));
    }

    @Test
    void aTableThatIsGoneLeavesItsVolumesToTheSearch() throws IOException {
        byte[] disk = PartitionedSeed.mbr();
        wipe(disk, 0, 512);
        wipe(disk, (1024 - 32) * 512, 512);
        assertThat(search(disk))
                .extracting(f -> f.volume().state().word() + " " + f.volume().fs())
                .containsExactlyInAnyOrder("lost fat12", "lost ext2");
    }

    @Test
    void familiesWithoutAReaderAndLockedVolumesAreNamed() throws IOException {
        byte[] luks = new byte[64 << 10];
        System.arraycopy(new byte[] {'L', 'U', 'K', 'S', (byte) 0xba, (byte) 0xbe, 0, 2}, 0, luks, 0, 8);
        System.arraycopy("shed".getBytes(StandardCharsets.US_ASCII), 0, luks, 24, 4);
        Volume locked = search(luks).get(0).volume();
        assertThat(locked.fs()).isEqualTo("luks");
        assertThat(locked.label()).isEqualTo("shed");
        assertThat(locked.readable()).isFalse();
        assertThat(locked.remarks()).containsExactly("It is encrypted; without its key nothing in it can be read.");
        byte[] xfs = new byte[64 << 10];
        System.arraycopy(new byte[] {'X', 'F', 'S', 'B', 0, 0, 16, 0, 0, 0, 0, 0, 0, 0, 0, 16}, 0, xfs, 0, 16);
        Volume unread = search(xfs).get(0).volume();
        assertThat(unread.fs()).isEqualTo("xfs");
        assertThat(unread.lengthBytes()).isEqualTo(65536);
        assertThat(unread.remarks()).containsExactly("Its files are not read yet.");
    }

    /**
     * A real disk whose table and every head are gone: FAT32 and ext4 stand by their copies, NTFS by the one at its
     * end.
     */
    @Test
    void everyFamilyIsReadByTheCopyOfItsHead(@TempDir Path folder) throws IOException {
        byte[] disk = Files.readAllBytes(Corpus.image("d07-mbr-zeroed", folder));
        wipe(disk, 1_048_576, 512);
        wipe(disk, 51_380_224, 512);
        wipe(disk, 94_371_840, 4096);
        List<Volumes.Found> found = search(disk);
        assertThat(found)
                .extracting(f -> f.volume().fs() + " at " + f.volume().startByte())
                .containsExactlyInAnyOrder("fat32 at 1048576", "ntfs at 51380224", "ext4 at 94371840");
        List<Finding> files = new ArrayList<>();
        for (Volumes.Found f : found) {
            files.addAll(files(disk, f));
        }
        Set<String> names = files.stream()
                .filter(f -> f.prognosis() == Prognosis.WHOLE)
                .map(Finding::path)
                .collect(Collectors.toSet());
        assertThat(Corpus.files("d07-mbr-zeroed"))
                .filteredOn(f -> f.state().equals("live"))
                .hasSize(14)
                .allMatch(f -> names.contains("/" + f.path()));
    }

    @Test
    void unreadSectorsAreNoReasonToStop() throws IOException {
        byte[] disk = at(77, "ntfs", 40);
        FaultySource source = new FaultySource(disk, new Range(0, 20 * 512), new Range(77 * 512, 512));
        List<Volumes.Found> found = VolumeSearch.all(source, true, problems);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).volume().foundBy()).contains("copy");
    }
}
