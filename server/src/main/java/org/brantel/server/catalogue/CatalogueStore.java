package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.platform.BesideLines;
import org.brantel.server.platform.Known;
import org.brantel.server.selection.Marks;
import org.brantel.server.selection.Selections;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The records that a merge reads and writes, very many at once. */
@Component
class CatalogueStore {

    private final CatalogueLines lines;
    private final CatalogueKeys keys;
    private final SeenLines seen;
    private final Folders folders;
    private final Selections selections;
    private final List<BesideLines> beside;
    private final Choices choices;
    private final JdbcTemplate sql;

    CatalogueStore(
            CatalogueLines lines,
            CatalogueKeys keys,
            SeenLines seen,
            Folders folders,
            Selections selections,
            List<BesideLines> beside,
            Choices choices,
            JdbcTemplate sql) {
        this.lines = lines;
        this.keys = keys;
        this.seen = seen;
        this.folders = folders;
        this.selections = selections;
        this.beside = beside;
        this.choices = choices;
        this.sql = sql;
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

    /** The numbers of folders; new ones are made. */
    Map<Folders.Place, Long> folders(long caseId, Collection<Folders.Place> places, Folders.Met met) {
        return places.isEmpty() ? Map.of() : folders.numbers(caseId, places, met);
    }

    void count(long caseId, CountChanges changes) {
        changes.save(sql, caseId);
    }

    /** What is chosen, as it is when nobody else may change it any more. */
    Marks chosen(long caseId) {
        selections.lock(caseId);
        return selections.chosen(caseId);
    }

    void weighMore(long caseId, Map<Prognosis, Choices.Weight> more) {
        choices.add(caseId, more);
    }

    /**
     * Lines became parts of others: what sessions saw of them, that somebody chose them, and what is kept beside.
     *
     * @param gone by their numbers, the lines that took them in, in turn
     */
    void takeIn(long caseId, Map<Long, Long> gone) {
        gone.forEach(seen::takeIn);
        selections.takeIn(caseId, gone);
        beside.forEach(b -> b.takeIn(caseId, gone));
    }

    /** Tells the database how the catalogue has grown; else it plans for the few rows that were there. */
    void analyze() {
        // A rough look is enough to tell a large table from a small one; keys are looked up by what they are.
        sql.execute("set local default_statistics_target = 20");
        sql.execute("analyze catalogue_line, catalogue_seen, catalogue_folder");
    }
}
