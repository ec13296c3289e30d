package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.data.SqliteRecord;

/**
 * The tables of a database with their rows counted, after the file format of SQLite 3 (sections 1.3, 1.6, 2.1 and 2.6;
 * big endian).
 *
 * <pre>
 * file:    16 bytes of a page (2; 1 means 65536), 20 bytes kept free at each page's end, 56 encoding (4; 1 UTF-8)
 * page:    0 kind (13 leaf, 5 inner page of a table), 3 cells (2), 8 rightmost page (4, inner alone), then the places
 *          of the cells (2 each); the first page has the file's 100 bytes before that
 * cell:    inner: page (4), row number (varint); leaf: length (varint), row number (varint), record
 * record:  length of its head (varint), kinds of its values (varint each), the values
 * </pre>
 */
final class SqliteTables {

    private static final int HEAD = 100;
    private static final int MOST_PAGES = 200_000;
    private static final int MOST_TABLES = 100;
    private static final int SHOWN_ROWS = 5;
    private static final Pattern NUMBER = Pattern.compile("\\bINTEGER\\s+PRIMARY\\s+KEY\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern COLUMN =
            Pattern.compile("^\\s*[\"`\\[]?([\\p{L}_][\\p{L}\\p{N}_ ]*?)[\"`\\]]?(?:\\s|$)");

    private final ByteView file;
    private final int pageBytes;
    private final int usable;
    private final Charset letters;
    private int visited;
    /** Letters of a value that are read; the words that made a table are longer than what is shown. */
    private int longest = 4000;

    private SqliteTables(ByteView file) throws IOException {
        this.file = file;
        int said = file.u16be(16);
        this.pageBytes = said == 1 ? 65536 : said;
        if (pageBytes < 512 || Integer.bitCount(pageBytes) != 1) {
            throw new IOException("the database says that a page has " + pageBytes + " bytes");
        }
        this.usable = pageBytes - file.u8(20);
        this.letters = switch ((int) file.u32be(56)) {
            case 2 -> StandardCharsets.UTF_16LE;
            case 3 -> StandardCharsets.UTF_16BE;
            default -> StandardCharsets.UTF_8;
        };
    }

    static List<Inside.Table> of(ByteView file) throws IOException {
        return new SqliteTables(file).tables();
    }

    private List<Inside.Table> tables() throws IOException {
        Rows schema = rows(1, MOST_TABLES * 10);
        longest = 200;
        List<Inside.Table> tables = new ArrayList<>();
        for (List<String> row : schema.first) {
            boolean isTable =
                    row.size() >= 5 && row.get(0).equals("table") && row.get(3).matches("[1-9]\\d{0,8}");
            if (isTable && tables.size() < MOST_TABLES) {
                Rows rows = rows(Long.parseLong(row.get(3)), SHOWN_ROWS);
                int columns = rows.first.stream().mapToInt(List::size).max().orElse(0);
                numbered(row.get(4), rows);
                tables.add(new Inside.Table(row.get(1), rows.count, heads(row.get(4), columns), rows.first));
            }
        }
        return tables;
    }

    /** The names of columns, as far as the words that made the table say them. */
    private static List<String> heads(String made, int columns) {
        String[] parts = parts(made);
        return IntStream.range(0, columns)
                .mapToObj(i -> {
                    Matcher m = i < parts.length ? COLUMN.matcher(parts[i]) : null;
                    return m != null && m.find() ? m.group(1) : "column " + (i + 1);
                })
                .toList();
    }

    private static final class Rows {
        private long count;
        private final List<List<String>> first = new ArrayList<>();
        private final List<Long> numbers = new ArrayList<>();
    }

    /** A column that is the row's number is kept empty in the rows (section 2.3): the number stands in its place. */
    private static void numbered(String made, Rows rows) {
        String[] parts = parts(made);
        for (int column = 0; column < parts.length; column++) {
            if (NUMBER.matcher(parts[column]).find()) {
                for (int i = 0; i < rows.first.size(); i++) {
                    List<String> row = rows.first.get(i);
                    if (column < row.size() && row.get(column).isEmpty()) {
                        row.set(column, String.valueOf(rows.numbers.get(i)));
                    }
                }
            }
        }
    }

    private static String[] parts(String made) {
        int open = made.indexOf('(');
        return open < 0 ? new String[0] : made.substring(open + 1).split(",");
    }

    /** Counts the rows of a tree of pages, and reads the first ones. */
    private Rows rows(long root, int shown) throws IOException {
        Rows rows = new Rows();
        Set<Long> seen = new HashSet<>();
        Deque<Long> next = new ArrayDeque<>(List.of(root));
        while (!next.isEmpty()) {
            long page = next.pop();
            if (page < 1 || page > file.length() / pageBytes || !seen.add(page) || ++visited > MOST_PAGES) {
                throw new IOException("the pages of a table lead elsewhere");
            }
            long start = (page - 1) * pageBytes;
            long at = start + (page == 1 ? HEAD : 0);
            int kind = file.u8(at);
            int cells = file.u16be(at + 3);
            if (kind == 13) {
                rows.count += cells;
                for (int i = 0; i < cells && rows.first.size() < shown; i++) {
                    read(start + file.u16be(at + 8 + 2L * i), rows);
                }
            } else if (kind == 5) {
                List<Long> below = new ArrayList<>();
                for (int i = 0; i < cells; i++) {
                    below.add(file.u32be(start + file.u16be(at + 12 + 2L * i)));
                }
                below.add(file.u32be(at + 8));
                Collections.reverse(below);
                below.forEach(next::push);
            } else {
                // A table without row numbers is laid out as an index, and read no further.
                rows.count = Inside.Table.NOT_KNOWN;
                return rows;
            }
        }
        return rows;
    }

    private void read(long cell, Rows into) throws IOException {
        long[] at = {cell};
        long length = SqliteRecord.varint(file, at);
        into.numbers.add(SqliteRecord.varint(file, at));
        // A row that goes on in other pages is shown as far as it stands in its own.
        long end = at[0] + Math.min(length, usable - 35L);
        long record = at[0];
        long headEnd = record + SqliteRecord.varint(file, at);
        List<Long> kinds = new ArrayList<>();
        while (at[0] < headEnd && kinds.size() < 100) {
            kinds.add(SqliteRecord.varint(file, at));
        }
        List<String> values = new ArrayList<>();
        long value = headEnd;
        for (long kind : kinds) {
            long bytes = SqliteRecord.bytes(kind);
            values.add(
                    value + bytes > end && kind >= 12
                            ? text(kind, value, Math.max(0, end - value))
                            : value(kind, value));
            value += bytes;
        }
        into.first.add(values);
    }

    private String value(long kind, long at) throws IOException {
        if (kind >= 12) {
            return text(kind, at, SqliteRecord.bytes(kind));
        }
        if (kind == 7) {
            return String.valueOf(Double.longBitsToDouble(whole(at, 8)));
        }
        return kind == 0
                ? ""
                : kind == 8 ? "0" : kind == 9 ? "1" : String.valueOf(whole(at, (int) SqliteRecord.bytes(kind)));
    }

    private String text(long kind, long at, long bytes) throws IOException {
        return kind % 2 == 0
                ? "(" + Letters.count(SqliteRecord.bytes(kind)) + " bytes)"
                : Letters.shown(new String(file.bytes(at, (int) Math.min(bytes, 2L * longest)), letters), longest);
    }

    /** With its sign. */
    private long whole(long at, int bytes) throws IOException {
        long n = (byte) file.u8(at);
        for (int i = 1; i < bytes; i++) {
            n = n << 8 | file.u8(at + i);
        }
        return n;
    }
}
