package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.brantel.core.carve.ContentKind;
import org.brantel.core.carve.Kinds;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;

/**
 * Deleted files keep their first cluster and size, but their chain is erased. Two layouts are possible: straight on
 * from the first cluster, or straight on around what live files hold. The kind's own check decides where there is one;
 * otherwise the age of what stands in between does: a live file that is newer overwrote, an older one was there before.
 */
final class DeletedFiles {

    static final String ALL_OVERWRITTEN = "Overwritten";

    private record Candidate(List<Long> clusters, int inUse) { }

    private record Judged(int index, Folders.FileRecord file, Finding finding, List<Long> clusters, boolean proven) { }

    private final Judge judge;
    private final BootSector boot;
    private final AllocationTable table;

    DeletedFiles(Judge judge, BootSector boot, AllocationTable table) {
        this.judge = judge;
        this.boot = boot;
        this.table = table;
    }

    /** What content proves takes its clusters first, then what was written last: it lies over what was there before. */
    void judgeAll(List<Folders.FileRecord> files, FindingSink sink) throws IOException {
        List<Judged> all = new ArrayList<>();
        for (Folders.FileRecord file : files) {
            all.add(judge(all.size(), file));
        }
        List<Judged> byRight = new ArrayList<>(all);
        byRight.sort(Comparator.comparing((Judged j) -> !j.proven())
                .thenComparing(j -> written(j.file()), Comparator.reverseOrder()));
        BitSet taken = new BitSet();
        List<Finding> findings = new ArrayList<>(all.stream().map(Judged::finding).toList());
        for (Judged j : byRight) {
            long lost = j.clusters().stream().filter(c -> taken.get((int) (long) c)).count();
            if (lost > 0 && !j.proven() && j.finding().prognosis() != Prognosis.OVERWRITTEN) {
                findings.set(j.index(), contested(j, lost));
            } else if (j.finding().prognosis() == Prognosis.WHOLE) {
                j.clusters().forEach(c -> taken.set((int) (long) c));
            }
        }
        findings.forEach(sink::found);
    }

    private static Instant written(Folders.FileRecord file) {
        Instant created = file.entry().created();
        Instant modified = file.entry().modified();
        Instant last = created == null || modified != null && modified.isAfter(created) ? modified : created;
        return last == null ? Instant.MIN : last;
    }

    private static Finding contested(Judged j, long lost) {
        List<String> reasons = new ArrayList<>();
        reasons.add(lost + " of its " + j.clusters().size() + " clusters are claimed by a file deleted later, or proven to be another's.");
        reasons.addAll(j.finding().reasons().stream().filter(r -> !r.startsWith("Nothing else claims")).toList());
        Prognosis prognosis = lost == j.clusters().size() ? Prognosis.OVERWRITTEN
                : j.finding().prognosis() == Prognosis.GAPPED ? Prognosis.GAPPED : Prognosis.DOUBTFUL;
        return j.finding().judged(prognosis, prognosis == Prognosis.OVERWRITTEN ? 5 : 30, reasons);
    }

    private Judged judge(int index, Folders.FileRecord file) throws IOException {
        long size = file.entry().size();
        long first = file.entry().firstCluster();
        List<String> faults = new ArrayList<>();
        if (size == 0) {
            return new Judged(index, file, judge.finding(file, Origin.DELETED, judge.bytes(List.of(), 0, faults)), List.of(), false);
        }
        if (!boot.isCluster(first)) {
            faults.add(ALL_OVERWRITTEN + ": its record names no first cluster, so nothing leads to its bytes.");
            return new Judged(index, file, judge.finding(file, Origin.DELETED, judge.bytes(List.of(), size, faults)), List.of(), false);
        }
        Candidate straight = straightOn(first, judge.clustersFor(size));
        Candidate chosen = straight;
        boolean around = false;
        if (straight.inUse() > 0 && !table.isAllocated(first)) {
            Candidate detour = aroundLive(first, judge.clustersFor(size));
            around = detour.clusters().size() == judge.clustersFor(size) && preferDetour(file, straight, detour);
            chosen = around ? detour : straight;
        }
        describe(file, chosen, faults);
        Judge.Bytes bytes = judge.bytes(chosen.clusters(), size, faults);
        String kind = Kinds.ofName(file.name());
        Optional<ContentKind.Walk> check = judge.check(kind, bytes);
        boolean proven = Kinds.byCode(kind).isPresent() && check.isPresent() && check.get().whole();
        if (proven) {
            // The content itself says that every byte is in place; what the table says now came later.
            faults.clear();
        } else if (around && check.isEmpty()) {
            faults.add("Its chain is erased; it is guessed to go around " + straight.inUse() + " clusters of older live files.");
        } else if (faults.isEmpty() && judge.isZero(bytes)) {
            faults.add(ALL_OVERWRITTEN + ": nothing but zeros stands where its content was.");
        }
        return new Judged(index, file, judge.finding(file, Origin.DELETED, bytes), chosen.clusters(), proven);
    }

    private void describe(Folders.FileRecord file, Candidate chosen, List<String> faults) {
        long need = judge.clustersFor(file.entry().size());
        if (chosen.inUse() == chosen.clusters().size()) {
            faults.add(ALL_OVERWRITTEN + ": live data stands in all of its " + need + " clusters.");
        } else if (chosen.inUse() > 0) {
            faults.add("Live data stands in " + chosen.inUse() + " of its " + need + " clusters.");
        }
        if (chosen.clusters().size() < need) {
            faults.add("Its record claims " + file.entry().size() + " bytes, more than the volume holds from its first cluster on.");
        }
        long unknown = chosen.clusters().stream().filter(table::isUnknown).count();
        if (unknown > 0) {
            faults.add("Whether live data stands in " + unknown + " of its clusters is unknown: the table was not read there.");
        }
    }

    private boolean preferDetour(Folders.FileRecord file, Candidate straight, Candidate detour) throws IOException {
        String kind = Kinds.ofName(file.name());
        long size = file.entry().size();
        Optional<ContentKind.Walk> checkDetour = judge.check(kind, judge.bytes(detour.clusters(), size, List.of()));
        if (checkDetour.isPresent()) {
            if (checkDetour.get().whole() && !Kinds.isText(kind)) {
                return true;
            }
            Optional<ContentKind.Walk> checkStraight = judge.check(kind, judge.bytes(straight.clusters(), size, List.of()));
            if (checkStraight.isPresent() && checkStraight.get().whole() != checkDetour.get().whole()) {
                return checkDetour.get().whole();
            }
        }
        Instant own = written(file);
        return straight.clusters().stream().filter(table::isAllocated)
                .allMatch(c -> judge.ownedSince(c).map(since -> since.isBefore(own)).orElse(false));
    }

    private Candidate straightOn(long first, long need) {
        List<Long> clusters = new ArrayList<>();
        int inUse = 0;
        for (long c = first; clusters.size() < need && boot.isCluster(c); c++) {
            clusters.add(c);
            inUse += table.isAllocated(c) ? 1 : 0;
        }
        return new Candidate(clusters, inUse);
    }

    private Candidate aroundLive(long first, long need) {
        List<Long> clusters = new ArrayList<>();
        for (long c = first; clusters.size() < need && boot.isCluster(c); c++) {
            if (!table.isAllocated(c)) {
                clusters.add(c);
            }
        }
        return new Candidate(clusters, 0);
    }
}
