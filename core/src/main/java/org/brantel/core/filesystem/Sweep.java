package org.brantel.core.filesystem;

import static org.brantel.core.source.LittleEndian.i64;
import static org.brantel.core.source.LittleEndian.u16;
import static org.brantel.core.source.LittleEndian.u32;
import static org.brantel.core.source.LittleEndian.u8;

import java.io.IOException;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.Source;

/**
 * One pass over stretches of a medium that looks at how each sector begins. It only collects places; whoever knows the
 * family decides whether something stands there.
 */
public final class Sweep {

    private static final int BLOCK = 1 << 20;
    private static final int SECTOR = 512;

    private static final long NTFS_RECORD = 0x454c4946;
    private static final long NTFS_NAME = 0x202020205346544eL;
    private static final long EXFAT_NAME = 0x2020205441465845L;
    private static final long XFS = 0x42534658;
    private static final long LUKS = 0x534b554c;
    private static final long APFS = 0x4253584e;
    private static final long BTRFS = 0x4d5f53665248425fL;
    private static final long OPTICAL = 0x3130304443L;
    private static final long OPTICAL_EXTENDED = 0x3130414542L;
    private static final long LOCKED_VOLUME = 0x2d53462d4556462dL;

    private Sweep() {}

    /**
     * @param ranges   ascending, apart
     * @param progress hears of the bytes done so far
     */
    public static Signs over(Source source, List<Range> ranges, LongConsumer progress, BooleanSupplier stop)
            throws IOException {
        Signs signs = new Signs();
        byte[] block = new byte[BLOCK];
        long done = 0;
        for (Range range : ranges) {
            long first = (range.offset() + SECTOR - 1) / SECTOR * SECTOR;
            for (long at = first; at + SECTOR <= range.end() && !stop.getAsBoolean(); at += BLOCK) {
                int n = (int) Math.min(BLOCK, (range.end() - at) / SECTOR * SECTOR);
                RangeSet unread = RangeSet.of(source.knownUnread(new Range(at, n)));
                RangeSet failed = unread.total() == n
                        ? unread
                        : RangeSet.of(source.read(at, block, 0, n).failed());
                for (int i = 0; i < n; i += SECTOR) {
                    if (failed.isEmpty() || !failed.overlaps(new Range(at + i, SECTOR))) {
                        look(block, i, at + i, signs);
                    }
                }
                progress.accept(done + at + n - first);
            }
            done += range.length();
        }
        return signs;
    }

    private static void look(byte[] b, int i, long at, Signs signs) {
        long word = u32(b, i);
        if (word == 0) {
            // None of them begins with zeros.
            return;
        }
        if (word == NTFS_RECORD) {
            signs.add(Signs.Sign.NTFS_RECORD, at);
            return;
        }
        if (u16(b, i + 510) == 0xaa55 && bootSector(b, i)
                || word == XFS
                || word == LUKS
                || u32(b, i + 32) == APFS
                || i64(b, i + 64) == BTRFS
                || i64(b, i + 3) == LOCKED_VOLUME
                || word >> 16 == 0x0400 && ((word & 0xffff) == 0x2b48 || (word & 0xffff) == 0x5848)
                || (i64(b, i + 1) & 0xffffffffffL) == OPTICAL
                || (i64(b, i + 1) & 0xffffffffffL) == OPTICAL_EXTENDED) {
            signs.add(Signs.Sign.HEAD, at);
        }
        if (u16(b, i + 56) == 0xef53 && u32(b, i + 24) <= 6) {
            signs.add(Signs.Sign.EXT_SUPERBLOCK, at);
        }
        entries(b, i, at, signs);
    }

    /** Names its family, or has what every FAT boot sector has: a jump and a power of two for bytes and for sectors. */
    private static boolean bootSector(byte[] b, int i) {
        if (i64(b, i + 3) == NTFS_NAME || i64(b, i + 3) == EXFAT_NAME) {
            return true;
        }
        int bytes = u16(b, i + 11);
        boolean jump = u8(b, i) == 0xeb || u8(b, i) == 0xe9;
        return jump
                && bytes >= 512
                && bytes <= 4096
                && Integer.bitCount(bytes) == 1
                && Integer.bitCount(u8(b, i + 13)) == 1
                && u8(b, i + 16) >= 1
                && u8(b, i + 16) <= 4;
    }

    private static void entries(byte[] b, int i, long at, Signs signs) {
        int first = u8(b, i);
        if (first == '.') {
            // ".          " and "..         ", both folders
            if (i64(b, i) == 0x202020202020202eL
                    && u8(b, i + 8) == ' '
                    && (u8(b, i + 11) & 0x10) != 0
                    && i64(b, i + 32) == 0x2020202020202e2eL
                    && (u8(b, i + 43) & 0x10) != 0) {
                signs.add(Signs.Sign.FAT_FOLDER, at);
            }
        } else if ((first & 0x7f) == 0x05
                && (u8(b, i + 32) & 0x7f) == 0x40
                && u8(b, i + 1) >= 2
                && u8(b, i + 1) <= 18) {
            signs.add(Signs.Sign.EXFAT_ENTRIES, at);
        } else if (first >= 0x20 && couldBeEntry(b, i) && couldBeEntry(b, i + 32) && couldBeEntry(b, i + 64)) {
            signs.add(Signs.Sign.FAT_ENTRIES, at);
        }
    }

    /** A short entry with possible attributes and case bits, or a part of a long name. */
    private static boolean couldBeEntry(byte[] b, int i) {
        int attributes = u8(b, i + 11);
        if (attributes == 0x0f) {
            return u8(b, i + 12) == 0 && u16(b, i + 26) == 0;
        }
        int first = u8(b, i);
        return first > 0x20
                && (attributes == 0x20
                        || attributes == 0x10
                        || attributes == 0
                        || attributes == 0x21
                        || attributes == 0x22)
                && (u8(b, i + 12) & 0xe7) == 0
                && u8(b, i + 13) < 200
                && u8(b, i + 8) >= 0x20
                && u8(b, i + 1) >= 0x20
                && u8(b, i + 7) >= 0x20
                && u16(b, i + 24) != 0;
    }
}
