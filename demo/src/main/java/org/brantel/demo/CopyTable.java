package org.brantel.demo;

import java.io.IOException;
import java.io.StringReader;
import java.sql.Connection;
import java.sql.SQLException;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;

/** Rows for one table, sent by PostgreSQL's COPY in its text format. */
final class CopyTable {

    private final PGConnection connection;
    private final String into;
    private final StringBuilder rows = new StringBuilder();

    /** @param into table and columns, as they stand after {@code copy} */
    CopyTable(Connection connection, String into) throws SQLException {
        this.connection = connection.unwrap(PGConnection.class);
        this.into = into;
    }

    CopyTable row(@Nullable Object... values) {
        for (int i = 0; i < values.length; i++) {
            rows.append(i == 0 ? "" : "\t")
                    .append(
                            values[i] == null
                                    ? "\\N"
                                    : values[i]
                                            .toString()
                                            .replace("\\", "\\\\")
                                            .replace("\t", "\\t")
                                            .replace("\n", "\\n")
                                            .replace("\r", "\\r"));
        }
        rows.append('\n');
        return this;
    }

    void send() throws SQLException {
        try {
            connection.getCopyAPI().copyIn("copy " + into + " from stdin", new StringReader(rows.toString()));
            rows.setLength(0);
        } catch (IOException e) {
            throw new SQLException(e);
        }
    }
}
