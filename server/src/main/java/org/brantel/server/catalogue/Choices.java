package org.brantel.server.catalogue;

import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Standing;
import org.brantel.core.layout.Placeable;
import org.brantel.server.platform.Known;
import org.brantel.server.remark.Remarks;
import org.brantel.server.selection.Marks;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What was chosen of a catalogue, beside its lines. */
@Component
class Choices {

    /** Files and bytes. */
    record Weight(long files, long bytes) {

        static final Weight NONE = new Weight(0, 0);

        Weight and(Weight more) {
            return new Weight(files + more.files, bytes + more.bytes);
        }

        Weight turned() {
            return new Weight(-files, -bytes);
        }
    }

    private static final int LOT = 20_000;
    /** So few are looked up one by one. */
    private static final int FEW = 2000;

    private static final String WEIGHT = "select l.prognosis, count(*), sum(l.size)";

    private static final String LINES_OF_BLOCKS = " join catalogue_line l on l.case_id = ? and l.id between b.block * "
            + Marks.BLOCK + " and b.block * " + Marks.BLOCK + " + " + (Marks.BLOCK - 1)
            + " and get_bit(b.bits, (l.id % "
            + Marks.BLOCK + ")::int) = 1 ";

    private static final String CHOSEN = "exists (select 1 from selection_block s where s.set_id = ? and s.block = ? / "
            + Marks.BLOCK + " and get_bit(s.bits, (? % " + Marks.BLOCK + ")::int) = 1)";

    private static final String FITTING = " from selection_block b" + LINES_OF_BLOCKS
            + "where b.set_id = ? and (l.wanted @> array[?]::bigint[] or l.may_fit @> array[?]::bigint[])";

    private final CatalogueLines lines;
    private final Remarks remarks;
    private final JdbcTemplate sql;

    Choices(CatalogueLines lines, Remarks remarks, JdbcTemplate sql) {
        this.lines = lines;
        this.remarks = remarks;
        this.sql = sql;
    }

    /** Whether a line is chosen. */
    static Predicate isChosen(long caseId, Root<CatalogueLine> line, CriteriaBuilder b) {
        return b.isTrue(((HibernateCriteriaBuilder) b)
                .sql(CHOSEN, Boolean.class, b.literal(-caseId), line.get("id"), line.get("id")));
    }

    /** In the order of their numbers. */
    List<CatalogueLine> lines(long caseId) {
        List<CatalogueLine> all = new ArrayList<>();
        List<Long> ids = sql.queryForList(
                "select l.id from selection_block b" + LINES_OF_BLOCKS + "where b.set_id = ? order by l.id",
                Long.class,
                caseId,
                -caseId);
        for (int from = 0; from < ids.size(); from += LOT) {
            Long[] lot = ids.subList(from, Math.min(ids.size(), from + LOT)).toArray(Long[]::new);
            lines.findByIds(lot).stream()
                    .sorted(Comparator.comparing(CatalogueLine::id))
                    .forEach(all::add);
        }
        return all;
    }

    /** What decides where they lie in a delivery; in the order of their numbers. */
    List<Catalogues.ToPlace> toPlace(long caseId) {
        Map<Long, String> given = remarks.names(caseId);
        Map<Long, Integer> images = new HashMap<>();
        sql.queryForList(
                        "select distinct l.imaging_id from selection_block b" + LINES_OF_BLOCKS + "where b.set_id = ? "
                                + "order by 1",
                        Long.class,
                        caseId,
                        -caseId)
                .forEach(image -> images.put(image, images.size() + 1));
        return sql.query(
                "select l.id, l.imaging_id, l.volume, l.path, l.name, l.trashed_from, l.suggested_name, l.kind, l.made, "
                        + "l.size, l.prognosis from selection_block b" + LINES_OF_BLOCKS
                        + "where b.set_id = ? order by l.id",
                (row, n) -> {
                    String path = row.getString("path");
                    String name = row.getString("name");
                    String suggested = row.getString("suggested_name");
                    Standing stands = Standing.of(path, name, row.getString("trashed_from"));
                    LocalDateTime made = row.getObject("made", LocalDateTime.class);
                    String called = suggested == null ? name : suggested;
                    return new Catalogues.ToPlace(
                            new Placeable(
                                    row.getLong("id"),
                                    Known.in(images, row.getLong("imaging_id")),
                                    row.getObject("volume", Integer.class),
                                    stands,
                                    called,
                                    given.get(row.getLong("id")),
                                    row.getString("kind"),
                                    made == null ? null : made.toLocalDate()),
                            stands == null ? called : stands.folder() + "/" + stands.name(),
                            row.getLong("size"),
                            Prognosis.valueOf(row.getString("prognosis")));
                },
                caseId,
                -caseId);
    }

