package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.stereotype.Component;

/** The records of {@link CatalogueContent}. */
@Component
class CatalogueContents {

    private static final String COLUMNS = "place, imaging_id, size, extents, encoding, sample, sha256, line_id";

    private static final RowMapper<CatalogueContent> STORED = (row, n) -> new CatalogueContent(
            row.getString("place"),
            row.getLong("imaging_id"),
            new CatalogueContent.Bytes(row.getLong("size"), row.getString("extents"), row.getString("encoding")),
            row.getObject("sample", Long.class),
            row.getString("sha256"),
            row.getObject("line_id", Long.class));

    private final JdbcTemplate sql;
    private final ByKey byKey;

    CatalogueContents(JdbcTemplate sql, ByKey byKey) {
        this.sql = sql;
        this.byKey = byKey;
    }

    List<CatalogueContent> findKnown(long caseId, Collection<String> places) {
        return byKey.read(() -> sql.query(
                "select " + COLUMNS + " from catalogue_content where case_id = ? and place = any(?)",
                STORED,
                caseId,
                places.toArray(String[]::new)));
    }

    /** What could be the same as contents of these sizes and samples, which are pairs. */
    List<CatalogueContent> findAlike(long caseId, Long[] sizes, Long[] samples) {
        return byKey.read(() -> sql.query(
                "select c.* from unnest(?, ?) as look (size, sample) cross join lateral (select " + COLUMNS
                        + " from catalogue_content where case_id = ? and size = look.size and sample = look.sample "
                        + "union all select " + COLUMNS + " from catalogue_content where case_id = ? and size = "
                        + "look.size and sample is null) c",
                STORED,
                sizes,
                samples,
                caseId,
                caseId));
    }

    void addAll(long caseId, Collection<CatalogueContent> contents) {
        CopyRows.into(sql, "catalogue_content", "case_id, " + COLUMNS, contents, (c, rows) -> {
            rows.add(caseId)
                    .add(c.place())
                    .add(c.imagingId())
                    .add(c.size())
                    .add(c.bytes().extents());
            rows.add(c.bytes().encoding())
                    .add(c.sample())
                    .add(c.sha256())
                    .add(c.line())
                    .end();
        });
    }

    /** Keeps what was found out of contents that are there. */
    void putAll(long caseId, Collection<CatalogueContent> contents) {
        sql.batchUpdate(
                "update catalogue_content set imaging_id = ?, sample = ?, sha256 = ?, line_id = ? where case_id = ? and place = ?",
                contents.stream()
                        .map(c -> new Object[] {c.imagingId(), c.sample(), c.sha256(), c.line(), caseId, c.place()})
                        .toList());
    }
}
