package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.server.platform.Known;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The records that a merge reads and writes, very many at once. */
@Component
class CatalogueStore {

    private final CatalogueLines lines;
    private final CatalogueKeys keys;
    private final SeenLines seen;
    private final JdbcTemplate sql;
    private final ByKey byKey;

    CatalogueStore(CatalogueLines lines, CatalogueKeys keys, SeenLines seen, JdbcTemplate sql, ByKey byKey) {
        this.lines = lines;
        this.keys = keys;
        this.seen = seen;
        this.sql = sql;
        this.byKey = byKey;
    }

    ByKey byKey() {
        return byKey;
    }

    CatalogueKeys keys() {
        return keys;
    }

    SeenLines seen() {
        return seen;
    }

    /** Lines by their numbers, and those that took them in; what is changed of them is kept with the transaction. */
    Map<Long, CatalogueLine> lines(Collection<Long> ids) {
        Map<Long, CatalogueLine> all = new HashMap<>();
        for (Set<Long> next = new TreeSet<>(ids); !next.isEmpty(); ) {
            Set<Long> further = new TreeSet<>();
            for (CatalogueLine line : lines.findByIds(next.toArray(Long[]::new))) {
                all.put(line.id(), line);
                Long by = line.mergedInto();
                if (by != null && !all.containsKey(by)) {
                    further.add(by);
                }
            }
            further.removeAll(all.keySet());
            next = further;
        }
        return all;
    }

    /** The line that a number leads to today. */
    CatalogueLine shown(Map<Long, CatalogueLine> all, long id) {
        CatalogueLine line = Known.in(all, id);
        for (Long by = line.mergedInto(); by != null; by = line.mergedInto()) {
            line = Known.in(all, by);
        }
        return line;
    }

    /** Writes new lines, and gives each its number. */
    void addLines(Collection<CatalogueLine> fresh) {
        if (fresh.isEmpty()) {
            return;
        }
        Iterator<Long> numbers = sql.queryForList(
                        "select nextval('catalogue_line_ids') from generate_series(1, ?)", Long.class, fresh.size())
                .iterator();
        CopyRows.into(sql, "catalogue_line", CatalogueLine.COLUMNS, fresh, (l, rows) -> l.row(rows, numbers.next()));
    }
}
