package org.brantel.server.catalogue;

import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.wanted.Fitting;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.Sort;
import org.springframework.data.jpa.repository.query.QueryUtils;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The union of a case's findings. */
@Service
public class Catalogues {

    /** What a session brought: lines that are new, and findings that were known. */
    public record Merged(long added, long shared) {

        /** Findings that are in. */
        public long taken() {
            return added + shared;
        }
    }

    /** A selected line as the engine knows it, and the image that holds it. */
    /** @param toldBy the scan session that speaks for it; null where that was not kept */
    public record Selected(
            Finding finding, long imagingId, @Nullable Long toldBy) {}

    private static final int BATCH = 500;
    private static final int PAGE = 200;

    private final CatalogueLines lines;
    private final SeenLines seen;
    private final Merge.Into merges;
    private final Cases cases;
    private final WantedStates states;
    private final Selecting selecting;
    private final Locks locks;
    private final EntityManager entities;

    Catalogues(
            CatalogueLines lines,
            SeenLines seen,
            Merge.Into merges,
            Cases cases,
            WantedStates states,
            Selecting selecting,
            Locks locks,
            EntityManager entities) {
        this.lines = lines;
        this.seen = seen;
        this.merges = merges;
        this.cases = cases;
        this.states = states;
        this.selecting = selecting;
        this.locks = locks;
        this.entities = entities;
    }

    /**
     * Brings a session's findings in; done twice, it changes nothing more.
     *
     * @param told what it brought so far, after each lot
     */
    public Merged merge(String number, long session, long imagingId, Path findings, Consumer<Merged> told)
            throws IOException {
        try (Merge merge = merges.into(number, session, imagingId)) {
            return merge.all(findings, told);
        }
    }

    /** Brings some findings in of a session that goes on, so that they can be looked at. */
    public Merged merge(String number, long session, long imagingId, List<Finding> some) throws IOException {
        try (Merge merge = merges.into(number, session, imagingId)) {
            return merge.these(some);
        }
    }

    @EventListener
    @Transactional
    public void wantedChanged(Cases.WantedChanged changed) {
        long caseId = cases.id(changed.caseNumber());
        List<Fitting> wanted =
                WantedStates.fittings(cases.docket(changed.caseNumber()).said().wanted());
        long after = 0;
        while (true) {
            List<CatalogueLine> batch =
                    lines.findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(caseId, after, Limit.of(BATCH));
            if (batch.isEmpty()) {
                return;
            }
            batch.forEach(l -> l.fit(wanted));
            after = batch.get(batch.size() - 1).id();
        }
    }

    @Transactional(readOnly = true)
    CatalogueViews.Page page(String number, CatalogueFilter filter, int page, String sort) {
        long caseId = cases.id(number);
        boolean into = locks.mayLook(number, Look.PREVIEWS);
        List<Fitting> wanted = WantedStates.fittings(cases.docket(number).said().wanted());
        List<CatalogueLine> found = found(caseId, filter, page, order(sort), into);
        Map<Long, Seen> seenBy = seen.of(found.stream().map(CatalogueLine::id).toList());
        CatalogueFilter rest = filter.withoutFacets();
        FacetCounts counts = counts(caseId, rest, into);
        return new CatalogueViews.Page(
                found.stream()
                        .map(l -> l.view(into, wanted, seenBy.getOrDefault(l.id(), Seen.NOWHERE)))
                        .toList(),
                counts.matching(filter),
                rest.isAll() ? counts.all() : lines.countByCaseIdAndMergedIntoIsNull(caseId),
                counts.kinds(filter),
                counts.origins(filter),
                counts.prognoses(filter),
                states.of(number),
                selecting.sum(caseId),
                into);
    }

