package org.brantel.server.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A catalogue as places that a person walks through: volumes, folders, and what no record names. */
@Service
class Walk {

    /** So many shelves are shown side by side; nobody looks along more. */
    static final int MOST = 500;

    /**
     * A place, and what can be opened from there.
     *
     * @param path     within its volume, empty for the volume itself; absent for the case as a whole
     * @param behind   what was opened to come here, the volume first and the place itself last
     * @param own      what lies in it and in no folder of it
     * @param shelves  by name; volumes by their session and number
     * @param further  how many more folders lie here than are shown
     * @param nameless what no record names, by kind; told of the case alone
     * @param days     what no record names, by when it was made; where that is long, by months or years
     * @param undated  what no record names and nothing says when it was made
     */
    record Place(
            @Nullable String path,
            List<Behind> behind,
            Holds own,
            List<Shelf> shelves,
            long further,
            Map<String, Holds> nameless,
            List<Days> days,
            Holds undated) {}

    /** From a day to another; both are within. */
    record Days(LocalDate from, LocalDate to, Holds holds) {}

    /** @param folders its numbers, one for each session that tells of it */
    record Behind(List<Long> folders, String name) {}

    /** @param whole lines that are whole */
    record Holds(long lines, long bytes, long whole) {

        static final Holds NOTHING = new Holds(0, 0, 0);

        Holds and(Holds more) {
            return new Holds(lines + more.lines, bytes + more.bytes, whole + more.whole);
        }

        private Holds without(Holds some) {
            return new Holds(lines - some.lines, bytes - some.bytes, whole - some.whole);
        }
    }

    /**
     * @param folders its numbers, one for each session that tells of it
     * @param volume  its session and number, like {@code 3:1}; absent for a folder
     * @param holds   with all that lies below
     */
    record Shelf(List<Long> folders, String name, @Nullable String volume, Holds holds, List<Fits> fits) {}

    /** @param wanted a wanted line, and how many of what lies there fit it, or may */
    record Fits(long wanted, long fits, long mayFit) {}

    /** @param lineage from the top on, itself last */
    private record Row(List<Long> lineage, String path, Holds holds) {}

    private static final RowMapper<Holds> HOLDS =
            (row, n) -> new Holds(row.getLong("lines"), row.getLong("bytes"), row.getLong("whole"));

    private final Cases cases;
    private final Locks locks;
    private final JdbcTemplate sql;

    Walk(Cases cases, Locks locks, JdbcTemplate sql) {
        this.cases = cases;
        this.locks = locks;
        this.sql = sql;
    }

    /** @param folders the same folder as each session has it; none for the case as a whole */
    @Transactional(readOnly = true)
    Place at(String number, List<Long> folders) {
        long caseId = cases.id(number);
        return folders.isEmpty() ? top(number, caseId) : inside(caseId, new LinkedHashSet<>(folders));
    }

    private Place top(String number, long caseId) {
        List<Shelf> volumes = sql.query(
                "select id, told_by, volume, lines, bytes, whole from catalogue_folder where case_id = ? and "
                        + "md5(path) = md5('') and parent_id is null and lines > 0 order by told_by, volume",
                (row, n) -> new Shelf(
                        List.of(row.getLong("id")),
                        "",
                        row.getLong("told_by") + ":" + row.getInt("volume"),
                        HOLDS.mapRow(row, n),
                        List.of()),
                caseId);
        Map<String, Holds> nameless = new TreeMap<>();
        Map<LocalDate, Holds> days = new TreeMap<>();
        Holds[] undated = {Holds.NOTHING};
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        sql.query(
                "select kind, made::date as day, count(*) as lines, sum(size) as bytes, count(*) filter (where prognosis "
                        + "= 'WHOLE') as whole from catalogue_line where case_id = ? and merged_into is null and "
                        + "folder_id is null group by 1, 2",
                row -> {
                    Holds holds = Objects.requireNonNull(HOLDS.mapRow(row, 0));
                    nameless.merge(row.getString("kind"), holds, Holds::and);
                    // What no record names says itself when it was made.
                    LocalDate day = into ? row.getObject("day", LocalDate.class) : null;
                    if (day == null) {
                        undated[0] = undated[0].and(holds);
                    } else {
                        days.merge(day, holds, Holds::and);
                    }
                },
                caseId);
        return new Place(
                null, List.of(), Holds.NOTHING, withFits(volumes), 0, nameless, DaySpan.fine(days), undated[0]);
    }