    /** How many of those that are chosen fit a wanted line, or may. */
    long fitting(long caseId, long wanted) {
        return Objects.requireNonNull(
                sql.queryForObject("select count(*)" + FITTING, Long.class, caseId, -caseId, wanted, wanted));
    }

    List<Long> fittingIds(long caseId, long wanted) {
        return sql.queryForList(
                "select l.id" + FITTING + " order by l.id", Long.class, caseId, -caseId, wanted, wanted);
    }

    /** What some lines weigh, by their prognosis. */
    Map<Prognosis, Weight> weigh(long caseId, Marks some) {
        if (some.count() <= FEW) {
            return weights(
                    WEIGHT + " from catalogue_line l where l.case_id = ? and l.id = any(?) group by l.prognosis",
                    caseId,
                    some.lines().boxed().toArray(Long[]::new));
        }
        Map<Long, byte[]> blocks = some.blocks();
        return weights(
                WEIGHT + " from unnest(?::bigint[], ?::bytea[]) as b (block, bits)" + LINES_OF_BLOCKS
                        + "group by l.prognosis",
                blocks.keySet().toArray(Long[]::new),
                blocks.values().toArray(byte[][]::new),
                caseId);
    }

    /** Rows of prognosis, files and bytes. */
    private Map<Prognosis, Weight> weights(String question, Object... values) {
        Map<Prognosis, Weight> weights = new EnumMap<>(Prognosis.class);
        sql.query(
                question,
                row -> {
                    weights.put(Prognosis.valueOf(row.getString(1)), new Weight(row.getLong(2), row.getLong(3)));
                },
                values);
        return weights;
    }

    /** What is chosen of a case weighs what these do; what the whole catalogue weighs is known. */
    void set(long caseId, Marks chosen) {
        Map<Prognosis, Weight> all = weights(
                "select prognosis, sum(lines), sum(bytes) from catalogue_count where case_id = ? group by prognosis",
                caseId);
        long lines = all.values().stream().mapToLong(Weight::files).sum();
        sql.update("delete from selection_sum where case_id = ?", caseId);
        add(caseId, chosen.count() == lines ? all : weigh(caseId, chosen));
    }

    /** What is chosen of a case weighs so much more. */
    void add(long caseId, Map<Prognosis, Weight> more) {
        more.forEach((prognosis, w) -> sql.update(
                "insert into selection_sum as s (case_id, prognosis, files, bytes) values (?, ?, ?, ?) "
                        + "on conflict (case_id, prognosis) do update set files = s.files + excluded.files, "
                        + "bytes = s.bytes + excluded.bytes",
                caseId,
                prognosis.name(),
                w.files(),
                w.bytes()));
    }

    CatalogueViews.SelectionSum sum(long caseId) {
        Map<Prognosis, Weight> by =
                weights("select prognosis, files, bytes from selection_sum where case_id = ?", caseId);
        Weight all = by.values().stream().reduce(Weight.NONE, Weight::and);
        long whole = by.getOrDefault(Prognosis.WHOLE, Weight.NONE).files();
        long gapped = by.getOrDefault(Prognosis.GAPPED, Weight.NONE).files();
        return new CatalogueViews.SelectionSum(all.files(), all.bytes(), whole, gapped, all.files() - whole - gapped);
    }
}
