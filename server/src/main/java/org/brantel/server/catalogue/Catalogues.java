package org.brantel.server.catalogue;

import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.core.wanted.WantedLine;
import org.brantel.core.wanted.WantedTally;
import org.brantel.server.bench.Bench;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Refusal;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The union of a case's findings. */
@Service
public class Catalogues {

    /** What a session brought: lines that are new, and findings that were known. */
    public record Merged(long added, long shared) { }

    /** A selected line as the engine knows it, and the image that holds it. */
    /** @param toldBy the scan session that speaks for it; null where that was not kept */
    public record Selected(Finding finding, long imagingId, @Nullable Long toldBy) { }

    private static final int BATCH = 500;
    private static final int PAGE = 200;

    private final CatalogueLines lines;
    private final CatalogueKeys keys;
    private final Cases cases;
    private final Bench bench;
    private final Events events;
    private final EntityManager entities;
    private final TransactionTemplate transaction;

    Catalogues(CatalogueLines lines, CatalogueKeys keys, Cases cases, Bench bench, Events events,
               EntityManager entities, TransactionTemplate transaction) {
        this.lines = lines;
        this.keys = keys;
        this.cases = cases;
        this.bench = bench;
        this.events = events;
        this.entities = entities;
        this.transaction = transaction;
    }

    /** Brings a session's findings in; done twice, it changes nothing more. */
    public Merged merge(String number, long session, long imagingId, Path findings) throws IOException {
        long caseId = cases.id(number);
        List<WantedLine> wanted = cases.docket(number).wanted();
        long[] counts = new long[2];
        List<Finding> batch = new ArrayList<>();
        try (Source image = Sources.open(bench.image(imagingId).file().toString())) {
            FindingsFile.read(findings, f -> {
                batch.add(f);
                if (batch.size() == BATCH) {
                    mergeBatch(caseId, session, imagingId, image, wanted, batch, counts);
                }
            });
            mergeBatch(caseId, session, imagingId, image, wanted, batch, counts);
        }
        return new Merged(counts[0], counts[1]);
    }

    /** Brings some findings in of a session that goes on, so that they can be looked at. */
    public Merged merge(String number, long session, long imagingId, List<Finding> some) throws IOException {
        long caseId = cases.id(number);
        List<WantedLine> wanted = cases.docket(number).wanted();
        long[] counts = new long[2];
        try (Source image = Sources.open(bench.image(imagingId).file().toString())) {
            for (int from = 0; from < some.size(); from += BATCH) {
                mergeBatch(caseId, session, imagingId, image, wanted, new ArrayList<>(some.subList(from, Math.min(some.size(), from + BATCH))), counts);
            }
        }
        return new Merged(counts[0], counts[1]);
    }

    private void mergeBatch(long caseId, long session, long imagingId, Source image, List<WantedLine> wanted,
                            List<Finding> batch, long[] counts) {
        transaction.executeWithoutResult(t -> {
            Lines known = new Lines(caseId, batch.stream().flatMap(f -> Stream.of(Catalogue.keys(f), Catalogue.standsFor(f), Catalogue.looksFor(f)).flatMap(List::stream)).distinct().toList());
            for (Finding f : batch) {
                CatalogueLine line = known.of(f);
                List<String> own = both(Catalogue.keys(f), Catalogue.standsFor(f));
                if (line == null) {
                    line = known.add(new CatalogueLine(caseId, imagingId, f, session, proven(f, image)), own);
                    counts[0]++;
                } else {
                    line.join(f, imagingId, session, proven(f, image));
                    known.add(line, own);
                    counts[1]++;
                }
                line.fit(wanted);
            }
            known.save();
        });
        batch.clear();
    }

    private static List<String> both(List<String> some, List<String> others) {
        return Stream.concat(some.stream(), others.stream()).toList();
    }

    /** The lines that a batch meets, by their keys. */
    private final class Lines {
        private final long caseId;
        private final Map<String, CatalogueLine> byKey = new HashMap<>();
        private final Set<String> freshKeys = new LinkedHashSet<>();
        private final Set<CatalogueLine> met = new LinkedHashSet<>();
        private final List<CatalogueLine[]> absorbed = new ArrayList<>();

