package org.brantel.server.catalogue;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The records of {@link Seen}, a row for each line and session. */
@Component
class SeenLines {

    /** What changed of a line for a session. */
    record Change(long line, long session, CatalogueViews.Version version) {}

    private static final String COLUMNS = "line_id, session_id, rank, prognosis, score, origin, path";

    private final JdbcTemplate sql;

    SeenLines(JdbcTemplate sql) {
        this.sql = sql;
    }

    /** By the line's number; none for lines that are not there. */
    Map<Long, Seen> of(Collection<Long> lines) {
        Map<Long, Seen> seen = new HashMap<>();
        if (!lines.isEmpty()) {
            sql.query(
                    "select " + COLUMNS + " from catalogue_seen where line_id = any(?)",
                    row -> {
                        seen.computeIfAbsent(row.getLong("line_id"), l -> new Seen())
                                .by(row.getLong("session_id"), version(row));
                    },
                    (Object) lines.toArray(Long[]::new));
        }
        return seen;
    }

    private static CatalogueViews.@Nullable Version version(ResultSet row) throws SQLException {
        String prognosis = row.getString("prognosis");
        return prognosis == null
                ? null
                : new CatalogueViews.Version(
                        row.getInt("rank"),
                        Prognosis.valueOf(prognosis),
                        row.getInt("score"),
                        Origin.valueOf(row.getString("origin")),
                        row.getString("path"));
    }

    /** Rows for lines that no session had found before. */
    void addAll(List<Change> changes) {
        CopyRows.into(sql, "catalogue_seen", COLUMNS, changes, (change, rows) -> {
            CatalogueViews.Version v = change.version();
            rows.add(change.line())
                    .add(change.session())
                    .add(v.rank())
                    .add(v.prognosis().name());
            rows.add(v.score()).add(v.origin().name()).add(v.path()).end();
        });
    }

    /** Rows that are there already become these. */
    void putAll(List<Change> changes) {
        sql.batchUpdate(
                "insert into catalogue_seen (" + COLUMNS
                        + ") values (?, ?, ?, ?, ?, ?, ?) on conflict (line_id, session_id) do update set "
                        + "rank = excluded.rank, prognosis = excluded.prognosis, score = excluded.score, "
                        + "origin = excluded.origin, path = excluded.path",
                changes.stream()
                        .map(c -> new Object[] {
                            c.line(),
                            c.session(),
                            c.version().rank(),
                            c.version().prognosis().name(),
                            c.version().score(),
                            c.version().origin().name(),
                            c.version().path()
                        })
                        .toList());
    }

    /** What a line was seen by is now what another was. */
    void takeIn(long gone, long by) {
        sql.update(
                "insert into catalogue_seen (line_id, session_id) select ?, session_id from catalogue_seen "
                        + "where line_id = ? on conflict do nothing",
                by,
                gone);
        sql.update("delete from catalogue_seen where line_id = ?", gone);
    }
}
