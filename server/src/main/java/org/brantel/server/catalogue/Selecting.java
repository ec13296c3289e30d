package org.brantel.server.catalogue;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import jakarta.persistence.criteria.CommonAbstractCriteria;
import jakarta.persistence.criteria.CriteriaUpdate;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.persistence.criteria.Subquery;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.hibernate.Session;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.hibernate.query.criteria.JpaCriteriaInsertSelect;
import org.hibernate.query.criteria.JpaCriteriaQuery;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Chooses what is to be recovered. A change is one statement of the database, however many lines it is about, and leaves
 * its number on the lines that it changed: by that it is taken back, and never what somebody chose since.
 */
@Service
public class Selecting {

    /**
     * @param change  its number
     * @param changed lines that were not so before
     */
    record Changed(long change, int changed, @JsonUnwrapped CatalogueViews.SelectionSum sum) {}

    private final Choices choices;
    private final FoundPages pages;
    private final Cases cases;
    private final Happenings happenings;
    private final EntityManager entities;

    Selecting(Choices choices, FoundPages pages, Cases cases, Happenings happenings, EntityManager entities) {
        this.choices = choices;
        this.pages = pages;
        this.cases = cases;
        this.happenings = happenings;
        this.entities = entities;
    }

    /** @param filter all lines that pass it; null for the ones that are named */
    @Transactional
    Changed select(String number, List<Long> ids, @Nullable CatalogueFilter filter, boolean yes) {
        long caseId = cases.id(number);
        CatalogueFilter passing = filter == null ? CatalogueFilter.ALL : filter;
        CatalogueFilter.Reach reach = pages.reach(number, passing);
        Meant meant = (line, query, b) -> {
            List<Predicate> all = new ArrayList<>(passing.predicates(reach, line, query, b));
            if (filter == null) {
                all.add(line.get("id").in(ids));
            }
            return all;
        };
        // Two people may choose the same lines at once.
        choices.lock(caseId);
        if (filter != null) {
            choices.forMany();
        }
        long change = choices.nextChange();
        int changed = turn(caseId, meant, yes, change);
        if (yes) {
            changed += add(meant, change);
        }
        happenings.changed(number, Topic.SELECTION);
        return new Changed(change, changed, sum(caseId));
    }

    /** Which lines a change is about. */
    private interface Meant {
        List<Predicate> predicates(Root<CatalogueLine> line, CommonAbstractCriteria query, HibernateCriteriaBuilder b);
    }

    /** Of lines that somebody had in hand before, those that were not so. */
    private int turn(long caseId, Meant meant, boolean yes, long change) {
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        CriteriaUpdate<CatalogueChoice> update = b.createCriteriaUpdate(CatalogueChoice.class);
        Root<CatalogueChoice> choice = update.from(CatalogueChoice.class);
        Subquery<Long> lines = update.subquery(Long.class);
        Root<CatalogueLine> line = lines.from(CatalogueLine.class);
        lines.select(line.get("id")).where(meant.predicates(line, lines, b).toArray(Predicate[]::new));
        update.set("chosen", yes)
                .set("change", change)
                .where(
                        b.equal(choice.get("caseId"), caseId),
                        b.equal(choice.get("chosen"), !yes),
                        choice.get("lineId").in(lines));
        return entities.createQuery(update).executeUpdate();
    }

    /** Of lines that nobody had in hand yet, all. */
    private int add(Meant meant, long change) {
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        JpaCriteriaQuery<Tuple> lines = b.createTupleQuery();
        Root<CatalogueLine> line = lines.from(CatalogueLine.class);
        Subquery<Long> known = lines.subquery(Long.class);
        Root<CatalogueChoice> choice = known.from(CatalogueChoice.class);
        known.select(choice.get("lineId")).where(b.equal(choice.get("lineId"), line.get("id")));
        List<Predicate> all = meant.predicates(line, lines, b);
        all.add(b.not(b.exists(known)));
        lines.multiselect(line.get("id"), line.get("caseId"), b.literal(true), b.literal(change))
                .where(all.toArray(Predicate[]::new));
        JpaCriteriaInsertSelect<CatalogueChoice> insert = b.createCriteriaInsertSelect(CatalogueChoice.class);
        Root<CatalogueChoice> row = insert.getTarget();
        insert.setInsertionTargetPaths(row.get("lineId"), row.get("caseId"), row.get("chosen"), row.get("change"));
        insert.select(lines);
        return entities.unwrap(Session.class).createMutationQuery(insert).executeUpdate();
    }

    @Transactional
    CatalogueViews.SelectionSum takeBack(String number, long change) {
        long caseId = cases.id(number);
        choices.lock(caseId);
        choices.takeBack(caseId, change);
        happenings.changed(number, Topic.SELECTION);
        return sum(caseId);
    }

    /** Selects everything of which some bytes can be given back. */
    @Transactional
    public void selectRecoverable(String number) {
        List<String> recoverable = List.of(Prognosis.WHOLE.word(), Prognosis.GAPPED.word());
        select(
                number,
                List.of(),
                new CatalogueFilter(List.of(), List.of(), recoverable, null, null, false, null, null),
                true);
    }

    CatalogueViews.SelectionSum sum(long caseId) {
        long[] sum = new long[5];
        for (Object[] row : choices.sums(caseId)) {
            sum[0] += (Long) row[1];
            sum[1] += ((Number) row[2]).longValue();
            int slot = row[0] == Prognosis.WHOLE ? 2 : row[0] == Prognosis.GAPPED ? 3 : 4;
            sum[slot] += (Long) row[1];
        }
        return new CatalogueViews.SelectionSum(sum[0], sum[1], sum[2], sum[3], sum[4]);
    }
}