        Lines(long caseId, List<String> wantedKeys) {
            this.caseId = caseId;
            Map<Long, CatalogueLine> byId = new HashMap<>();
            List<CatalogueKey> there = keys.findByCaseIdAndIdentityKeyIn(caseId, wantedKeys);
            lines.findAllById(there.stream().map(CatalogueKey::lineId).distinct().toList()).forEach(l -> byId.put(l.id(), l));
            there.forEach(k -> byKey.put(k.identityKey(), byId.get(k.lineId())));
        }

        /** The line of a finding; when it has several, they are one file, and the oldest takes the others in. */
        CatalogueLine of(Finding finding) {
            // Two names for one beginning are two files, whatever content was doubted there.
            Stream<CatalogueLine> doubted = Catalogue.looksFor(finding).stream().map(byKey::get).filter(Objects::nonNull).filter(l -> !Catalogue.isNamed(finding) || !l.isNamed());
            List<CatalogueLine> all = Stream.concat(Catalogue.keys(finding).stream().map(byKey::get).filter(Objects::nonNull), doubted).distinct()
                    .sorted(Comparator.comparing(l -> l.id() == null ? Long.MAX_VALUE : l.id())).toList();
            for (int i = 1; i < all.size(); i++) {
                CatalogueLine gone = all.get(i);
                all.get(0).absorb(gone);
                byKey.replaceAll((key, line) -> line == gone ? all.get(0) : line);
                absorbed.add(new CatalogueLine[] {gone, all.get(0)});
                met.add(gone);
            }
            return all.isEmpty() ? null : all.get(0);
        }

        CatalogueLine add(CatalogueLine line, List<String> some) {
            met.add(line);
            for (String key : some) {
                if (byKey.putIfAbsent(key, line) == null) {
                    freshKeys.add(key);
                }
            }
            return line;
        }

        void save() {
            // A line that was new in this batch and taken in by another was never there.
            met.removeIf(l -> l.id() == null && absorbed.stream().anyMatch(a -> a[0] == l));
            lines.saveAll(met);
            absorbed.stream().filter(a -> a[0].id() != null).forEach(a -> {
                a[0].mergedInto(a[1].id());
                keys.lead(a[0].id(), a[1].id());
            });
            keys.saveAll(freshKeys.stream().map(k -> new CatalogueKey(caseId, k, byKey.get(k).id())).toList());
        }
    }

    /** Bytes of a finding that are in the image. */
    private static long proven(Finding finding, Source image) {
        if (finding.prognosis() == Prognosis.OVERWRITTEN) {
            return 0;
        }
        FileContent content = finding.content(image);
        return finding.size() - content.knownUnread(new Range(0, finding.size())).stream().mapToLong(Range::length).sum();
    }

