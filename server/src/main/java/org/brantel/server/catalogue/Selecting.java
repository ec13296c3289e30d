package org.brantel.server.catalogue;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CriteriaUpdate;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
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

    private final CatalogueLines lines;
    private final FoundPages pages;
    private final Cases cases;
    private final Locks locks;
    private final Happenings happenings;
    private final EntityManager entities;

    Selecting(
            CatalogueLines lines,
            FoundPages pages,
            Cases cases,
            Locks locks,
            Happenings happenings,
            EntityManager entities) {
        this.lines = lines;
        this.pages = pages;
        this.cases = cases;
        this.locks = locks;
        this.happenings = happenings;
        this.entities = entities;
    }

    /** @param filter all lines that pass it; null for the ones that are named */
    @Transactional
    Changed select(String number, List<Long> ids, @Nullable CatalogueFilter filter, boolean yes) {
        long caseId = cases.id(number);
        long change = lines.nextChange();
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        CriteriaUpdate<CatalogueLine> update = b.createCriteriaUpdate(CatalogueLine.class);
        Root<CatalogueLine> line = update.from(CatalogueLine.class);
        CatalogueFilter passing = filter == null ? CatalogueFilter.ALL : filter;
        List<Predicate> meant =
                new ArrayList<>(passing.predicates(pages.reach(caseId, passing, into), line, update, b));
        meant.add(b.equal(line.get("selected"), !yes));
        if (filter == null) {
            meant.add(line.get("id").in(ids));
        }
        update.set("selected", yes).set("selectionChange", change).where(meant.toArray(Predicate[]::new));
        int changed = entities.createQuery(update).executeUpdate();
        happenings.changed(number, Topic.SELECTION);
        return new Changed(change, changed, sum(caseId));
    }

    @Transactional
    CatalogueViews.SelectionSum takeBack(String number, long change) {
        long caseId = cases.id(number);
        lines.takeBack(caseId, change);
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
        for (Object[] row : lines.selection(caseId)) {
            sum[0] += (Long) row[1];
            sum[1] += ((Number) row[2]).longValue();
            int slot = row[0] == Prognosis.WHOLE ? 2 : row[0] == Prognosis.GAPPED ? 3 : 4;
            sum[slot] += (Long) row[1];
        }
        return new CatalogueViews.SelectionSum(sum[0], sum[1], sum[2], sum[3], sum[4]);
    }
}
