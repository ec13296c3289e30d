package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.brantel.core.carve.ContentKind;
import org.brantel.core.carve.Kinds;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;

/** Judges how intact a file of this volume is: by the allocation of every cluster, the map, and its kind's check. */
final class Judge {

    /** What is known of a file's bytes before any words are made. */
    record Bytes(List<Range> ranges, long size, List<String> faults) {
        long held() {
            return ranges.stream().mapToLong(Range::length).sum();
        }
    }

    private record Owner(long lastCluster, Instant since) { }

    private final Source source;
    private final BootSector boot;
    private final AllocationTable table;
    private final int volumeIndex;
    private final BitSet claimed = new BitSet();
    private final BitSet contested = new BitSet();
    private final TreeMap<Long, Owner> owners = new TreeMap<>();

    Judge(Source source, BootSector boot, AllocationTable table, int volumeIndex) {
        this.source = source;
        this.boot = boot;
        this.table = table;
        this.volumeIndex = volumeIndex;
    }

    /** Notes which clusters a live file uses, so that cross-linked files are seen and overwriting can be dated. */
    void claim(Folders.FileRecord file) throws IOException {
        List<Long> clusters = chain(file).clusters();
        Instant since = newer(file.entry().created(), file.entry().modified());
        for (int i = 0; i < clusters.size(); ) {
            int j = i;
            do {
                int cluster = (int) (long) clusters.get(j);
                if (claimed.get(cluster)) {
                    contested.set(cluster);
                }
                claimed.set(cluster);
                j++;
            } while (j < clusters.size() && clusters.get(j) == clusters.get(j - 1) + 1);
            owners.put(clusters.get(i), new Owner(clusters.get(j - 1), since));
            i = j;
        }
    }

    private static Instant newer(Instant a, Instant b) {
        return a == null || b != null && b.isAfter(a) ? b : a;
    }

    /** When the live file that holds a cluster came there, as far as its record says. */
    Optional<Instant> ownedSince(long cluster) {
        Map.Entry<Long, Owner> owner = owners.floorEntry(cluster);
        return owner == null || owner.getValue().lastCluster() < cluster
                ? Optional.empty() : Optional.ofNullable(owner.getValue().since());
    }

    private AllocationTable.Chain chain(Folders.FileRecord file) throws IOException {
        long size = file.entry().size();
        if (size == 0) {
            return new AllocationTable.Chain(List.of(), null);
        }
        return table.follow(file.entry().firstCluster(), clustersFor(size));
    }

    long clustersFor(long size) {
        return (size + boot.clusterBytes() - 1) / boot.clusterBytes();
    }

    Finding live(Folders.FileRecord file) throws IOException {
        AllocationTable.Chain chain = chain(file);
        List<String> faults = new ArrayList<>();
        long need = clustersFor(file.entry().size());
        if (chain.clusters().size() < need) {
            faults.add("Its chain holds " + chain.clusters().size() + " of " + need + " clusters: "
                    + (chain.brokenBy() == null ? "it ends early" : chain.brokenBy()) + ".");
        }
        long shared = chain.clusters().stream().filter(c -> contested.get((int) (long) c)).count();
        if (shared > 0) {
            faults.add(shared + " of its " + need + " clusters are claimed by another live file as well.");
        }
        return finding(file, Origin.LIVE, bytes(chain.clusters(), file.entry().size(), faults));
    }

    Bytes bytes(List<Long> clusters, long size, List<String> faults) {
        return new Bytes(FatReader.ranges(boot, clusters, size), size, faults);
    }

    /** The kind's own verdict; empty without a check, or where bytes are missing. */
    Optional<ContentKind.Walk> check(String kind, Bytes bytes) throws IOException {
        if (bytes.held() < bytes.size() || bytes.size() == 0 || gap(bytes) > 0) {
            return Optional.empty();
        }
        try {
            return Kinds.check(kind, ByteView.of(source, bytes.ranges(), bytes.size()));
        } catch (ByteView.Unread e) {
            return Optional.empty();
        }
    }

    boolean isZero(Bytes bytes) throws IOException {
        if (bytes.ranges().isEmpty() || gap(bytes) > 0) {
            return false;
        }
        ByteView view = ByteView.of(source, bytes.ranges(), bytes.size());
        try {
            for (long at = 0; at < view.length(); at++) {
                if (view.u8(at) != 0) {
                    return false;
                }
            }
            return true;
        } catch (ByteView.Unread e) {
            return false;
        }
    }

    /** Bytes of a file that were never read or lie beyond the medium's end. */
    private long gap(Bytes bytes) {
        Range medium = new Range(0, source.size());
        long gap = 0;
        for (Range r : bytes.ranges()) {
            Range there = r.intersection(medium);
            gap += r.length() - there.length();
            gap += source.knownUnread(there).stream().mapToLong(Range::length).sum();
        }
        return gap;
    }

    /** The finding with prognosis, score and reasons. */
    Finding finding(Folders.FileRecord file, Origin origin, Bytes bytes) throws IOException {
        String kind = Kinds.ofName(file.name());
        long gap = gap(bytes);
        Optional<ContentKind.Walk> check = check(kind, bytes);
        List<String> reasons = new ArrayList<>(bytes.faults());
        Prognosis prognosis;
        int score;
        boolean overwritten = reasons.stream().anyMatch(r -> r.startsWith(DeletedFiles.ALL_OVERWRITTEN));
        boolean failed = check.isPresent() && !check.get().whole() && (origin != Origin.LIVE || !Kinds.isText(kind));
        if (overwritten) {
            prognosis = Prognosis.OVERWRITTEN;
            score = 2;
        } else if (gap > 0) {
            prognosis = Prognosis.GAPPED;
            score = (int) (85 * (bytes.size() - gap) / Math.max(1, bytes.size()));
            reasons.add(0, gap + " of " + bytes.size() + " bytes were never read or lie beyond the medium's end.");
        } else if (failed || !bytes.faults().isEmpty()) {
            prognosis = Prognosis.DOUBTFUL;
            score = failed ? 20 : 40;
        } else {
            prognosis = Prognosis.WHOLE;
            score = origin == Origin.LIVE ? 99 : check.isPresent() ? 97 : 80;
            reasons.add(origin == Origin.LIVE ? "Its chain is complete and no other file claims it."
                    : "Nothing else claims any of its " + clustersFor(bytes.size()) + " clusters.");
        }
        if (!overwritten) {
            check.ifPresent(walk -> reasons.add(walk.whole() ? walk.words()
                    : "As " + kind + " it fails its check: " + walk.words() + "."));
        }
        if (!file.nameWhole()) {
            reasons.add("The first letter of its name is lost; it is shown as _.");
        }
        List<Range> onMedium = bytes.ranges().stream().map(r -> r.intersection(new Range(0, source.size())))
                .filter(r -> !r.isEmpty()).toList();
        return new Finding(0, volumeIndex, file.path(), file.name(), bytes.size(), kind, origin, prognosis, score,
                reasons, onMedium, file.entry().created(), file.entry().modified(), file.entry().accessed(),
                null, null, null, null);
    }
}
