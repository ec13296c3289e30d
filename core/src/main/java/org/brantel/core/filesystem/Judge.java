package org.brantel.core.filesystem;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Verdict;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** Judges how intact the files of a volume are: by the use of every cluster, the map, and the check of their kind. */
public final class Judge {

    private static final int CHUNK = 64 << 10;
    private static final int FIRST_LOOK = 4096;
    /** The score of a file that fails the check of its kind. */
    private static final int FAILED = 20;
    /** A file whose holes are larger than this many media is not believed. */
    private static final long MOST_MEDIA = 16;

    private final Source source;
    private final Space space;
    private final Walk walk;
    private final ClusterSet claimed;
    private final ClusterSet contested;
    private final @Nullable Owners owners;

    /** @param dated keep since when live files hold their clusters; only where erased chains are guessed */
    public Judge(Source source, Space space, Walk walk, boolean dated) {
        this.source = source;
        this.space = space;
        this.walk = walk;
        claimed = space.emptySet();
        contested = space.emptySet();
        owners = dated ? new Owners() : null;
    }

    Space space() {
        return space;
    }

    Optional<Owners> owners() {
        return Optional.ofNullable(owners);
    }

    Walk walk() {
        return walk;
    }

    /** Notes which clusters a live file uses, so that cross-linked files are seen and overwriting can be dated. */
    public void claim(FileRecord file) {
        if (file.placement() instanceof Placement.Known known) {
            claim(known.extents(), file.written());
        }
    }

    /** @param since when the extents' owner was last written; null when that is not kept */
    public void claim(List<Extent> extents, @Nullable Instant since) {
        for (Extent e : extents) {
            if (e.isHole()) {
                continue;
            }
            Space.Run run = space.run(e);
            if (claimed.countIn(run.from(), run.length()) > 0) {
                for (long i = 0; i < run.length(); i++) {
                    if (claimed.holds(run.from() + i)) {
                        contested.add(run.from() + i, 1);
                    }
                }
            }
            claimed.add(run.from(), run.length());
            if (owners != null) {
                owners.add(e, since);
            }
        }
    }

    /** A file that the file system lists; tells the sink. */
    public void live(FileRecord file) throws IOException {
        List<Extent> extents = file.placement().extents();
        List<Fault> faults = new ArrayList<>(file.faults());
        if (file.placement() instanceof Placement.Known) {
            long shared = 0;
            for (Extent e : extents) {
                Space.Run run = e.isHole() ? new Space.Run(0, 0) : space.run(e);
                shared += contested.countIn(run.from(), run.length());
            }
            if (shared > 0) {
                faults.add(new Fault.Shared(shared, space.clustersFor(file.size())));
            }
        }
        boolean over = !walk.taken().isEmpty();
        if (over) {
            overwritten(file.placement(), faults);
        }
        Optional<ContentKind.Walk> check = walk.checkLive() || over ? check(file, extents) : Optional.empty();
        walk.sink().found(finding(file, over ? Origin.EARLIER : Origin.LIVE, extents, faults, check));
    }

    /** What a volume that was made over this one has written into a file's place. */
    void overwritten(Placement placement, List<Fault> faults) {
        long stored = 0;
        long lost = 0;
        for (Extent e : placement.extents()) {
            if (!e.isHole()) {
                stored += e.length();
                lost += walk.taken().within(e.range()).stream()
                        .mapToLong(Range::length)
                        .sum();
            }
        }
        if (lost > 0) {
            faults.add(new Fault.MadeOver(lost, stored));
        }
    }

    /** Whether a live record claims any cluster of some runs. */
    boolean isClaimed(List<Space.Run> runs) {
        return runs.stream().anyMatch(r -> claimed.countIn(r.from(), r.length()) > 0);
    }

    /**
     * Files that are no longer listed; tells the sink of each. In use is what the file system says, and what live
     * records claim.
     */
    public void gone(List<FileRecord> files, Origin origin) throws IOException {
        space.useAll(claimed);
        new GoneFiles(this, origin).judge(files);
    }

    /** The kind's own verdict; empty without a check, or where bytes are missing. */
    Optional<ContentKind.Walk> check(FileRecord file, List<Extent> extents) throws IOException {
        FileContent content = new FileContent(source, extents, file.size(), file.packing());
        if (file.size() == 0 || missing(content) > 0) {
            return Optional.empty();
        }
        try {
            return Kinds.check(Kinds.ofName(file.name()), ByteView.of(content, new Range(0, content.size())));
        } catch (ByteView.Unread e) {
            return Optional.empty();
        }
    }

    /** Whether everything that is stored is zeros; false as soon as a byte is missing. Holes are no loss. */
    boolean isZero(FileRecord file, List<Extent> extents) throws IOException {
        FileContent content = new FileContent(source, extents, file.size(), file.packing());
        boolean stored = extents.stream().anyMatch(e -> !e.isHole());
        if (file.size() == 0 || !stored || file.packing() != null || missing(content) > 0) {
            return false;
        }
        long at = 0;
        for (Extent e : extents) {
            if (!e.isHole() && !isZero(content, at, e.length())) {
                return false;
            }
            at += e.length();
        }
        return true;
    }

    private static boolean isZero(FileContent content, long from, long length) throws IOException {
        byte[] chunk = new byte[(int) Math.min(CHUNK, length)];
        int step = Math.min(chunk.length, FIRST_LOOK);
        for (long at = from; at < from + length; step = chunk.length) {
            int n = (int) Math.min(step, from + length - at);
            if (!content.read(at, chunk, 0, n).isClean()) {
                return false;
            }
            for (int i = 0; i < n; i++) {
                if (chunk[i] != 0) {
                    return false;
                }
            }
            at += n;
        }
        return true;
    }

