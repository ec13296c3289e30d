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
import org.jspecify.annotations.Nullable;

/**
 * Files that are no longer listed. What stands in their clusters now decides, and for records that keep only the first
 * cluster two layouts are possible: straight on from there, or straight on around what live files hold. The kind's own
 * check decides where there is one; otherwise the age of what stands in between does: a live file that is newer
 * overwrote, an older one was there before.
 */
final class GoneFiles {

    /**
     * @param check  the verdict of its kind; empty without one
     * @param proven the content itself says that every byte is in place
     */
    private record Judged(
            int index,
            FileRecord file,
            List<Extent> extents,
            List<Fault> faults,
            Optional<ContentKind.Walk> check,
            Finding finding,
            boolean proven) {}

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
        List<Fault> faults = new ArrayList<>();
        faults.add(new Fault.ClaimedSince(lost, all));
        faults.addAll(j.faults());
        return judge.finding(j.file(), origin, j.extents(), faults, j.check());
    }

    private Judged judgeOne(int index, FileRecord file) throws IOException {
        List<Fault> faults = new ArrayList<>(file.faults());
        judge.overwritten(file.placement(), faults);
        if (file.placement() instanceof Placement.Erased erased) {
            return guess(index, file, erased, faults);
        }
        if (file.placement() instanceof Placement.Known known) {
            return weigh(index, file, known.extents(), faults);
        }
        List<Extent> extents = file.placement().extents();
        if (file.placement() instanceof Placement.Lost lost) {
            faults.add(new Fault.OnlyItsName(lost.why()));
        }
        return judged(index, file, extents, faults, judge.check(file, extents), false);
    }

    private Judged weigh(int index, FileRecord file, List<Extent> extents, List<Fault> faults) throws IOException {
        if (file.size() > 0) {
            describe(extents, faults);
        }
        return weigh(index, file, extents, faults, null);
    }

    /** @param unlessProven a doubt that the kind's check would take away; null without one */
    private Judged weigh(
            int index, FileRecord file, List<Extent> extents, List<Fault> faults, @Nullable Fault unlessProven)
            throws IOException {
        String kind = Kinds.ofName(file.name());
        Optional<ContentKind.Walk> check = judge.check(file, extents);
        Fault packingFault = judge.packingFault(file, extents);
        // What lies where a live file does is that file's, whatever it reads as.
        boolean proven = Kinds.byCode(kind).isPresent()
                && !judge.isClaimed(runs(extents))
                && check.isPresent()
                && check.get().isProof();
        if (packingFault != null) {
            faults.add(packingFault);
        } else if (proven) {
            // The content itself says that every byte is in place; what the table says now came later.
            faults.clear();
            faults.addAll(file.faults());
        } else if (unlessProven != null && check.map(ContentKind.Walk::whole).orElse(true)) {
            faults.add(unlessProven);
        } else if (faults.isEmpty() && judge.isZero(file, extents)) {
            boolean canBeZeros = !Kinds.isKnownWord(kind) && !Kinds.isText(kind);
            faults.add(new Fault.Zeros(canBeZeros));
        }
        return judged(index, file, extents, faults, check, proven);
    }

    private Judged judged(
            int index,
            FileRecord file,
            List<Extent> extents,
            List<Fault> faults,
            Optional<ContentKind.Walk> check,
            boolean proven) {
        Finding finding = judge.finding(file, origin, extents, faults, check);
        return new Judged(index, file, extents, faults, check, finding, proven);
    }

    private Judged guess(int index, FileRecord file, Placement.Erased erased, List<Fault> faults) throws IOException {
        long first = erased.firstCluster();
        if (file.size() == 0) {
            return weigh(index, file, List.of(), faults);
        }
        if (!space.isCluster(first)) {
            faults.add(new Fault.OnlyItsName("its record names no first cluster, so nothing leads to its bytes"));
            return judged(index, file, List.of(), faults, Optional.empty(), false);
        }
        List<Extent> straight = space.straightOn(first, file.size());
        long inUse = runs(straight).stream().mapToLong(space::usedIn).sum();
        List<Extent> chosen = straight;
        Fault doubt = null;
        if (inUse > 0 && !space.isUsed(first)) {
            List<Extent> detour = space.aroundUsed(first, file.size());
            if (Extents.length(detour) == file.size() && preferDetour(file, straight, detour)) {
                chosen = detour;
                doubt = new Fault.GuessedAround(inUse);
            }
        }
        if (doubt == null && erased.scattered() && space.clustersFor(file.size()) > 1) {
            doubt = new Fault.GuessedStraight();
        }
        describe(chosen, faults);
        if (Extents.length(chosen) < file.size()) {
            faults.add(new Fault.BeyondVolume(file.size()));
        }
        return weigh(index, file, chosen, faults, doubt);
    }

    private void describe(List<Extent> extents, List<Fault> faults) {
        long all = 0;
        long inUse = 0;
        long unknown = 0;
        for (Space.Run run : runs(extents)) {
            all += run.length();
            inUse += space.usedIn(run);
            unknown += space.unknownIn(run);
        }
        if (inUse > 0) {
            faults.add(new Fault.InUse(inUse, all));
        }
        if (unknown > 0) {
            faults.add(new Fault.UseUnknown(unknown));
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
