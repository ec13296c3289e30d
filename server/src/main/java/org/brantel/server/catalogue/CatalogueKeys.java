package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The keys by which lines are known; see {@link org.brantel.core.finding.Catalogue}. */
@Component
class CatalogueKeys {

    private final JdbcTemplate sql;
    private final ByKey byKey;

    CatalogueKeys(JdbcTemplate sql, ByKey byKey) {
        this.sql = sql;
        this.byKey = byKey;
    }

    /** Of some keys those that are known, and the number of the line that each leads to. */
    Map<String, Long> known(long caseId, Collection<String> keys) {
        return byKey.read(() -> {
            Map<String, Long> known = new HashMap<>();
            // Keys come by the ten thousand: as an array they are one parameter, and the plan is the same for any
            // number.
            sql.query(
                    "select identity_key, line_id from catalogue_key where case_id = ? and identity_key = any(?)",
                    row -> {
                        known.put(row.getString(1), row.getLong(2));
                    },
                    caseId,
                    keys.toArray(String[]::new));
            return known;
        });
    }

    void addAll(long caseId, Map<String, Long> keys) {
        CopyRows.into(
                sql, "catalogue_key", "case_id, identity_key, line_id", keys.entrySet(), (k, rows) -> rows.add(caseId)
                        .add(k.getKey())
                        .add(k.getValue())
                        .end());
    }
}
