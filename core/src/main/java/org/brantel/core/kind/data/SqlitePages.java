package org.brantel.core.kind.data;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import org.brantel.core.bytes.ByteView;

/**
 * The trees of an SQLite file, from the schema's root on (Database File Format, sections 1.6 and 2.6). A page's head:
 * type (2 and 5 inner, 10 and 13 leaf), +3 2 cells, +5 2 where cells begin, inner pages +8 4 the last child; then an
 * array of 2 bytes for each cell. An inner cell begins with the page of its child.
 */
final class SqlitePages {

    private static final int MOST_SCHEMA_CELLS = 10_000;

    private final ByteView content;
    private final int page;
    private final int usable;
    private final long pages;
    private final BitSet seen = new BitSet();
    private final Deque<Long> waiting = new ArrayDeque<>();
    private final Deque<Long> schema = new ArrayDeque<>();
    private int count;

    SqlitePages(ByteView content, int page, int usable, long pages) {
        this.content = content;
        this.page = page;
        this.usable = usable;
        this.pages = pages;
    }

    int count() {
        return count;
    }

    /** @return where the first malformed page is; -1 when all hold together */
    long firstBroken() throws IOException {
        schema.add(1L);
        while (!schema.isEmpty()) {
            long number = schema.poll();
            if (!take(number, true)) {
                return (number - 1) * page;
            }
        }
        while (!waiting.isEmpty()) {
            long number = waiting.poll();
            if (!take(number, false)) {
                return (number - 1) * page;
            }
        }
        return -1;
    }

    private boolean take(long number, boolean ofSchema) throws IOException {
        if (number < 1 || number > pages || seen.get((int) Math.min(number, Integer.MAX_VALUE))) {
            return false;
        }
        seen.set((int) number);
        count++;
        long start = (number - 1) * page;
        long head = start + (number == 1 ? 100 : 0);
        int type = content.u8(head);
        boolean inner = type == 2 || type == 5;
        int cells = content.u16be(head + 3);
        if (!inner && type != 10 && type != 13 || cells > usable / 3) {
            return false;
        }
        long array = head + (inner ? 12 : 8);
        for (int i = 0; i < cells; i++) {
            int cell = content.u16be(array + i * 2L);
            if (cell < array + cells * 2L - start || cell >= usable) {
                return false;
            }
            if (inner) {
                (ofSchema ? schema : waiting).add(content.u32be(start + cell));
            } else if (ofSchema && i < MOST_SCHEMA_CELLS && !root(start + cell)) {
                return false;
            }
        }
        if (inner) {
            (ofSchema ? schema : waiting).add(content.u32be(head + 8));
        }
        return true;
    }

    /**
     * Row of the schema: length, number, then a record whose fourth value is the root of a table or an index (0 or
     * NULL: it has none).
     */
    private boolean root(long cell) throws IOException {
        long[] at = {cell};
        SqliteRecord.varint(content, at);
        SqliteRecord.varint(content, at);
        long record = at[0];
        long headEnd = record + SqliteRecord.varint(content, at);
        long value = headEnd;
        for (int i = 0; i < 4 && at[0] < headEnd; i++) {
            long type = SqliteRecord.varint(content, at);
            if (i == 3) {
                long root = type >= 1 && type <= 6 ? number(value, SqliteRecord.bytes(type)) : type == 9 ? 1 : 0;
                if (root > 1) {
                    waiting.add(root);
                }
                return root >= 0 && root <= pages;
            }
            value += SqliteRecord.bytes(type);
        }
        return false;
    }

    private long number(long at, long bytes) throws IOException {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            value = value << 8 | content.u8(at + i);
        }
        return value;
    }
}
