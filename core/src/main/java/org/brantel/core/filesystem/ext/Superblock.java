package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * The superblock, 1024 bytes from the volume's start (EXT4 "Super Block"); copies begin the groups 1 and powers of 3, 5
 * and 7, or all of them.
 *
 * <pre>
 * offset size field                              offset size field
 *      0    4  inodes                               88    2  bytes of an inode (revision 1)
 *      4    4  blocks, lower half                   90    2  group that this copy begins
 *     20    4  first data block                     92    4  compatible features: 4 journal
 *     24    4  block size, 1024 &lt;&lt; value          96    4  incompatible features, see below
 *     28    4  cluster size, likewise              100    4  features for reading: 200 clusters of blocks
 *     32    4  blocks of a group                   104   16  identifier
 *     36    4  clusters of a group                 120   16  label
 *     40    4  inodes of a group                   224    4  inode of the journal
 *     56    2  EF53                                254    2  bytes of a group descriptor (64-bit)
 *     58    2  state: 1 clean, 2 errors            260    4  first group of scattered descriptors
 *     76    4  revision                            264    4  made, seconds
 *                                                  336    4  blocks, upper half (64-bit)
 *                                                  624    4  seed of checksums, where it is not the identifier's
 * </pre>
 *
 * @param start     first byte of the volume in the source
 */
