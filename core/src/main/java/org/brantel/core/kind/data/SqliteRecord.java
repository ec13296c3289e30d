package org.brantel.core.kind.data;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;

/** Numbers of a record of SQLite 3 (file format, sections 1.6 and 2.1). */
public final class SqliteRecord {

    private SqliteRecord() {}

    /**
     * Seven bits a byte, the highest first, and eight in the ninth byte.
     *
     * @param at where it stands; afterwards where it ended
     */
    public static long varint(ByteView content, long[] at) throws IOException {
        long value = 0;
        for (int i = 0; i < 8; i++) {
            int b = content.u8(at[0]++);
            value = value << 7 | b & 0x7f;
            if (b < 0x80) {
                return value;
            }
        }
        return value << 8 | content.u8(at[0]++);
    }

    /** Bytes of a value, by its kind: from 12 on bytes (even) and text (odd), before that numbers. */
    public static long bytes(long kind) {
        return kind >= 12 ? (kind - 12) / 2 : kind == 5 ? 6 : kind == 6 || kind == 7 ? 8 : kind <= 4 ? kind : 0;
    }
}
