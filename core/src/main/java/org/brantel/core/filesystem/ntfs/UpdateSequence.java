package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;

/**
 * The update sequence of records and index blocks: it shows whether all sectors were written together (NTFS3
 * "ntfs_fix_post_read").
 */
final class UpdateSequence {

    private UpdateSequence() {}

    /**
     * Puts the displaced bytes back.
     *
     * @param at     where the sequence begins
     * @param values how many 2-byte values it has: the check value and one for every 512 bytes
     * @return false when a sector does not belong to the others, or the sequence is none; the bytes are then unchanged
     */
    static boolean undo(byte[] block, int at, int values) {
        int sectors = block.length / MftRecord.STRIDE;
        if (values != sectors + 1 || at < 24 || at + values * 2 > MftRecord.STRIDE - 2 || (at & 1) != 0) {
            return false;
        }
        int check = u16(block, at);
        for (int i = 1; i <= sectors; i++) {
            if (u16(block, i * MftRecord.STRIDE - 2) != check) {
                return false;
            }
        }
        for (int i = 1; i <= sectors; i++) {
            block[i * MftRecord.STRIDE - 2] = block[at + i * 2];
            block[i * MftRecord.STRIDE - 1] = block[at + i * 2 + 1];
        }
        return true;
    }
}