    @EventListener
    @Transactional
    public void wantedChanged(Cases.WantedChanged changed) {
        long caseId = cases.id(changed.caseNumber());
        List<WantedLine> wanted = cases.docket(changed.caseNumber()).wanted();
        long after = 0;
        while (true) {
            List<CatalogueLine> batch = lines.findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(caseId, after, Limit.of(BATCH));
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
        var found = lines.findAll(filter.of(caseId), PageRequest.of(page, PAGE, order(sort)));
        return new CatalogueViews.Page(found.getContent().stream().map(CatalogueLine::view).toList(),
                found.getTotalElements(), lines.countByCaseIdAndMergedIntoIsNull(caseId), counts(caseId, filter.withoutKinds(), "kind"),
                origins(caseId, filter.withoutOrigins()), counts(caseId, filter.withoutPrognoses(), "prognosis"),
                wanted(number), selection(caseId));
    }

    /** Goes over the catalogue once; the lines themselves are opened by a filter. */
    @Transactional(readOnly = true)
    Comparison compare(String number, long a, long b) {
        long caseId = cases.id(number);
        Comparison.Sum sum = new Comparison.Sum(a, b);
        long after = 0;
        while (true) {
            List<CatalogueLine> batch = lines.findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(caseId, after, Limit.of(BATCH));
            if (batch.isEmpty()) {
                return sum.comparison();
            }
            batch.forEach(l -> sum.take(l.view()));
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

    private Map<String, Long> counts(long caseId, CatalogueFilter filter, String by) {
        CriteriaBuilder b = entities.getCriteriaBuilder();
        CriteriaQuery<Object[]> query = b.createQuery(Object[].class);
        Root<CatalogueLine> root = query.from(CatalogueLine.class);
        query.select(b.array(root.get(by), b.count(root))).groupBy(root.get(by))
                .where(filter.predicates(caseId, root, b).toArray(Predicate[]::new));
        Map<String, Long> counts = new TreeMap<>();
        entities.createQuery(query).getResultList().forEach(row ->
                counts.put(row[0] instanceof Prognosis p ? p.word() : (String) row[0], (Long) row[1]));
        return counts;
    }

    /** A line may have several origins. */
    private Map<String, Long> origins(long caseId, CatalogueFilter filter) {
        Map<String, Long> counts = new LinkedHashMap<>();
        counts(caseId, filter, "origins").forEach((set, n) -> {
            for (String origin : set.split(",")) {
                if (!origin.isEmpty()) {
                    counts.merge(origin, n, Long::sum);
                }
            }
        });
        return counts;
    }

    /** How much of each wanted line is there. */
    @Transactional(readOnly = true)
    public List<CatalogueViews.WantedState> wanted(String number) {
        long caseId = cases.id(number);
        return cases.docket(number).wanted().stream().map(line -> {
            long whole = 0;
            long partly = 0;
            for (Object[] row : lines.tally(caseId, "%," + line.id() + ",%")) {
                if (row[0] == Prognosis.WHOLE) {
                    whole += (Long) row[1];
                } else if (row[0] != Prognosis.OVERWRITTEN) {
                    partly += (Long) row[1];
                }
            }
            return new CatalogueViews.WantedState(line, WantedTally.of(line, whole, partly));
        }).toList();
    }

    private CatalogueViews.SelectionSum selection(long caseId) {
        long[] sum = new long[5];
        for (Object[] row : lines.selection(caseId)) {
            sum[0] += (Long) row[1];
            sum[1] += ((Number) row[2]).longValue();
            int slot = row[0] == Prognosis.WHOLE ? 2 : row[0] == Prognosis.GAPPED ? 3 : 4;
            sum[slot] += (Long) row[1];
        }
        return new CatalogueViews.SelectionSum(sum[0], sum[1], sum[2], sum[3], sum[4]);
    }

    @Transactional
    CatalogueViews.SelectionSum select(String number, List<Long> ids, CatalogueFilter filter, boolean yes) {
        long caseId = cases.id(number);
        List<CatalogueLine> meant = filter == null ? lines.findByCaseIdAndIdIn(caseId, ids) : lines.findAll(filter.of(caseId));
        meant.forEach(l -> l.select(yes));
        lines.flush();
        events.changed(number, "selection");
        return selection(caseId);
    }

    /** Selects everything of which some bytes can be given back. */
    @Transactional
    public void selectRecoverable(String number) {
        select(number, List.of(), new CatalogueFilter(null, null, List.of(Prognosis.WHOLE.word(), Prognosis.GAPPED.word()), null, null, false, null, null, null), true);
    }

    /** What was selected, in order. */
    @Transactional(readOnly = true)
    public List<Selected> selected(String number) {
        return lines.findByCaseIdAndSelectedTrueOrderById(cases.id(number)).stream()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy())).toList();
    }

    @Transactional(readOnly = true)
    public long selectedCount(String number) {
        return selection(cases.id(number)).files();
    }

    /** Wanted lines that each of some catalogue lines fits. */
    @Transactional(readOnly = true)
    public Map<Long, List<Long>> wantedBy(String number, List<Long> ids) {
        Map<Long, List<Long>> fits = new LinkedHashMap<>();
        lines.findByCaseIdAndIdIn(cases.id(number), ids).forEach(l -> fits.put(l.id(), l.view().wanted()));
        return fits;
    }

    @Transactional(readOnly = true)
    public Selected line(String number, long id) {
        return lines.findByCaseIdAndIdIn(cases.id(number), List.of(id)).stream().findFirst()
                .map(l -> new Selected(l.finding(), l.imagingId(), l.toldBy()))
                .orElseThrow(() -> Refusal.missing("There is no line " + id + " in this catalogue."));
    }
}
