package org.brantel.server.catalogue;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.hibernate.query.criteria.JpaCriteriaQuery;
import org.hibernate.query.criteria.JpaDerivedRoot;
import org.hibernate.query.criteria.JpaRoot;
import org.hibernate.query.criteria.JpaSubQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Reads what passes a filter, a page at a time, and counts it. */
@Component
class FoundPages {

    static final int PAGE = 200;
    /** So many lines are counted while a page is awaited. */
    private static final int AT_ONCE = 5_000;

    private final Understanding understanding;
    private final Cases cases;
    private final Locks locks;
    private final EntityManager entities;
    private final JdbcTemplate sql;

    FoundPages(Understanding understanding, Cases cases, Locks locks, EntityManager entities, JdbcTemplate sql) {
        this.understanding = understanding;
        this.cases = cases;
        this.locks = locks;
        this.entities = entities;
        this.sql = sql;
    }

    CatalogueFilter.Reach reach(String number, CatalogueFilter filter) {
        long caseId = cases.id(number);
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        return new CatalogueFilter.Reach(caseId, understanding.of(number, filter.q(), into), volumes(caseId, filter));
    }

    /** Nearly all of a catalogue lies in a volume: it is not looked for folder by folder. */
    private List<CatalogueFilter.Volume> volumes(long caseId, CatalogueFilter filter) {
        CatalogueFilter.Place in = filter.in();
        if (in == null || in.folders() == null || !in.below()) {
            return List.of();
        }
        List<CatalogueFilter.Volume> volumes = sql.query(
                "select told_by, volume from catalogue_folder where case_id = ? and id = any(?) and parent_id is null and "
                        + "told_by > 0 and volume >= 0",
                (row, n) -> new CatalogueFilter.Volume(row.getLong(1), row.getInt(2)),
                caseId,
                in.folders().toArray(Long[]::new));
        return volumes.size() == in.folders().size() ? volumes : List.of();
    }

    /** @param after the last line of the page before; null for the first page */
    List<CatalogueLine> page(
            CatalogueFilter.Reach reach, CatalogueFilter filter, LineOrder order, @Nullable CatalogueLine after) {
        if (after == null) {
            return some(reach, filter, order, PAGE, (root, b) -> null);
        }
        List<CatalogueLine> found = new ArrayList<>();
        if (!order.hasNothing(after)) {
            found.addAll(some(reach, filter, order, PAGE, (root, b) -> order.after(after, root, b)));
        }
        if (found.size() < PAGE) {
            found.addAll(some(reach, filter, order, PAGE - found.size(), (root, b) -> order.rest(after, root, b)));
        }
        return found;
    }

    private interface Where {
        @Nullable
        Predicate of(Root<CatalogueLine> root, HibernateCriteriaBuilder b);
    }

    private List<CatalogueLine> some(
            CatalogueFilter.Reach reach, CatalogueFilter filter, LineOrder order, int most, Where where) {
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        CriteriaQuery<CatalogueLine> query = b.createQuery(CatalogueLine.class);
        Root<CatalogueLine> root = query.from(CatalogueLine.class);
        List<Predicate> all = new ArrayList<>(filter.predicates(reach, root, query, b));
        Predicate from = where.of(root, b);
        if (from != null) {
            all.add(from);
        }
        query.select(root).where(all.toArray(Predicate[]::new)).orderBy(order.by(root, b));
        return entities.createQuery(query).setMaxResults(most).getResultList();
    }

    /** How many pass; where that takes longer than a page, at least how many. */
    CatalogueViews.Counts countsAtOnce(CatalogueFilter.Reach reach, CatalogueFilter filter) {
        CatalogueFilter rest = filter.withoutFacets();
        FacetCounts kept = kept(reach.caseId());
        if (rest.isAll()) {
            return CatalogueViews.Counts.of(kept, filter, kept.all());
        }
        FacetCounts counts = counted(reach, rest, AT_ONCE + 1);
        if (counts.all() <= AT_ONCE) {
            return CatalogueViews.Counts.of(counts, filter, kept.all());
        }
        return CatalogueViews.Counts.atLeast(counts.matching(filter), kept.all());
    }

    /** How many pass, however many that are. */
    CatalogueViews.Counts counts(CatalogueFilter.Reach reach, CatalogueFilter filter) {
        CatalogueFilter rest = filter.withoutFacets();
        FacetCounts kept = kept(reach.caseId());
        return CatalogueViews.Counts.of(rest.isAll() ? kept : counted(reach, rest, null), filter, kept.all());
    }

    FacetCounts kept(long caseId) {
        return new FacetCounts(sql.query(
                "select kind, origins, prognosis, lines, bytes from catalogue_count where case_id = ?",
                (row, n) -> new FacetCounts.Cell(
                        row.getString(1),
                        Arrays.asList(row.getString(2).split(",")),
                        Prognosis.valueOf(row.getString(3)),
                        row.getLong(4),
                        row.getLong(5)),
                caseId));
    }

    /**
     * Goes over what passes once, however many counts stand beside it.
     *
     * @param most lines that are counted; null for all
     */
    private FacetCounts counted(CatalogueFilter.Reach reach, CatalogueFilter filter, @Nullable Integer most) {
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        JpaCriteriaQuery<Object[]> query = b.createQuery(Object[].class);
        JpaSubQuery<Tuple> passing = query.subquery(Tuple.class);
        JpaRoot<CatalogueLine> root = passing.from(CatalogueLine.class);
        passing.multiselect(
                        root.get("kind").alias("kind"),
                        root.get("origins").alias("origins"),
                        root.get("prognosis").alias("prognosis"),
                        root.get("size").alias("size"))
                .where(filter.predicates(reach, root, passing, b).toArray(Predicate[]::new));
        if (most != null) {
            passing.fetch(most);
        }
        JpaDerivedRoot<Tuple> one = query.from(passing);
        query.select(b.array(
                        one.get("kind"),
                        one.get("origins"),
                        one.get("prognosis"),
                        b.count(),
                        b.sum(one.<Long>get("size"))))
                .groupBy(one.get("kind"), one.get("origins"), one.get("prognosis"));
        return new FacetCounts(entities.createQuery(query).getResultList().stream()
                .map(row -> new FacetCounts.Cell(
                        (String) row[0], List.of((String[]) row[1]), (Prognosis) row[2], (Long) row[3], (Long) row[4]))
                .toList());
    }
}
