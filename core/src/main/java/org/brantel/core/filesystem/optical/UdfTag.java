package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

/**
 * The tag that begins every descriptor (ECMA-167 section 3/7.2): what it is at 0, a sum of the tag's other bytes at 4,
 * the block that it stands in at 12.
 */
final class UdfTag {

    static final int PRIMARY = 1;
    static final int ANCHOR = 2;
    static final int PARTITION = 5;
    static final int LOGICAL_VOLUME = 6;
    static final int LAST = 8;
    static final int FILE_SET = 256;
    static final int FILE_NAME = 257;
    static final int FILE_ENTRY = 261;
    static final int EXTENDED_FILE_ENTRY = 266;
    static final int ALLOCATION_EXTENT = 258;

    private UdfTag() {}

    /** What a descriptor is; -1 where none stands. */
    static int of(byte[] b, int at) {
        int sum = 0;
        for (int i = 0; i < 16; i++) {
            sum += i == 4 ? 0 : u8(b, at + i);
        }
        return (sum & 0xff) == u8(b, at + 4) && u16(b, at) != 0 ? u16(b, at) : -1;
    }

    static long blockOf(byte[] b, int at) {
        return u32(b, at + 12);
    }
}
