package org.brantel.server.catalogue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * How what stands beside a catalogue changes with its lines: the counts of its kinds, origins and prognoses, of its
 * folders, and of what fits the wanted lines. Kept with the lines, in one transaction.
 */
final class CountChanges {

    /**
     * What of a line is counted.
     *
     * @param folderId where it stands; null for what no record names
     */
    record Counted(
            @Nullable Long folderId,
            String kind,
            List<String> origins,
            Prognosis prognosis,
            long size,
            List<Long> wanted,
            List<Long> mayFit) {}

    private record Cell(String kind, String origins, String prognosis) implements Comparable<Cell> {
        @Override
        public int compareTo(Cell o) {
            return (kind + "\t" + origins + "\t" + prognosis).compareTo(o.kind + "\t" + o.origins + "\t" + o.prognosis);
        }
    }

    private record FolderFit(long folderId, long wantedId) {}

    private record CaseFit(long wantedId, String prognosis) {}

    private final Map<Cell, long[]> cells = new TreeMap<>();
    private final Map<Long, long[]> folders = new TreeMap<>();
    private final Map<FolderFit, long[]> folderFits = new HashMap<>();
    private final Map<CaseFit, long[]> caseFits = new HashMap<>();

    /**
     * A line is not what it was.
     *
     * @param before null where it was not shown
     * @param after  null where it is not shown any more
     */
    void change(@Nullable Counted before, @Nullable Counted after) {
        if (before != null && !before.equals(after)) {
            add(before, -1);
        }
        if (after != null && !after.equals(before)) {
            add(after, 1);
        }
    }

    private void add(Counted c, int times) {
        String prognosis = c.prognosis().name();
        sum(cells, new Cell(c.kind(), String.join(",", c.origins()), prognosis), times, times * c.size());
        Long folder = c.folderId();
        if (folder != null) {
            sum(folders, folder, times, times * c.size(), c.prognosis() == Prognosis.WHOLE ? times : 0);
        }
        fits(c.wanted(), folder, prognosis, times, 0);
        fits(c.mayFit(), folder, prognosis, 0, times);
    }

    private void fits(List<Long> wanted, @Nullable Long folder, String prognosis, long fits, long mayFit) {
        for (long line : wanted) {
            sum(caseFits, new CaseFit(line, prognosis), fits, mayFit);
            if (folder != null) {
                sum(folderFits, new FolderFit(folder, line), fits, mayFit);
            }
        }
    }

    private static <K> void sum(Map<K, long[]> sums, K key, long... more) {
        long[] sum = sums.computeIfAbsent(key, k -> new long[more.length]);
        for (int i = 0; i < more.length; i++) {
            sum[i] += more[i];
        }
    }

    void save(JdbcTemplate sql, long caseId) {
        if (!cells.isEmpty()) {
            sql.update(
                    "insert into catalogue_count as c (case_id, kind, origins, prognosis, lines, bytes) "
                            + "select ?, * from unnest(?, ?, ?, ?, ?) on conflict (case_id, kind, origins, prognosis) do "
                            + "update set lines = c.lines + excluded.lines, bytes = c.bytes + excluded.bytes",
                    caseId,
                    texts(cells, Cell::kind),
                    texts(cells, Cell::origins),
                    texts(cells, Cell::prognosis),
                    sums(cells, 0),
                    sums(cells, 1));
            sql.update("delete from catalogue_count where case_id = ? and lines = 0", caseId);
        }
        if (!folders.isEmpty()) {
            sql.update(
                    "update catalogue_folder f set lines = f.lines + d.lines, bytes = f.bytes + d.bytes, "
                            + "whole = f.whole + d.whole from (select inner_or_self as id, sum(own.lines) as lines, "
                            + "sum(own.bytes) as bytes, sum(own.whole) as whole from unnest(?, ?, ?, ?) as "
                            + "own (id, lines, bytes, whole) join catalogue_folder g on g.id = own.id "
                            + "cross join unnest(g.lineage) as inner_or_self group by inner_or_self) d where f.id = d.id",
                    numbers(folders, Function.identity()),
                    sums(folders, 0),
                    sums(folders, 1),
                    sums(folders, 2));
        }
        if (!caseFits.isEmpty()) {
            sql.update(
                    "insert into catalogue_fit as c (case_id, wanted_id, prognosis, fits, may_fit) "
                            + "select ?, * from unnest(?, ?, ?, ?) on conflict (case_id, wanted_id, prognosis) do "
                            + "update set fits = c.fits + excluded.fits, may_fit = c.may_fit + excluded.may_fit",
                    caseId,
                    numbers(caseFits, CaseFit::wantedId),
                    texts(caseFits, CaseFit::prognosis),
                    sums(caseFits, 0),
                    sums(caseFits, 1));
        }
        if (!folderFits.isEmpty()) {
            sql.update(
                    "insert into catalogue_folder_fit as c (folder_id, wanted_id, fits, may_fit) "
                            + "select inner_or_self, own.wanted_id, sum(own.fits), sum(own.may_fit) from "
                            + "unnest(?, ?, ?, ?) as own (id, wanted_id, fits, may_fit) join catalogue_folder g on "
                            + "g.id = own.id cross join unnest(g.lineage) as inner_or_self "
                            + "group by inner_or_self, own.wanted_id on conflict (folder_id, wanted_id) do "
                            + "update set fits = c.fits + excluded.fits, may_fit = c.may_fit + excluded.may_fit",
                    numbers(folderFits, FolderFit::folderId),
                    numbers(folderFits, FolderFit::wantedId),
                    sums(folderFits, 0),
                    sums(folderFits, 1));
        }
    }

    private static <K> String[] texts(Map<K, long[]> sums, Function<K, String> of) {
        return sums.keySet().stream().map(of).toArray(String[]::new);
    }

    private static <K> Long[] numbers(Map<K, long[]> sums, Function<K, Long> of) {
        return sums.keySet().stream().map(of).toArray(Long[]::new);
    }

    private static <K> Long[] sums(Map<K, long[]> sums, int which) {
        return sums.values().stream().map(s -> s[which]).toArray(Long[]::new);
    }
}
