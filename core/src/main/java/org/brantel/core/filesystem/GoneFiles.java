package org.brantel.core.filesystem;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;

/**
 * Files that are no longer listed. What stands in their clusters now decides, and for records that keep only the first
 * cluster two layouts are possible: straight on from there, or straight on around what live files hold. The kind's own
 * check decides where there is one; otherwise the age of what stands in between does: a live file that is newer
 * overwrote, an older one was there before.
 */
final class GoneFiles {

    private record Judged(int index, FileRecord file, Finding finding, List<Extent> extents, boolean proven) {}

    private final Judge judge;
    private final Space space;
    private final Origin origin;

    GoneFiles(Judge judge, Origin origin) {
        this.judge = judge;
        this.space = judge.space();
        this.origin = judge.walk().taken().isEmpty() ? origin : Origin.EARLIER;
    }

    /** What content proves takes its clusters first, then what was written last: it lies over what was there before. */
    void judge(List<FileRecord> files) throws IOException {
        List<Judged> all = new ArrayList<>();
        for (FileRecord file : files) {
            if (judge.walk().stopped()) {
                break;
            }
            all.add(judgeOne(all.size(), file));
        }
        List<Judged> byRight = new ArrayList<>(all);
        byRight.sort(Comparator.comparing((Judged j) -> !j.proven())
                .thenComparing(j -> written(j.file()), Comparator.reverseOrder()));
        ClusterSet taken = space.emptySet();
        Finding[] findings = new Finding[all.size()];
        all.forEach(j -> findings[j.index()] = j.finding());
        for (Judged j : byRight) {
            long lost = runs(j).stream()
                    .mapToLong(r -> taken.countIn(r.from(), r.length()))
                    .sum();
            if (lost > 0 && !j.proven() && j.finding().prognosis() != Prognosis.OVERWRITTEN) {
                findings[j.index()] = contested(j, lost);
            } else if (j.finding().prognosis() == Prognosis.WHOLE) {
                runs(j).forEach(r -> taken.add(r.from(), r.length()));
            }
        }
        for (Finding finding : findings) {
            judge.walk().sink().found(finding);
        }
    }

    private List<Space.Run> runs(Judged j) {
        return j.file().placement() instanceof Placement.InRecord ? List.of() : runs(j.extents());
    }

    private List<Space.Run> runs(List<Extent> extents) {
        return extents.stream().filter(e -> !e.isHole()).map(space::run).toList();
    }

    private static Instant written(FileRecord file) {
        Instant last = file.written();
        return last == null ? Instant.MIN : last;
    }

    private Finding contested(Judged j, long lost) {
        long all = runs(j).stream().mapToLong(Space.Run::length).sum();
        List<String> reasons = new ArrayList<>();
        reasons.add(
                lost + " of its " + all + " clusters are claimed by a file deleted later, or proven to be another's.");
        reasons.addAll(j.finding().reasons().stream()
                .filter(r -> !r.startsWith("Nothing else claims"))
                .toList());
        Prognosis prognosis = lost == all
                ? Prognosis.OVERWRITTEN
                : j.finding().prognosis() == Prognosis.GAPPED ? Prognosis.GAPPED : Prognosis.DOUBTFUL;
        return j.finding().judged(prognosis, prognosis == Prognosis.OVERWRITTEN ? 5 : 30, reasons);
    }

    private Judged judgeOne(int index, FileRecord file) throws IOException {
        List<String> faults = new ArrayList<>(file.faults());
        judge.overwritten(file.placement(), faults);
        if (file.placement() instanceof Placement.Erased erased) {
            return guess(index, file, erased, faults);
        }
        if (file.placement() instanceof Placement.Known known) {
            return weigh(index, file, known.extents(), faults);
        }
        List<Extent> extents = file.placement().extents();
        if (file.placement() instanceof Placement.Lost lost) {
            faults.add(Judge.ALL_OVERWRITTEN + ": " + lost.why());
        }
        return new Judged(
                index, file, judge.finding(file, origin, extents, faults, judge.check(file, extents)), extents, false);
    }

    private Judged weigh(int index, FileRecord file, List<Extent> extents, List<String> faults) throws IOException {
        if (file.size() > 0) {
            describe(extents, faults);
        }
        return weigh(index, file, extents, faults, null);
    }

