package org.brantel.server.catalogue;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.platform.Known;
import org.brantel.server.selection.Marks;
import org.jspecify.annotations.Nullable;

/** The lines that a batch of findings meets, by their keys. */
final class MetLines {

    /** A line that another one took in. */
    private record Absorbed(CatalogueLine gone, CatalogueLine by) {}

    private final CatalogueStore store;
    private final long caseId;
    private final MediumNames names;
    private final Map<String, CatalogueLine> byKey = new HashMap<>();
    private final Set<String> freshKeys = new LinkedHashSet<>();
    private final Set<CatalogueLine> fresh = new LinkedHashSet<>();
    private final Map<CatalogueLine, Absorbed> absorbed = new HashMap<>();
    private final List<Absorbed> inTurn = new ArrayList<>();
    private final Map<CatalogueLine, Seen> seen = new HashMap<>();
    private final Map<CatalogueLine, Set<Long>> seenAnew = new LinkedHashMap<>();
    /** What was counted of each line that is in the records; null for those that are not shown. */
    private final Map<CatalogueLine, CountChanges.@Nullable Counted> counted = new LinkedHashMap<>();

    /** @param places the numbers of the lines that places lead to, for those keys that are places */
    MetLines(
            CatalogueStore store,
            long caseId,
            MediumNames names,
            Collection<String> wantedKeys,
            Map<String, Long> places) {
        this.store = store;
        this.caseId = caseId;
        this.names = names;
        Map<String, Long> there = store.keys()
                .known(
                        caseId,
                        wantedKeys.stream().filter(k -> !Catalogue.isPlace(k)).toList());
        there.putAll(places);
        Map<Long, CatalogueLine> byId = store.lines(new TreeSet<>(there.values()));
        byId.values().forEach(l -> counted.put(l, l.counted()));
        Map<Long, Seen> known = store.seen().of(byId.keySet());
        byId.values().forEach(l -> seen.put(l, known.getOrDefault(l.id(), new Seen())));
        there.forEach((key, line) -> byKey.put(key, store.shown(byId, line)));
    }

    /** The line of a finding of a medium; null for one that is new. */
    @Nullable
    CatalogueLine of(Finding finding, String medium) {
        // Two names for one beginning are two files, whatever content was doubted there.
        Stream<CatalogueLine> doubted = Catalogue.looksFor(finding, medium).stream()
                .map(this::known)
                .filter(Objects::nonNull)
                .filter(l -> !Catalogue.isNamed(finding) || !l.isNamed());
        List<CatalogueLine> same = Stream.concat(
                        Catalogue.keys(finding, medium).stream()
                                .map(this::known)
                                .filter(Objects::nonNull),
                        doubted)
                .distinct()
                .toList();
        return same.isEmpty() ? null : one(same);
    }

    /** Where a key leads today. */
    private @Nullable CatalogueLine known(String key) {
        CatalogueLine line = byKey.get(key);
        for (Absorbed a = absorbed.get(line); a != null; a = absorbed.get(line)) {
            line = a.by();
        }
        return line;
    }

    /** Content that was known by its place has a hash now; so it may turn out to be that of another line. */
    void hashed(String place, String sha256) {
        CatalogueLine line = known(place);
        if (line != null) {
            CatalogueLine same = known(Catalogue.hashKey(sha256));
            line.hashed(place, sha256, names);
            add(same == null || same == line ? line : one(List.of(line, same)), List.of(Catalogue.hashKey(sha256)));
        }
    }

    /** Several lines that are one file: the oldest takes the others in. */
    private CatalogueLine one(List<CatalogueLine> some) {
        List<CatalogueLine> all = some.stream()
                .sorted(Comparator.comparing(l -> l.isNew() ? Long.MAX_VALUE : l.id()))
                .toList();
        CatalogueLine by = all.get(0);
        for (CatalogueLine gone : all.subList(1, all.size())) {
            by.absorb(gone);
            Absorbed a = new Absorbed(gone, by);
            absorbed.put(gone, a);
            inTurn.add(a);
            Seen taken = Known.in(seen, gone);
            taken.sessions().forEach(session -> seenBy(by, session, taken.in(session)));
            seenAnew.remove(gone);
        }
        return by;
    }

