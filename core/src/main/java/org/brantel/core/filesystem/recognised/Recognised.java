package org.brantel.core.filesystem.recognised;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.BigEndian;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/**
 * Volumes that the engine knows by their public heads and does not read: file systems that have no reader yet, and
 * encrypted volumes, whose files nobody reads without a key. Sizes and labels come from the heads.
 *
 * <pre>
 * family      head                          label         size
 * hfsplus     1024: "H+" or "HX" (TN1150)   -             1024+44 blocks * 1024+40 bytes, big-endian
 * apfs        32: "NXSB"                    -             36 bytes of a block * 40 blocks (Apple File System Reference,
 * nx_superblock_t) btrfs       65536+64: "_BHRfS_M"          65536+299     65536+112 bytes (kernel, btrfs_super_block)
 * xfs         0: "XFSB", big-endian         108           4 bytes of a block * 8 blocks (kernel, xfs_dsb)
 * luks        0: "LUKS" BA BE (LUKS2 On-Disk Format, section 2.1)  24 (version 2)   -
 * fve         3: "-FVE-FS-", the name in the boot sector of a fully encrypted volume   -   -
 * </pre>
 */
final class Recognised implements FileSystem {

    private static final int HEAD = 4096;
    static final int HFS_AT = 1024;
    static final int BTRFS_AT = 65536;

    private static final long BTRFS = 0x4d5f53665248425fL;
    private static final int HFS_PLUS = 0x482b;
    private static final int HFS_CASE = 0x4858;
    private static final long APFS = 0x4253584eL;
    private static final long XFS = 0x42534658L;
    private static final long LUKS = 0x534b554cL;
    private static final long LOCKED = 0x2d53462d4556462dL;

    private final Source source;
    private final String family;
    private final String label;
    private final Range place;
    private final long clusterBytes;
    private final String remark;

    private Recognised(Source source, String family, String label, Range place, long clusterBytes, String remark) {
        this.source = source;
        this.family = family;
        this.label = label;
        this.place = place;
        this.clusterBytes = clusterBytes;
        this.remark = remark;
    }

    /** @throws ParseFailure when none of them begins there */
    static FileSystem open(Source source, Range room) throws IOException {
        byte[] b = bytes(source, room.offset(), room.length(), HEAD).orElse(new byte[HEAD]);
        Optional<FileSystem> known = known(source, room, b);
        if (known.isEmpty() && room.length() > BTRFS_AT + HEAD) {
            known = btrfs(source, room);
        }
        return known.orElseThrow(() ->
                new NotThisFormat("a volume of a known family", "head", room.offset(), "another", "one that is known"));
    }

    private static Optional<byte[]> bytes(Source source, long at, long room, int length) throws IOException {
        if (room < length || at > source.size() - length) {
            return Optional.empty();
        }
        try {
            return Optional.of(ByteView.of(source, new Range(at, length)).bytes(0, length));
        } catch (ByteView.Unread e) {
            return Optional.empty();
        }
    }

    private static Optional<FileSystem> known(Source source, Range room, byte[] b) {
        String notRead = "Its files are not read yet.";
        int hfs = BigEndian.u16(b, HFS_AT);
        long word = u32(b, 0);
        if ((hfs == HFS_PLUS || hfs == HFS_CASE) && (BigEndian.u16(b, 1026) == 4 || BigEndian.u16(b, 1026) == 5)) {
            long block = BigEndian.u32(b, 1024 + 40);
            return volume(source, room, "hfsplus", "", block * BigEndian.u32(b, 1024 + 44), block, notRead);
        }
        if (u32(b, 32) == APFS) {
            return volume(source, room, "apfs", "", product(u32(b, 36), i64(b, 40)), u32(b, 36), notRead);
        }
        if (word == XFS) {
            return volume(
                    source,
                    room,
                    "xfs",
                    text(b, 108, 12),
                    product(BigEndian.u32(b, 4), BigEndian.i64(b, 8)),
                    BigEndian.u32(b, 4),
                    notRead);
        }
        String locked = "It is encrypted; without its key nothing in it can be read.";
        if (word == LUKS && u16(b, 4) == 0xbeba) {
            return volume(
                    source, room, "luks", BigEndian.u16(b, 6) == 2 ? text(b, 24, 48) : "", room.length(), 0, locked);
        }
        if (i64(b, 3) == LOCKED) {
            return volume(source, room, "fve", "", room.length(), 0, locked);
        }
        return Optional.empty();
    }

    private static Optional<FileSystem> btrfs(Source source, Range room) throws IOException {
        Optional<byte[]> b = bytes(source, room.offset() + BTRFS_AT, room.length() - BTRFS_AT, HEAD);
        return b.isEmpty() || i64(b.get(), 64) != BTRFS
                ? Optional.empty()
                : volume(
                        source,
                        room,
                        "btrfs",
                        text(b.get(), 299, 256),
                        i64(b.get(), 112),
                        u32(b.get(), 144),
                        "Its files are not read yet.");
    }

    private static long product(long a, long b) {
        return b < 0 || a != 0 && b > Long.MAX_VALUE / Math.max(1, a) ? -1 : a * b;
    }

    private static String text(byte[] b, int at, int length) {
        String text = new String(b, at, length, StandardCharsets.UTF_8);
        int end = text.indexOf('\0');
        return end < 0 ? text : text.substring(0, end);
    }

    private static Optional<FileSystem> volume(
            Source source, Range room, String family, String label, long claimed, long clusterBytes, String remark) {
        boolean possible = claimed > 0 && claimed <= Long.MAX_VALUE - room.offset();
        return Optional.of(new Recognised(
                source,
                family,
                label,
                new Range(room.offset(), possible ? claimed : room.length()),
                Math.max(0, clusterBytes),
                remark));
    }

    @Override
    public VolumeFacts facts() {
        return new VolumeFacts(family, label, "", place, clusterBytes, null, false, List.of(Remark.grave(remark)));
    }

    /** A head that was found by itself must at least fit the medium. */
    @Override
    public boolean stands() {
        return place.end() <= source.size() + clusterBytes;
    }

    @Override
    public List<Range> free() {
        return List.of();
    }

    @Override
    public Walked walk(Walk walk) {
        return Walked.of(List.of());
    }

    /** Whether a sector begins like the head of one of them. */
    static boolean begins(byte[] b, int i) {
        long word = u32(b, i);
        int hfs = BigEndian.u16(b, i);
        return word == XFS
                || word == LUKS
                || u32(b, i + 32) == APFS
                || i64(b, i + 64) == BTRFS
                || i64(b, i + 3) == LOCKED
                || BigEndian.u16(b, i + 2) == 4 && (hfs == HFS_PLUS || hfs == HFS_CASE);
    }
}
