package org.brantel.core.volume;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.families.Families;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.filesystem.Sweep;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/**
 * Finds the volumes that a medium does not list: first where partitions usually begin, then by every sector of what no
 * volume holds and of what the volumes have free. A head found somewhere counts when what it points to stands there.
 */
public final class VolumeSearch {

    private static final long USUAL = 1 << 20;
    /** In one gap; each costs a few seeks, and the sweep comes by all other places anyway. */
    private static final int MOST_PROBES = 1 << 16;

    private static final long TRACK = 63L * 512;

    private final Source source;

    public VolumeSearch(Source source) {
        this.source = source;
    }

    /** All volumes, without their files: those that the medium lists, lost and earlier ones. */
    public static List<Volumes.Found> all(Source source, boolean everywhere, List<String> problems) throws IOException {
        VolumeSearch search = new VolumeSearch(source);
        List<Volumes.Found> found = new ArrayList<>(Volumes.listed(source, problems));
        found.addAll(search.atUsualPlaces(found));
        if (everywhere) {
            Map<Integer, Walked> free = new LinkedHashMap<>();
            for (Volumes.Found f : found) {
                if (f.volume().readable()) {
                    free.put(f.volume().index(), Walked.of(f.reader().free()));
                }
            }
            found.addAll(search.everywhere(List.copyOf(found), free, done -> {}, () -> false));
        }
        return found;
    }

    /** Volumes at usual places that no other volume holds; only their heads are read. */
    public List<Volumes.Found> atUsualPlaces(List<Volumes.Found> known) throws IOException {
        List<Volumes.Found> found = new ArrayList<>();
        for (Range gap : uncovered(known)) {
            long at = gap.offset();
            for (int probes = 0; at < gap.end() && probes < MOST_PROBES; probes++) {
                Optional<FileSystem> volume = wouldWait(at) ? Optional.empty() : standing(at);
                if (volume.isPresent()) {
                    found.add(add(
                            volume.get(), known.size() + found.size(), Volume.State.LOST, "its head at byte " + at));
                    at = Math.max(at + 512, volume.get().facts().place().end());
                } else {
                    at = at < TRACK && TRACK < gap.end() ? TRACK : (at / USUAL + 1) * USUAL;
                }
            }
        }
        return found;
    }

    /** Guesses are not worth holding up a device that is being read. */
    private boolean wouldWait(long at) {
        return source.isFilling()
                && !source.knownUnread(new Range(at, Math.min(512, source.size() - at)))
                        .isEmpty();
    }

    /**
     * Volumes by every sector of what is free.
     *
     * @param walked what the walk over each known volume left, by its index
     */
    public List<Volumes.Found> everywhere(
            List<Volumes.Found> known, Map<Integer, Walked> walked, LongConsumer progress, BooleanSupplier stop)
            throws IOException {
        RangeSet ranges = toSweep(known, walked);
        Signs signs = new Sweep(Families.ALL).over(source, ranges.ranges(), progress, stop);
        List<Volumes.Found> found = new ArrayList<>();
        RangeSet covered = new RangeSet();
        for (long place : signs.of(Signs.HEAD)) {
            if (!covered.overlaps(new Range(place, 1)) && !stop.getAsBoolean()) {
                byHead(place, known, found, covered);
            }
        }
        for (Family family : Families.ALL) {
            byCopies(family, signs, known, found, covered, stop);
        }
        if (!stop.getAsBoolean()) {
            earlier(signs, known, walked, found);
            headless(signs, known, found, covered);
        }
        return found;
    }

    /** How many bytes {@link #everywhere} would read. */
    public long bytesToSweep(List<Volumes.Found> known, Map<Integer, Walked> walked) {
        return toSweep(known, walked).total();
    }

    private RangeSet toSweep(List<Volumes.Found> known, Map<Integer, Walked> walked) {
        RangeSet ranges = RangeSet.of(uncovered(known));
        walked.values().forEach(w -> w.free().forEach(ranges::add));
        return ranges;
    }

    private List<Range> uncovered(List<Volumes.Found> known) {
        RangeSet gaps = RangeSet.of(List.of(new Range(0, source.size())));
        known.forEach(k -> gaps.remove(k.volume().range()));
        return gaps.ranges();
    }

