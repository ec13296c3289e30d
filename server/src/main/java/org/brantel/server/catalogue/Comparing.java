package org.brantel.server.catalogue;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Map;
import org.brantel.server.intake.Cases;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Holds what two scan sessions found side by side. */
@Service
class Comparing {

    private static final int BATCH = 500;

    private final CatalogueLines lines;
    private final SeenLines seen;
    private final Cases cases;
    private final EntityManager entities;

    Comparing(CatalogueLines lines, SeenLines seen, Cases cases, EntityManager entities) {
        this.lines = lines;
        this.seen = seen;
        this.cases = cases;
        this.entities = entities;
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
            // Which device each is of is not compared.
            batch.forEach(l -> sum.take(l.view(
                    false,
                    CatalogueLine.On.NOWHERE,
                    List.of(),
                    seenBy.getOrDefault(l.id(), Seen.NOWHERE),
                    CatalogueViews.Lab.NOTHING)));
            after = batch.get(batch.size() - 1).id();
            entities.clear();
        }
    }
}
