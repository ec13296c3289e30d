package org.brantel.server.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.server.platform.Known;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The folders that lines stand in. They stay when nothing stands in them any more. */
@Component
class Folders {

    /** Of a case the folders at some places, which are triples; looked up one by one, by the digest of the path. */
    static final String BY_PLACE =
            "select f.id, f.told_by, f.volume, f.path, f.lineage from unnest(?, ?, ?) as look (told_by, volume, path) "
                    + "cross join lateral (select * from catalogue_folder f where f.case_id = ? "
                    + "and f.told_by = look.told_by and f.volume = look.volume and md5(f.path) = md5(look.path) "
                    + "and f.path || '' = look.path offset 0) f";

    /**
     * Where a folder is.
     *
     * @param toldBy the session that numbers the volume; 0 for lines of before that was kept
     * @param volume its number; -1 for none
     * @param parts  names from the top of the volume on
     */
    record Place(long toldBy, int volume, List<String> parts) implements Comparable<Place> {

        private static final Comparator<Place> ORDER = Comparator.comparingInt(
                        (Place p) -> p.parts().size())
                .thenComparing(Place::path)
                .thenComparing(Place::toldBy)
                .thenComparing(Place::volume);

        Place {
            parts = List.copyOf(parts);
        }

        String path() {
            return parts.isEmpty() ? "" : "/" + String.join("/", parts);
        }

        private Place parent() {
            return new Place(toldBy, volume, parts.subList(0, parts.size() - 1));
        }

        /** Folders come before what lies in them. */
        @Override
        public int compareTo(Place other) {
            return ORDER.compare(this, other);
        }
    }

    /** @param lineage the numbers of those that it lies in, from the top on, and its own */
    private record Row(long id, Place place, List<Long> lineage) {}

    /** Those that a merge met last: findings come folder by folder, so that most need not be asked for again. */
    static final class Met {

        private static final int MOST = 100_000;

        private final Map<Place, Row> last = new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Place, Row> eldest) {
                return size() > MOST;
            }
        };
    }

    private final JdbcTemplate sql;
    private final ByKey byKey;

    Folders(JdbcTemplate sql, ByKey byKey) {
        this.sql = sql;
        this.byKey = byKey;
    }

    /** The numbers of folders; those that are not there yet are made, with the ones that they lie in. */
    Map<Place, Long> numbers(long caseId, Collection<Place> wanted, Met met) {
        Map<Place, Row> rows = new HashMap<>();
        Set<Place> unmet = new HashSet<>();
        for (Place place : wanted) {
            Row row = met.last.get(place);
            if (row == null) {
                unmet.add(place);
            } else {
                rows.put(place, row);
            }
        }
        if (!unmet.isEmpty()) {
            known(caseId, unmet, rows);
        }
        Set<Place> missing = new TreeSet<>();
        for (Place place : wanted) {
            for (Place p = place;
                    !rows.containsKey(p) && missing.add(p) && !p.parts().isEmpty(); ) {
                p = p.parent();
            }
        }
        if (!missing.isEmpty()) {
            known(caseId, missing, rows);
            missing.removeAll(rows.keySet());
            make(caseId, missing, rows);
        }
        Map<Place, Long> numbers = new HashMap<>();
        wanted.forEach(p -> numbers.put(p, Known.in(rows, p).id()));
        met.last.putAll(rows);
        return numbers;
    }

    private void known(long caseId, Collection<Place> places, Map<Place, Row> rows) {
        Map<String, Place> byName = new HashMap<>();
        places.forEach(p -> byName.put(name(p.toldBy(), p.volume(), p.path()), p));
        byKey.read(() -> {
            sql.query(
                    BY_PLACE,
                    row -> {
                        Place place = Known.in(
                                byName, name(row.getLong("told_by"), row.getInt("volume"), row.getString("path")));
                        Long[] lineage = (Long[]) row.getArray("lineage").getArray();
                        rows.put(place, new Row(row.getLong("id"), place, List.of(lineage)));
                    },
                    places.stream().map(Place::toldBy).toArray(Long[]::new),
                    places.stream().map(Place::volume).toArray(Integer[]::new),
                    places.stream().map(Place::path).toArray(String[]::new),
                    caseId);
            return rows;
        });
    }

    private static String name(long toldBy, int volume, String path) {
        return toldBy + ":" + volume + ":" + path;
    }

    private void make(long caseId, Collection<Place> inOrder, Map<Place, Row> rows) {
        List<Long> numbers = sql.queryForList(
                "select nextval('catalogue_folder_ids') from generate_series(1, ?)", Long.class, inOrder.size());
        List<Row> made = new ArrayList<>();
        for (Place place : inOrder) {
            List<Long> lineage = new ArrayList<>();
            if (!place.parts().isEmpty()) {
                lineage.addAll(Known.in(rows, place.parent()).lineage());
            }
            long number = numbers.get(made.size());
            lineage.add(number);
            Row row = new Row(number, place, lineage);
            rows.put(place, row);
            made.add(row);
        }
        CopyRows.into(
                sql,
                "catalogue_folder",
                "id, case_id, told_by, volume, parent_id, path, name, lineage",
                made,
                (row, out) -> {
                    Place p = row.place();
                    List<Long> lineage = row.lineage();
                    int depth = p.parts().size();
                    out.add(row.id()).add(caseId).add(p.toldBy()).add(p.volume());
                    out.add(depth == 0 ? null : lineage.get(lineage.size() - 2))
                            .add(p.path())
                            .add(depth == 0 ? "" : p.parts().get(depth - 1))
                            .add(lineage.toArray())
                            .end();
                });
    }
}