    /**
     * Packed content proves itself by unpacking.
     *
     * @return null when it does
     */
    @Nullable
    Fault packingFault(FileRecord file, List<Extent> extents) throws IOException {
        if (file.packing() == null) {
            return null;
        }
        FileContent content = new FileContent(source, extents, file.size(), file.packing());
        byte[] chunk = new byte[file.packing().unitBytes()];
        long bad = 0;
        long units = 0;
        for (long at = 0; at < content.size(); at += chunk.length, units++) {
            int n = (int) Math.min(chunk.length, content.size() - at);
            bad += content.knownUnread(new Range(at, n)).isEmpty()
                            && !content.read(at, chunk, 0, n).isClean()
                    ? 1
                    : 0;
        }
        return bad == 0 ? null : new Fault.Packed(bad, units);
    }

    private static long missing(FileContent content) {
        long missing = 0;
        for (Range r : content.knownUnread(new Range(0, content.size()))) {
            missing += r.length();
        }
        return missing;
    }

    /** The finding with prognosis, score and reasons. */
    Finding finding(
            FileRecord file,
            Origin origin,
            List<Extent> extents,
            List<Fault> faults,
            Optional<ContentKind.Walk> check) {
        if (Extents.length(extents) / MOST_MEDIA > source.size()
                && extents.stream().anyMatch(Extent::isHole)) {
            List<Fault> more = new ArrayList<>(faults);
            more.add(new Fault.GreatHole(file.size(), source.size()));
            return finding(
                    file, origin, extents.stream().filter(e -> !e.isHole()).toList(), more, Optional.empty());
        }
        String kind = Kinds.ofName(file.name());
        Verdict verdict = verdict(file, origin, extents, faults, check);
        return new Finding(
                0,
                walk.volume(),
                origin,
                file.named(),
                file.times(),
                verdict,
                new Content(
                        file.size(),
                        kind,
                        placed(extents),
                        file.packing(),
                        null,
                        check.map(c -> c.about().facts()).orElse(Map.of())),
                Evidence.of(file.facts()));
    }

    private Verdict verdict(
            FileRecord file,
            Origin origin,
            List<Extent> extents,
            List<Fault> faults,
            Optional<ContentKind.Walk> check) {
        String kind = Kinds.ofName(file.name());
        long gap = missing(new FileContent(source, extents, file.size(), file.packing()));
        boolean overwritten = faults.stream().anyMatch(Fault::overwrites);
        boolean failed = check.isPresent() && !check.get().whole() && (origin != Origin.LIVE || !Kinds.isText(kind));
        int trust = faults.stream().mapToInt(Fault::trust).min().orElse(Fault.DOUBTED);
        List<String> reasons = new ArrayList<>();
        faults.forEach(f -> reasons.add(f.words()));
        Prognosis prognosis;
        int score;
        if (overwritten) {
            prognosis = Prognosis.OVERWRITTEN;
            score = trust;
        } else if (gap > 0) {
            prognosis = Prognosis.GAPPED;
            int there = (int) (85 * (file.size() - gap) / Math.max(1, file.size()));
            score = trust < Fault.DOUBTED ? Math.min(there, trust) : there;
            reasons.add(0, gap + " of " + file.size() + " bytes were never read or lie beyond the medium's end.");
        } else if (failed || !faults.isEmpty()) {
            prognosis = Prognosis.DOUBTFUL;
            score = failed ? Math.min(FAILED, trust) : trust;
        } else {
            prognosis = Prognosis.WHOLE;
            boolean proof = check.filter(ContentKind.Walk::isProof).isPresent();
            // Of 100 such on media whose files are known so many were right (docs/benchmarks.md).
            score = origin == Origin.LIVE || proof || file.packing() != null ? 99 : 97;
            reasons.add(wholeBecause(file, origin));
        }
        if (!overwritten) {
            check.ifPresent(
                    c -> reasons.add(c.whole() ? c.words() : "As " + kind + " it fails its check: " + c.words() + "."));
        }
        if (!file.nameWhole()) {
            reasons.add("The first letter of its name is lost; it is shown as _.");
        }
        Double proven = prognosis == Prognosis.OVERWRITTEN
                ? null
                : check.filter(ContentKind.Walk::whole)
                        .map(ContentKind.Walk::proven)
                        .orElse(null);
        return new Verdict(prognosis, score, reasons, proven);
    }

    private String wholeBecause(FileRecord file, Origin origin) {
        if (origin == Origin.LIVE) {
            return "Its record is complete and no other file claims its clusters.";
        }
        if (file.placement() instanceof Placement.InRecord) {
            return "Its content stands in its own record.";
        }
        return "Nothing else claims any of its " + space.clustersFor(file.size()) + " clusters.";
    }

    /** What lies beyond the medium's end leads nowhere, unless something on the medium comes after it. */
    private List<Extent> placed(List<Extent> extents) {
        int last = extents.size();
        while (last > 0
                && !extents.get(last - 1).isHole()
                && extents.get(last - 1).offset() >= source.size()) {
            last--;
        }
        if (last == 0) {
            return List.of();
        }
        Extent end = extents.get(last - 1);
        if (last == extents.size() && (end.isHole() || end.range().end() <= source.size())) {
            return extents;
        }
        Extents placed = new Extents();
        for (int i = 0; i < last; i++) {
            Extent e = extents.get(i);
            boolean tail = i == last - 1 && !e.isHole();
            placed.add(e.offset(), tail ? Math.min(e.length(), source.size() - e.offset()) : e.length());
        }
        return placed.list();
    }
}
