package org.brantel.core.filesystem.fat;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u8;

/** What a sector of a folder begins like (layout in {@link DirectoryEntry}). */
final class EntrySigns {

    private static final long DOT = 0x202020202020202eL;
    private static final long DOT_DOT = 0x2020202020202e2eL;
    private static final int FOLDER = 0x10;

    private EntrySigns() {}

    /** Entries for itself and for its parent, both folders. */
    static boolean beginsFolder(byte[] b, int i) {
        return b[i] == '.'
                && i64(b, i) == DOT
                && u8(b, i + 8) == ' '
                && (u8(b, i + 11) & FOLDER) != 0
                && i64(b, i + 32) == DOT_DOT
                && (u8(b, i + 43) & FOLDER) != 0;
    }

    static boolean areEntries(byte[] b, int i) {
        return u8(b, i) >= 0x20
                && b[i] != '.'
                && couldBeEntry(b, i)
                && couldBeEntry(b, i + 32)
                && couldBeEntry(b, i + 64);
    }

    /** A short entry with possible attributes and case bits, or a part of a long name. */
    private static boolean couldBeEntry(byte[] b, int i) {
        int attributes = u8(b, i + 11);
        if (attributes == DirectoryEntry.LONG_NAME) {
            return u8(b, i + 12) == 0 && u16(b, i + 26) == 0;
        }
        int first = u8(b, i);
        return first > 0x20
                && (attributes == 0x20
                        || attributes == FOLDER
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