    void add(CatalogueLine line, List<String> some) {
        if (line.isNew()) {
            fresh.add(line);
        }
        for (String key : some) {
            if (byKey.putIfAbsent(key, line) == null) {
                freshKeys.add(key);
            }
        }
    }

    /** A session found the line. */
    void seenBy(CatalogueLine line, long session, CatalogueViews.@Nullable Version version) {
        if (seen.computeIfAbsent(line, l -> new Seen()).by(session, version) && version != null) {
            seenAnew.computeIfAbsent(line, l -> new TreeSet<>()).add(session);
        }
    }

    /**
     * @param folders those that the merge met
     * @return by place, the lines that places lead to since
     */
    Map<String, Long> save(Folders.Met folders) {
        // A line that was new in this batch and taken in by another was never there.
        fresh.removeIf(absorbed::containsKey);
        Set<CatalogueLine> added = Set.copyOf(fresh);
        stand(folders);
        store.addLines(fresh);
        Marks chosen = counted.isEmpty() ? new Marks() : store.chosen(caseId);
        Map<Long, Long> gone = new LinkedHashMap<>();
        for (Absorbed a : inTurn) {
            if (!a.gone().isNew()) {
                a.gone().mergedInto(a.by().id());
                gone.put(a.gone().id(), a.by().id());
            }
        }
        if (!gone.isEmpty()) {
            store.takeIn(caseId, gone);
        }
        CountChanges changes = new CountChanges();
        fresh.forEach(l -> changes.change(null, l.counted()));
        counted.forEach((line, before) -> changes.change(before, line.counted()));
        store.count(caseId, changes);
        weighAnew(chosen, gone.isEmpty() ? chosen : store.chosen(caseId));
        List<SeenLines.Change> firstSeen = new ArrayList<>();
        List<SeenLines.Change> seenAgain = new ArrayList<>();
        seenAnew.forEach((line, sessions) -> sessions.forEach(session -> (added.contains(line) ? firstSeen : seenAgain)
                .add(new SeenLines.Change(
                        line.id(),
                        session,
                        Objects.requireNonNull(Known.in(seen, line).in(session))))));
        store.seen().addAll(firstSeen);
        store.seen().putAll(seenAgain);
        Map<String, Long> places = new HashMap<>();
        Map<String, Long> keys = new LinkedHashMap<>();
        for (String key : freshKeys) {
            (Catalogue.isPlace(key) ? places : keys)
                    .put(key, Objects.requireNonNull(known(key)).id());
        }
        store.keys().addAll(caseId, keys);
        return places;
    }

    /** What is chosen may be larger now, or whole. */
    private void weighAnew(Marks before, Marks now) {
        Map<Prognosis, Choices.Weight> more = new EnumMap<>(Prognosis.class);
        counted.forEach((line, was) -> {
            CountChanges.Counted is = line.counted();
            if (was != null && before.has(line.id())) {
                more.merge(was.prognosis(), new Choices.Weight(-1, -was.size()), Choices.Weight::and);
            }
            if (is != null && now.has(line.id())) {
                more.merge(is.prognosis(), new Choices.Weight(1, is.size()), Choices.Weight::and);
            }
        });
        more.values().removeIf(Choices.Weight.NONE::equals);
        store.weighMore(caseId, more);
    }

    /** Gives each line the folder that it stands in now. */
    private void stand(Folders.Met folders) {
        Map<CatalogueLine, Folders.Place> places = new LinkedHashMap<>();
        Stream.concat(fresh.stream(), counted.keySet().stream())
                .filter(l -> !absorbed.containsKey(l) && l.mergedInto() == null)
                .forEach(l -> {
                    Folders.Place place = l.place();
                    if (place == null) {
                        l.standsIn(null);
                    } else {
                        places.put(l, place);
                    }
                });
        Map<Folders.Place, Long> numbers = store.folders(caseId, new HashSet<>(places.values()), folders);
        places.forEach((line, place) -> line.standsIn(Known.in(numbers, place)));
    }
}