    private List<CatalogueLine> found(long caseId, CatalogueFilter filter, int page, Sort order, boolean into) {
        if (page > Integer.MAX_VALUE / PAGE) {
            return List.of();
        }
        CriteriaBuilder b = entities.getCriteriaBuilder();
        CriteriaQuery<CatalogueLine> query = b.createQuery(CatalogueLine.class);
        Root<CatalogueLine> root = query.from(CatalogueLine.class);
        query.select(root)
                .where(filter.predicates(caseId, root, query, b, into).toArray(Predicate[]::new))
                .orderBy(QueryUtils.toOrders(order, root, b));
        return entities.createQuery(query)
                .setFirstResult(page * PAGE)
                .setMaxResults(PAGE)
                .getResultList();
    }

    /** Goes over all that passes once, however many counts stand beside it. */
    private FacetCounts counts(long caseId, CatalogueFilter filter, boolean into) {
        CriteriaBuilder b = entities.getCriteriaBuilder();
        CriteriaQuery<Object[]> query = b.createQuery(Object[].class);
        Root<CatalogueLine> root = query.from(CatalogueLine.class);
        query.select(b.array(root.get("kind"), root.get("origins"), root.get("prognosis"), b.count(root)))
                .where(filter.predicates(caseId, root, query, b, into).toArray(Predicate[]::new))
                .groupBy(root.get("kind"), root.get("origins"), root.get("prognosis"));
        return new FacetCounts(entities.createQuery(query).getResultList().stream()
                .map(row -> new FacetCounts.Cell(
                        (String) row[0], List.of((String[]) row[1]), (Prognosis) row[2], (Long) row[3]))
                .toList());
    }

    /** Goes over the catalogue once; the lines themselves are opened by a filter. */
    @Transactional(readOnly = true)
    Comparison compare(String number, long a, long b) {
        long caseId = cases.id(number);
        Comparison.Sum sum = new Comparison.Sum(a, b);
        long after = 0;
        while (true) {
            List<CatalogueLine> batch =
                    lines.findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(caseId, after, Limit.of(BATCH));
            if (batch.isEmpty()) {
                return sum.comparison();
            }
            Map<Long, Seen> seenBy =
                    seen.of(batch.stream().map(CatalogueLine::id).toList());
            batch.forEach(l -> sum.take(l.view(false, List.of(), seenBy.getOrDefault(l.id(), Seen.NOWHERE))));
            after = batch.get(batch.size() - 1).id();
            entities.clear();
        }
    }

    private static Sort order(String sort) {
        return switch (sort == null ? "" : sort) {
            case "size" -> Sort.by(Sort.Order.desc("size"), Sort.Order.asc("id"));
            case "modified" -> Sort.by(Sort.Order.desc("modified").nullsLast(), Sort.Order.asc("id"));
            case "score" -> Sort.by(Sort.Order.desc("score"), Sort.Order.asc("id"));
            case "name" -> Sort.by("name", "id");
            default -> Sort.by(Sort.Order.asc("path").nullsLast(), Sort.Order.asc("id"));
        };
    }

    /** What was selected, in order. */
    @Transactional(readOnly = true)
    public List<Selected> selected(String number) {
        return lines.findByCaseIdAndSelectedTrueOrderById(cases.id(number)).stream()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy()))
                .toList();
    }

    @Transactional(readOnly = true)
    public long selectedCount(String number) {
        return selecting.sum(cases.id(number)).files();
    }

    /** Wanted lines that a catalogue line fits, and those that it may fit. */
    public record Fits(List<Long> fits, List<Long> mayFit) {

        public static final Fits NONE = new Fits(List.of(), List.of());
    }

    /** Which wanted lines each of some catalogue lines fits or may fit, by the catalogue line's number. */
    @Transactional(readOnly = true)
    public Map<Long, Fits> wantedBy(String number, List<Long> ids) {
        Map<Long, Fits> fits = new LinkedHashMap<>();
        lines.findByCaseIdAndIdIn(cases.id(number), ids).forEach(l -> {
            fits.put(l.id(), new Fits(l.wanted(), l.mayFit()));
        });
        return fits;
    }

    @Transactional(readOnly = true)
    public Selected line(String number, long id) {
        return lines.findByCaseIdAndIdIn(cases.id(number), List.of(id)).stream()
                .findFirst()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy()))
                .orElseThrow(() -> Refusal.missing("There is no line " + id + " in this catalogue."));
    }
}