    /** @param unlessProven a doubt that the kind's check would take away; null without one */
    private Judged weigh(int index, FileRecord file, List<Extent> extents, List<String> faults, String unlessProven)
            throws IOException {
        String kind = Kinds.ofName(file.name());
        Optional<ContentKind.Walk> check = judge.check(file, extents);
        String packingFault = judge.packingFault(file, extents);
        boolean proven = Kinds.byCode(kind).isPresent()
                && check.isPresent()
                && check.get().whole();
        if (packingFault != null) {
            faults.add(packingFault);
        } else if (proven) {
            // The content itself says that every byte is in place; what the table says now came later.
            faults.clear();
            faults.addAll(file.faults());
        } else if (unlessProven != null && check.isEmpty()) {
            faults.add(unlessProven);
        } else if (faults.isEmpty() && judge.isZero(file, extents)) {
            boolean canBeZeros = !Kinds.isKnownWord(kind) && !Kinds.isText(kind);
            faults.add(
                    canBeZeros
                            ? "It is nothing but zeros; that may be its content, or it was wiped."
                            : Judge.ALL_OVERWRITTEN + ": nothing but zeros stands where its content was.");
        }
        return new Judged(index, file, judge.finding(file, origin, extents, faults, check), extents, proven);
    }

    private Judged guess(int index, FileRecord file, Placement.Erased erased, List<String> faults) throws IOException {
        long first = erased.firstCluster();
        if (file.size() == 0) {
            return weigh(index, file, List.of(), faults);
        }
        if (!space.isCluster(first)) {
            faults.add(Judge.ALL_OVERWRITTEN + ": its record names no first cluster, so nothing leads to its bytes.");
            return new Judged(
                    index, file, judge.finding(file, origin, List.of(), faults, Optional.empty()), List.of(), false);
        }
        List<Extent> straight = space.straightOn(first, file.size());
        long inUse = runs(straight).stream().mapToLong(space::usedIn).sum();
        List<Extent> chosen = straight;
        String doubt = null;
        if (inUse > 0 && !space.isUsed(first)) {
            List<Extent> detour = space.aroundUsed(first, file.size());
            if (Extents.length(detour) == file.size() && preferDetour(file, straight, detour)) {
                chosen = detour;
                doubt = "Its chain is erased; it is guessed to go around " + inUse + " clusters of older live files.";
            }
        }
        if (doubt == null && erased.scattered() && space.clustersFor(file.size()) > 1) {
            doubt = "Its chain is erased, and its record says that its clusters did not follow each other; they "
                    + "are guessed to.";
        }
        describe(chosen, faults);
        if (Extents.length(chosen) < file.size()) {
            faults.add("Its record claims " + file.size()
                    + " bytes, more than the volume holds from its first cluster on.");
        }
        return weigh(index, file, chosen, faults, doubt);
    }

    private void describe(List<Extent> extents, List<String> faults) {
        long all = 0;
        long inUse = 0;
        long unknown = 0;
        for (Space.Run run : runs(extents)) {
            all += run.length();
            inUse += space.usedIn(run);
            unknown += space.unknownIn(run);
        }
        if (all > 0 && inUse == all) {
            faults.add(Judge.ALL_OVERWRITTEN + ": live data stands in all of its " + all + " clusters.");
        } else if (inUse > 0) {
            faults.add("Live data stands in " + inUse + " of its " + all + " clusters.");
        }
        if (unknown > 0) {
            faults.add("Whether live data stands in " + unknown
                    + " of its clusters is unknown: the allocation was not read there.");
        }
    }

    private boolean preferDetour(FileRecord file, List<Extent> straight, List<Extent> detour) throws IOException {
        Optional<ContentKind.Walk> checkDetour = judge.check(file, detour);
        if (checkDetour.isPresent()) {
            if (checkDetour.get().whole() && !Kinds.isText(Kinds.ofName(file.name()))) {
                return true;
            }
            Optional<ContentKind.Walk> checkStraight = judge.check(file, straight);
            if (checkStraight.isPresent()
                    && checkStraight.get().whole() != checkDetour.get().whole()) {
                return checkDetour.get().whole();
            }
        }
        Instant own = written(file);
        Optional<Owners> owners = judge.owners();
        if (owners.isEmpty()) {
            return false;
        }
        for (Space.Run run : runs(straight)) {
            for (long i = 0; i < run.length(); i++) {
                long cluster = space.clusterOf(run, i);
                if (space.isUsed(cluster)
                        && !owners.get()
                                .since(space.offset(cluster))
                                .map(since -> since.isBefore(own))
                                .orElse(false)) {
                    return false;
                }
            }
        }
        return true;
    }
}