    private Place inside(long caseId, Set<Long> folders) {
        Long[] numbers = folders.toArray(Long[]::new);
        List<Row> rows = sql.query(
                "select lineage, path, lines, bytes, whole from catalogue_folder where case_id = ? and id = any(?) "
                        + "order by id",
                (row, n) -> new Row(
                        List.of((Long[]) row.getArray("lineage").getArray()),
                        row.getString("path"),
                        HOLDS.mapRow(row, n)),
                caseId,
                numbers);
        if (rows.size() < numbers.length) {
            throw Refusal.missing("There is no such folder in this catalogue; go back to its volume.");
        }
        if (rows.stream().map(Row::path).distinct().count() > 1) {
            throw Refusal.badInput("folder", "These are different folders; open one of them.");
        }
        Holds all = sum(rows.stream().map(Row::holds).toList());
        List<Holds> below = new ArrayList<>();
        long[] many = new long[1];
        sql.query(
                "select count(distinct name) filter (where lines > 0) as many, coalesce(sum(lines), 0) as lines, "
                        + "coalesce(sum(bytes), 0) as bytes, coalesce(sum(whole), 0) as whole "
                        + "from catalogue_folder where parent_id = any(?)",
                row -> {
                    many[0] = row.getLong("many");
                    below.add(HOLDS.mapRow(row, 0));
                },
                (Object) numbers);
        List<Shelf> shelves = sql.query(
                "select name, array_agg(id order by id) as ids, sum(lines) as lines, sum(bytes) as bytes, sum(whole) as "
                        + "whole from catalogue_folder where parent_id = any(?) and lines > 0 group by name "
                        + "order by name limit ?",
                (row, n) -> new Shelf(
                        List.of((Long[]) row.getArray("ids").getArray()),
                        row.getString("name"),
                        null,
                        HOLDS.mapRow(row, n),
                        List.of()),
                numbers,
                MOST);
        return new Place(
                rows.get(0).path(),
                behind(rows),
                all.without(sum(below)),
                withFits(shelves),
                many[0] - shelves.size(),
                Map.of(),
                List.of(),
                Holds.NOTHING);
    }

    private static Holds sum(List<Holds> all) {
        return all.stream().reduce(Holds.NOTHING, Holds::and);
    }

    /** Level by level; the same path has as many in each session. */
    private List<Behind> behind(List<Row> rows) {
        Map<Long, String> names = new HashMap<>();
        sql.query(
                "select id, name from catalogue_folder where id = any(?)",
                row -> {
                    names.put(row.getLong(1), row.getString(2));
                },
                (Object) rows.stream().flatMap(r -> r.lineage().stream()).toArray(Long[]::new));
        List<Behind> behind = new ArrayList<>();
        for (int level = 0; level < rows.get(0).lineage().size(); level++) {
            int at = level;
            List<Long> here = rows.stream().map(r -> r.lineage().get(at)).toList();
            behind.add(new Behind(here, names.getOrDefault(here.get(0), "")));
        }
        return behind;
    }

    private List<Shelf> withFits(List<Shelf> shelves) {
        Map<Long, List<Fits>> byFolder = new HashMap<>();
        sql.query(
                "select folder_id, wanted_id, fits, may_fit from catalogue_folder_fit where folder_id = any(?) and "
                        + "(fits > 0 or may_fit > 0) order by wanted_id",
                row -> {
                    byFolder.computeIfAbsent(row.getLong(1), f -> new ArrayList<>())
                            .add(new Fits(row.getLong(2), row.getLong(3), row.getLong(4)));
                },
                (Object) shelves.stream().flatMap(s -> s.folders().stream()).toArray(Long[]::new));
        return shelves.stream()
                .map(s -> {
                    Map<Long, Fits> sums = new TreeMap<>();
                    s.folders().stream()
                            .flatMap(f -> byFolder.getOrDefault(f, List.of()).stream())
                            .forEach(f -> sums.merge(
                                    f.wanted(), f, (a, b) -> new Fits(a.wanted, a.fits + b.fits, a.mayFit + b.mayFit)));
                    return new Shelf(s.folders(), s.name(), s.volume(), s.holds(), List.copyOf(sums.values()));
                })
                .toList();
    }
}
