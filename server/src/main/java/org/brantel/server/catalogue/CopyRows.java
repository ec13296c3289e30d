package org.brantel.server.catalogue;

import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.time.temporal.Temporal;
import java.util.Collection;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Rows of one table, as PostgreSQL's COPY takes them in its text format: columns between tabs, rows between ends of
 * line, {@code \N} for nothing. They are sent while they are written, so that both sides have something to do.
 */
final class CopyRows {

    private static final String NOTHING = "\\N";
    private static final int SENT_AT_ONCE = 64 << 10;

    private final CopyIn copy;
    private final StringBuilder text = new StringBuilder(SENT_AT_ONCE * 2);
    private boolean begun;

    private CopyRows(CopyIn copy) {
        this.copy = copy;
    }

    /**
     * Writes rows, in the transaction that is under way.
     *
     * @param columns of the table, in the order in which they are added
     * @param row     adds one of {@code all} and ends it
     */
    static <T> void into(
            JdbcTemplate sql, String table, String columns, Collection<T> all, BiConsumer<T, CopyRows> row) {
        if (all.isEmpty()) {
            return;
        }
        sql.execute((ConnectionCallback<Long>) c -> {
            CopyIn copy =
                    c.unwrap(PGConnection.class).getCopyAPI().copyIn("copy " + table + " (" + columns + ") from stdin");
            try {
                CopyRows rows = new CopyRows(copy);
                for (T one : all) {
                    row.accept(one, rows);
                    if (rows.text.length() >= SENT_AT_ONCE) {
                        rows.send();
                    }
                }
                rows.send();
                return copy.endCopy();
            } finally {
                if (copy.isActive()) {
                    copy.cancelCopy();
                }
            }
        });
    }

    private void send() throws SQLException {
        byte[] bytes = text.toString().getBytes(StandardCharsets.UTF_8);
        copy.writeToCopy(bytes, 0, bytes.length);
        text.setLength(0);
    }

    CopyRows add(@Nullable Object value) {
        column();
        if (value == null) {
            text.append(NOTHING);
        } else if (value instanceof Number || value instanceof Temporal) {
            text.append(value);
        } else {
            escaped(value.toString());
        }
        return this;
    }

    /** A list of texts or of numbers. */
    CopyRows add(Object[] list) {
        column();
        text.append('{');
        for (int i = 0; i < list.length; i++) {
            if (i > 0) {
                text.append(',');
            }
            if (list[i] instanceof Number) {
                text.append(list[i]);
            } else {
                // Within quotes an array takes all but these two as they are.
                text.append('"');
                escaped(list[i].toString().replace("\\", "\\\\").replace("\"", "\\\""));
                text.append('"');
            }
        }
        text.append('}');
        return this;
    }

    void end() {
        text.append('\n');
        begun = false;
    }

    private void column() {
        if (begun) {
            text.append('\t');
        }
        begun = true;
    }

    private void escaped(String value) {
        for (int i = 0; i < value.length(); i++) {
            char c = value.charAt(i);
            switch (c) {
                case '\\' -> text.append("\\\\");
                case '\t' -> text.append("\\t");
                case '\n' -> text.append("\\n");
                case '\r' -> text.append("\\r");
                default -> text.append(c);
            }
        }
    }
}
