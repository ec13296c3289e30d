package org.brantel.server.copies;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;

/**
 * What the search for a copy says, as a fact that triage ranks by.
 *
 * @param kinds places that it speaks of
 * @param all   its value when copies there, of each of which a sample was opened, hold all wanted lines
 * @param some  when they hold a part, or nobody saw what they hold
 * @param none  when nothing is at any of them
 */
record CopyFacts(String code, Set<CopyPlace> kinds, String all, String some, String none) {

    static final List<CopyFacts> ALL = List.of(
            new CopyFacts("copy.trash", Set.of(CopyPlace.TRASH), "yes", "yes", "no"),
            new CopyFacts(
                    "copy.backup", Set.of(CopyPlace.BACKUP, CopyPlace.VERSION_HISTORY), "current", "older", "none"),
            new CopyFacts(
                    "copy.cloud",
                    Set.of(CopyPlace.CLOUD, CopyPlace.SECOND_MACHINE, CopyPlace.SECOND_CARD),
                    "yes",
                    "partly",
                    "no"));

    /** Where somebody looked, and what came of it. */
    record Place(CopyPlace place, CopyViews.Finding finding) {}

    /** Whether anything was noted that it speaks of, or taken back. */
    boolean isMeant(List<Place> places) {
        return mine(places).findAny().isPresent();
    }

    private Stream<Place> mine(List<Place> places) {
        return places.stream().filter(p -> kinds.contains(p.place()));
    }

    /**
     * @param wanted the numbers of the case's wanted lines
     * @return none while a place was not looked at, and nothing was found at the others
     */
    Stream<CaseForm.Fact> of(List<Place> places, Set<Long> wanted) {
        String value = value(places, wanted);
        return value == null ? Stream.of() : Stream.of(new CaseForm.Fact(code, value, Said.OBSERVED));
    }

    private @Nullable String value(List<Place> places, Set<Long> wanted) {
        List<Place> found =
                mine(places).filter(p -> p.finding().result() == Result.FOUND).toList();
        if (!found.isEmpty()) {
            Set<Long> covered = new HashSet<>();
            found.stream()
                    .filter(p -> p.finding().isOpened())
                    .forEach(p -> covered.addAll(p.finding().covers()));
            return !wanted.isEmpty() && covered.containsAll(wanted) ? all : some;
        }
        Set<CopyPlace> empty = new HashSet<>();
        mine(places).filter(p -> p.finding().result() == Result.NOTHING).forEach(p -> empty.add(p.place()));
        return empty.containsAll(kinds) ? none : null;
    }
}