record Superblock(
        long start,
        Room room,
        Inodes table,
        Descriptors descriptors,
        Features features,
        About about,
        long journalInode,
        long checksumSeed) {

    /**
     * @param onMedium how many of its blocks lie on the medium, at least in part; what it claims may be a lie
     */
    record Room(long onMedium, long blocks, long firstDataBlock, int blockBytes, int blocksPerCluster, long perGroup) {}

    record Inodes(long count, long perGroup, int bytes) {}

    /**
     * @param copy      the group that this copy begins; 0 for the first
     * @param bytes     of a descriptor
     * @param firstMeta first group of scattered descriptors
     */
    record Descriptors(int copy, int bytes, long firstMeta) {}

    record Features(long compatible, long incompatible, long forReading) {}

    /** What it says of itself. */
    record About(
            int state,
            String identifier,
            String label,
            @Nullable Instant made) {}

    static final int AT = 1024;
    static final int SIZE = 1024;
    static final int MAGIC = 0xef53;

    static final long HAS_JOURNAL = 0x4;
    static final long NEEDS_RECOVERY = 0x4;
    static final long META_GROUPS = 0x10;
    static final long EXTENTS = 0x40;
    static final long WIDE = 0x80;
    static final long FLEXIBLE_GROUPS = 0x200;
    static final long OWN_SEED = 0x2000;
    static final long SPARSE_COPIES = 0x1;
    static final long GROUP_CHECKSUMS = 0x10;
    static final long METADATA_CHECKSUMS = 0x400;
    static final long CLUSTERS = 0x200;
    private static final long EXT4_FOR_READING = 0x8 | 0x10 | 0x20 | 0x40 | CLUSTERS | METADATA_CHECKSUMS;
    private static final String FAMILY = "an ext volume";

    /** The superblock at a volume's start; where that is spoiled, the first copy of it. */
    static Superblock read(Source source, Range room) throws IOException {
        try {
            return read(source, room.offset() + AT, room.offset(), room.length());
        } catch (ParseFailure | ByteView.Unread e) {
            for (int blockBytes = 1024; blockBytes <= 4096; blockBytes *= 2) {
                // A group has as many blocks as a block has bits.
                long copy = room.offset() + ((long) blockBytes * 8 + (blockBytes == 1024 ? 1 : 0)) * blockBytes;
                try {
                    Superblock found = read(source, copy, room.offset(), room.length());
                    if (found.copyGroup() == 1 && found.blockBytes() == blockBytes) {
                        return found;
                    }
                } catch (ParseFailure | ByteView.Unread none) {
                    // The next one may be readable.
                }
            }
            throw e;
        }
    }

    /** The superblock that a copy of it tells of. */
    static Superblock readByCopy(Source source, long at) throws IOException {
        Superblock there = read(source, at, 0, source.size());
        long start = at - (there.copyGroup() == 0 ? AT : there.groupStart(there.copyGroup()) * there.blockBytes());
        Damaged.unless(
                start >= 0, FAMILY, "group of the copy", at + 90, there.copyGroup(), "one that lies on the medium");
        return read(source, at, start, source.size() - start);
    }

    private static Superblock read(Source source, long at, long start, long room) throws IOException {
        if (room < AT + SIZE || at < 0 || at > source.size() - SIZE) {
            throw new NotThisFormat(FAMILY, "volume length", at, room, "at least 2048");
        }
        byte[] b = ByteView.of(source, new Range(at, SIZE)).bytes(0, SIZE);
        NotThisFormat.unless(u16(b, 56) == MAGIC, FAMILY, "signature", at + 56, u16(b, 56), "0xEF53");
        long logBlock = u32(b, 24);
        Damaged.unless(logBlock <= 6, FAMILY, "block size", at + 24, logBlock, "0 to 6");
        int blockBytes = 1024 << logBlock;
        long incompatible = u32(b, 96);
        long forReading = u32(b, 100);
        boolean wide = (incompatible & WIDE) != 0;
        long blocks = u32(b, 4) | (wide ? u32(b, 336) << 32 : 0);
        long firstData = u32(b, 20);
        Damaged.unless(
                blocks > firstData && blocks < Long.MAX_VALUE / blockBytes - start,
                FAMILY,
                "blocks",
                at + 4,
                blocks,
                "more than the first data block");
        Damaged.unless(firstData <= 1, FAMILY, "first data block", at + 20, firstData, "0 or 1");
        long perGroup = u32(b, 32);
        long logCluster = u32(b, 28);
        boolean clusters = (forReading & CLUSTERS) != 0;
        Damaged.unless(
                !clusters || logCluster >= logBlock && logCluster <= logBlock + 16,
                FAMILY,
                "cluster size",
                at + 28,
                logCluster,
                "not below the block size");
        int perCluster = clusters ? 1 << (int) (logCluster - logBlock) : 1;
        Damaged.unless(
                perGroup >= 8 && perGroup <= (long) blockBytes * 8 * perCluster,
                FAMILY,
                "blocks of a group",
                at + 32,
                perGroup,
                "8 to what a bitmap holds");
        long inodesPerGroup = u32(b, 40);
        long inodes = u32(b, 0);
        Damaged.unless(
                inodesPerGroup > 0 && inodesPerGroup <= blockBytes * 8L,
                FAMILY,
                "inodes of a group",
                at + 40,
                inodesPerGroup,
                "1 to what a bitmap holds");
        long groups = (blocks - firstData + perGroup - 1) / perGroup;
        Damaged.unless(
                inodes > 0 && inodes <= groups * inodesPerGroup, FAMILY, "inodes", at, inodes, "what the groups hold");
        int inodeBytes = u32(b, 76) == 0 ? 128 : u16(b, 88);
        Damaged.unless(
                inodeBytes >= 128 && inodeBytes <= blockBytes && Integer.bitCount(inodeBytes) == 1,
                FAMILY,
                "bytes of an inode",
                at + 88,
                inodeBytes,
                "128 to a block, a power of two");
        int descriptor = wide ? u16(b, 254) : 32;
        Damaged.unless(
                descriptor >= 32 && descriptor <= blockBytes && Integer.bitCount(descriptor) == 1,
                FAMILY,
                "bytes of a group descriptor",
                at + 254,
                descriptor,
                "32 or more, a power of two");
        long made = u32(b, 264);
        return new Superblock(
                start,
                new Room(
                        Math.min(blocks, (source.size() - start) / blockBytes + 1),
                        blocks,
                        firstData,
                        blockBytes,
                        perCluster,
                        perGroup),
                new Inodes(inodes, inodesPerGroup, inodeBytes),
                new Descriptors(u16(b, 90), descriptor, u32(b, 260)),
                new Features(u32(b, 92), incompatible, forReading),
                new About(u16(b, 58), identifier(b), text(b, 120, 16), made == 0 ? null : Instant.ofEpochSecond(made)),
                u32(b, 224),
                (incompatible & OWN_SEED) != 0 ? u32(b, 624) : Checksums.crc(-1, b, 104, 120) & 0xffffffffL);
    }

    private static String identifier(byte[] b) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 16; i++) {
            text.append(i == 4 || i == 6 || i == 8 || i == 10 ? "-" : "").append(String.format("%02x", u8(b, 104 + i)));
        }
        return text.toString();
    }

    private static String text(byte[] b, int at, int length) {
        String text = new String(b, at, length, StandardCharsets.UTF_8);
        int end = text.indexOf('\0');
        return end < 0 ? text : text.substring(0, end);
    }

    long blocks() {
        return room.blocks();
    }

    long firstDataBlock() {
        return room.firstDataBlock();
    }

    int blockBytes() {
        return room.blockBytes();
    }

    int blocksPerCluster() {
        return room.blocksPerCluster();
    }

    long blocksPerGroup() {
        return room.perGroup();
    }

    long inodes() {
        return table.count();
    }

    long inodesPerGroup() {
        return table.perGroup();
    }

    int inodeBytes() {
        return table.bytes();
    }

    int copyGroup() {
        return descriptors.copy();
    }

    String family() {
        boolean four = (features.incompatible() & (EXTENTS | WIDE | FLEXIBLE_GROUPS)) != 0
                || (features.forReading() & EXT4_FOR_READING) != 0;
        return four ? "ext4" : (features.compatible() & HAS_JOURNAL) != 0 ? "ext3" : "ext2";
    }

    boolean needsRecovery() {
        return (features.incompatible() & NEEDS_RECOVERY) != 0;
    }

    boolean checksMetadata() {
        return (features.forReading() & METADATA_CHECKSUMS) != 0;
    }

    boolean marksUnused() {
        return (features.forReading() & (GROUP_CHECKSUMS | METADATA_CHECKSUMS)) != 0;
    }

    long groups() {
        return (blocks() - firstDataBlock() + blocksPerGroup() - 1) / blocksPerGroup();
    }

    /** First block of a group. */
    long groupStart(long group) {
        return firstDataBlock() + group * blocksPerGroup();
    }

    boolean holdsCopy(long group) {
        if (group <= 1 || (features.forReading() & SPARSE_COPIES) == 0) {
            return true;
        }
        return isPower(group, 3) || isPower(group, 5) || isPower(group, 7);
    }

    private static boolean isPower(long value, long of) {
        long power = of;
        while (power < value) {
            power *= of;
        }
        return power == value;
    }

    long offset(long block) {
        return start + block * blockBytes();
    }

    boolean isBlock(long block) {
        return block > 0 && block < blocks();
    }

    int clusterBytes() {
        return blockBytes() * blocksPerCluster();
    }

    long lengthBytes() {
        return blocks() * blockBytes();
    }

    /** Whether a sector begins like one: the magic, and a block size that there is. */
    static boolean begins(byte[] b, int i) {
        return u16(b, i + 56) == MAGIC && u32(b, i + 24) <= 6;
    }
}