    private Optional<FileSystem> standing(long at) throws IOException {
        if (at < 0 || at >= source.size()) {
            return Optional.empty();
        }
        try {
            FileSystem volume = Families.open(source, new Range(at, source.size() - at));
            return volume.stands() ? Optional.of(volume) : Optional.empty();
        } catch (ParseFailure | ByteView.Unread e) {
            return Optional.empty();
        }
    }

    private void byHead(long place, List<Volumes.Found> known, List<Volumes.Found> found, RangeSet covered)
            throws IOException {
        for (int head : Families.headsAt()) {
            if (take(standing(place - head), "its head at byte " + place, known, found, covered)) {
                return;
            }
        }
        take(Families.openByCopy(source, place), "the copy of its boot sector at byte " + place, known, found, covered);
    }

    /** Copies that have a sign of their own, like superblocks. */
    private void byCopies(
            Family family,
            Signs signs,
            List<Volumes.Found> known,
            List<Volumes.Found> found,
            RangeSet covered,
            BooleanSupplier stop)
            throws IOException {
        if (family.copySign().isEmpty()) {
            return;
        }
        Signs.Sign sign = family.copySign().get();
        for (long place : signs.of(sign)) {
            if (!covered.overlaps(new Range(place, 1)) && !stop.getAsBoolean()) {
                take(family.openByCopy(source, place), sign + " at byte " + place, known, found, covered);
            }
        }
    }

    private boolean take(
            Optional<FileSystem> candidate,
            String foundBy,
            List<Volumes.Found> known,
            List<Volumes.Found> found,
            RangeSet covered)
            throws IOException {
        if (candidate.isEmpty() || !candidate.get().stands()) {
            return false;
        }
        FileSystem volume = candidate.get();
        Range place = volume.facts().place();
        boolean again = known.stream()
                .anyMatch(k -> k.volume().startByte() == place.offset()
                        && k.volume().fs().equals(volume.facts().fs())
                        && k.volume().lengthBytes() == place.length());
        if (again) {
            return false;
        }
        boolean over = known.stream().anyMatch(k -> k.volume().range().overlaps(place));
        found.add(add(volume, known.size() + found.size(), over ? Volume.State.EARLIER : Volume.State.LOST, foundBy));
        covered.add(place);
        return true;
    }

    private static Volumes.Found add(FileSystem reader, int index, Volume.State state, String foundBy) {
        return new Volumes.Found(Volume.of(index, reader.facts(), state, foundBy), reader);
    }

    /** What was there before a format, in the free space of the volume that was made then. */
    private void earlier(Signs signs, List<Volumes.Found> known, Map<Integer, Walked> walked, List<Volumes.Found> found)
            throws IOException {
        for (Volumes.Found k : known) {
            Walked left = walked.get(k.volume().index());
            Optional<Family> family = Families.named(k.volume().fs());
            if (left == null || family.isEmpty()) {
                continue;
            }
            Range place = k.volume().range();
            Signs within = signs.at(p -> p >= place.offset() && p < place.end());
            for (Family.Remains r : family.get().earlier(source, k.reader(), left, within)) {
                found.add(
                        r.isOfTheVolume()
                                ? new Volumes.Found(k.volume(), r.reader())
                                : add(r.reader(), known.size() + found.size(), Volume.State.EARLIER, r.foundBy()));
            }
        }
    }

    /** Volumes of which neither the head nor a copy of it is left. */
    private void headless(Signs signs, List<Volumes.Found> known, List<Volumes.Found> found, RangeSet covered)
            throws IOException {
        List<Volumes.Found> all = new ArrayList<>(known);
        all.addAll(found);
        List<Range> gaps = uncovered(all);
        RangeSet open = RangeSet.of(gaps);
        Signs there = signs.at(p -> open.overlaps(new Range(p, 1)));
        for (Family family : Families.ALL) {
            for (Family.Remains r : family.headless(source, gaps, there)) {
                take(Optional.of(r.reader()), r.foundBy(), known, found, covered);
            }
        }
    }
}
