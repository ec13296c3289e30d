package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

/**
 * The checksums of blocks that describe a file (EXT4 "Checksums"): CRC-32C of the volume's seed, the inode's number,
 * its generation, and the block up to where the checksum stands.
 *
 * <pre>
 * node of an extent tree: 4 bytes behind the room for entries    leaf of a folder: its last 12 bytes are an entry
 *      2 2 entries, 4 2 room for so many                              0  4  0     4  2  12     6  1  0     7  1  DE
 *      12 + 12 x room  4  checksum                                    8  4  checksum
 * </pre>
 */
final class Checksums {

    /** CRC-32C, reflected (RFC 3720 section 12.1). */
    private static final int POLYNOMIAL = 0x82f63b78;

    private static final int[] TABLE = new int[256];
    private static final int TAIL = 12;
    /** Bytes of a folder's entry for itself. */
    private static final int DOT = 12;

    private static final int TAIL_KIND = 0xde;

    static {
        for (int i = 0; i < 256; i++) {
            int value = i;
            for (int bit = 0; bit < 8; bit++) {
                value = (value & 1) != 0 ? value >>> 1 ^ POLYNOMIAL : value >>> 1;
            }
            TABLE[i] = value;
        }
    }

    private Checksums() {}

    /** Goes on from a value, without the inversion that others put at the end. */
    static int crc(int from, byte[] b, int at, int end) {
        int value = from;
        for (int i = at; i < end; i++) {
            value = TABLE[(value ^ b[i]) & 0xff] ^ value >>> 8;
        }
        return value;
    }

    /** @return true too where none is kept */
    static boolean isMapSound(Superblock sb, Inode.Key inode, byte[] node) {
        int at = BlockTree.ENTRY + u16(node, 4) * BlockTree.ENTRY;
        return !sb.checksMetadata() || at + 4 > node.length || of(sb, inode, node, at) == u32(node, at);
    }

    /** @return true too where none is kept */
    static boolean isFolderSound(Superblock sb, Inode.Key folder, byte[] block) {
        int tail = block.length - TAIL;
        // Nodes of hashes keep theirs elsewhere; an old tail may still stand in them. One entry spans all of such a
        // block.
        boolean hashes = u16(block, 4) == block.length || u16(block, 16) == block.length - DOT;
        boolean kept = sb.checksMetadata()
                && !hashes
                && u32(block, tail) == 0
                && u16(block, tail + 4) == TAIL
                && u8(block, tail + 6) == 0
                && u8(block, tail + 7) == TAIL_KIND;
        return !kept || of(sb, folder, block, tail) == u32(block, tail + 8);
    }

    private static long of(Superblock sb, Inode.Key inode, byte[] block, int end) {
        byte[] whose = new byte[8];
        for (int i = 0; i < 4; i++) {
            whose[i] = (byte) (inode.number() >> 8 * i);
            whose[4 + i] = (byte) (inode.generation() >> 8 * i);
        }
        return crc(crc((int) sb.checksumSeed(), whose, 0, 8), block, 0, end) & 0xffffffffL;
    }
}
