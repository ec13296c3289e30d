package org.brantel.server.catalogue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.server.platform.Known;
import org.jspecify.annotations.Nullable;

/** The lines that a batch of findings meets, by their keys. */
final class MetLines {

    private final CatalogueLines lines;
    private final CatalogueKeys keys;
    private final long caseId;
    private final Map<String, CatalogueLine> byKey = new HashMap<>();
    private final Set<String> freshKeys = new LinkedHashSet<>();
    private final Set<CatalogueLine> met = new LinkedHashSet<>();
    private final List<CatalogueLine[]> absorbed = new ArrayList<>();

    MetLines(CatalogueLines lines, CatalogueKeys keys, long caseId, List<String> wantedKeys) {
        this.lines = lines;
        this.keys = keys;
        this.caseId = caseId;
        Map<Long, CatalogueLine> byId = new HashMap<>();
        List<CatalogueKey> there = keys.findKnown(caseId, wantedKeys.toArray(String[]::new));
        lines.findAllById(there.stream().map(CatalogueKey::lineId).distinct().toList())
                .forEach(l -> byId.put(l.id(), l));
        there.forEach(k -> byKey.put(k.identityKey(), byId.get(k.lineId())));
    }

    /** The line of a finding; null for one that is new. */
    @Nullable
    CatalogueLine of(Finding finding) {
        // Two names for one beginning are two files, whatever content was doubted there.
        Stream<CatalogueLine> doubted = Catalogue.looksFor(finding).stream()
                .map(byKey::get)
                .filter(Objects::nonNull)
                .filter(l -> !Catalogue.isNamed(finding) || !l.isNamed());
        List<CatalogueLine> same = Stream.concat(
                        Catalogue.keys(finding).stream().map(byKey::get).filter(Objects::nonNull), doubted)
                .distinct()
                .toList();
        return same.isEmpty() ? null : one(same);
    }

    /** Content that was known by its place has a hash now; so it may turn out to be that of another line. */
    void hashed(String place, String sha256) {
        CatalogueLine line = byKey.get(place);
        if (line != null) {
            CatalogueLine same = byKey.get(Catalogue.hashKey(sha256));
            line.hashed(place, sha256);
            add(same == null || same == line ? line : one(List.of(line, same)), List.of(Catalogue.hashKey(sha256)));
        }
    }

    /** Several lines that are one file: the oldest takes the others in. */
    private CatalogueLine one(List<CatalogueLine> some) {
        List<CatalogueLine> all = some.stream()
                .sorted(Comparator.comparing(l -> l.isNew() ? Long.MAX_VALUE : l.id()))
                .toList();
        for (int i = 1; i < all.size(); i++) {
            CatalogueLine gone = all.get(i);
            all.get(0).absorb(gone);
            byKey.replaceAll((key, line) -> line == gone ? all.get(0) : line);
            absorbed.add(new CatalogueLine[] {gone, all.get(0)});
            met.add(gone);
        }
        return all.get(0);
    }

    void add(CatalogueLine line, List<String> some) {
        met.add(line);
        for (String key : some) {
            if (byKey.putIfAbsent(key, line) == null) {
                freshKeys.add(key);
            }
        }
    }

    void save() {
        // A line that was new in this batch and taken in by another was never there.
        met.removeIf(l -> l.isNew() && absorbed.stream().anyMatch(a -> a[0] == l));
        lines.saveAll(met);
        absorbed.stream().filter(a -> !a[0].isNew()).forEach(a -> {
            a[0].mergedInto(a[1].id());
            keys.lead(a[0].id(), a[1].id());
        });
        keys.saveAll(freshKeys.stream()
                .map(k -> new CatalogueKey(caseId, k, Known.in(byKey, k).id()))
                .toList());
    }
}
