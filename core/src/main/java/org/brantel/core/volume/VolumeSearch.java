package org.brantel.core.volume;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FileSystems;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.filesystem.Sweep;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.filesystem.exfat.ExfatReader;
import org.brantel.core.filesystem.exfat.LostEntries;
import org.brantel.core.filesystem.fat.FatReader;
import org.brantel.core.filesystem.fat.LostFolders;
import org.brantel.core.filesystem.ntfs.EarlierNtfs;
import org.brantel.core.filesystem.ntfs.NtfsReader;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.Source;

/**
 * Finds the volumes that a medium does not list: first where partitions usually begin, then by every sector of what no
 * volume holds and of what the volumes have free. A head found somewhere counts when what it points to stands there.
 */
public final class VolumeSearch {

    private static final long USUAL = 1 << 20;
    /** In one gap; each costs a few seeks, and the sweep comes by all other places anyway. */
    private static final int MOST_PROBES = 1 << 16;
    /** How far into a volume its head may stand. */
    private static final int[] HEADS = {0, 1024, 32 << 10, 64 << 10};

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
                    found.add(add(volume.get(), known.size() + found.size(), Volume.LOST, "its head at byte " + at));
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
        Signs signs = Sweep.over(source, ranges.ranges(), progress, stop);
        List<Volumes.Found> found = new ArrayList<>();
        RangeSet covered = new RangeSet();
        for (long place : signs.of(Signs.Sign.HEAD)) {
            if (!covered.overlaps(new Range(place, 1)) && !stop.getAsBoolean()) {
                byHead(place, known, found, covered);
            }
        }
        for (long place : signs.of(Signs.Sign.EXT_SUPERBLOCK)) {
            if (!covered.overlaps(new Range(place, 1)) && !stop.getAsBoolean()) {
                take(
                        FileSystems.openBySuperblock(source, place),
                        "a superblock at byte " + place,
                        known,
                        found,
                        covered);
            }
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
            FileSystem volume = FileSystems.open(source, new Range(at, source.size() - at));
            return volume.stands() ? Optional.of(volume) : Optional.empty();
        } catch (NotThisFormat | ByteView.Unread e) {
            return Optional.empty();
        }
    }

    private void byHead(long place, List<Volumes.Found> known, List<Volumes.Found> found, RangeSet covered)
            throws IOException {
        for (int head : HEADS) {
            if (take(standing(place - head), "its head at byte " + place, known, found, covered)) {
                return;
            }
        }
        take(
                FileSystems.openByCopy(source, place),
                "the copy of its boot sector at byte " + place,
                known,
                found,
                covered);
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
        found.add(add(volume, known.size() + found.size(), over ? Volume.EARLIER : Volume.LOST, foundBy));
        covered.add(place);
        return true;
    }

    private static Volumes.Found add(FileSystem reader, int index, String state, String foundBy) {
        return new Volumes.Found(Volume.of(index, reader.facts(), state, foundBy), reader);
    }

    /** Records of before a format, in the free space of the volume that was made then. */
    private void earlier(Signs signs, List<Volumes.Found> known, Map<Integer, Walked> walked, List<Volumes.Found> found)
            throws IOException {
        for (Volumes.Found k : known) {
            Walked left = walked.get(k.volume().index());
            if (left == null) {
                continue;
            }
            Range place = k.volume().range();
            if (k.reader() instanceof NtfsReader ntfs) {
                EarlierNtfs.in(source, ntfs, left.free(), within(signs.of(Signs.Sign.NTFS_RECORD), place))
                        .ifPresent(e -> found.add(add(
                                e,
                                known.size() + found.size(),
                                Volume.EARLIER,
                                "records of its file table in free space")));
            } else if (k.reader() instanceof FatReader fat) {
                for (LostFolders lost : LostFolders.in(
                        source,
                        fat,
                        left.free(),
                        left.folders(),
                        within(signs.of(Signs.Sign.FAT_FOLDER), place),
                        within(signs.of(Signs.Sign.FAT_ENTRIES), place))) {
                    found.add(
                            lost.belongToTheVolume()
                                    ? new Volumes.Found(k.volume(), lost)
                                    : add(
                                            lost,
                                            known.size() + found.size(),
                                            Volume.EARLIER,
                                            "folders of it in free space"));
                }
            } else if (k.reader() instanceof ExfatReader exfat) {
                LostEntries.in(
                                source,
                                exfat,
                                left.free(),
                                left.folders(),
                                within(signs.of(Signs.Sign.EXFAT_ENTRIES), place))
                        .ifPresent(e -> found.add(
                                add(e, known.size() + found.size(), Volume.EARLIER, "folders of it in free space")));
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
        long[] records = within(signs.of(Signs.Sign.NTFS_RECORD), open);
        for (NtfsReader rebuilt : NtfsReader.rebuilt(source, records)) {
            take(Optional.of(rebuilt), "the first record of its file table", known, found, covered);
        }
        long[] folders = within(signs.of(Signs.Sign.FAT_FOLDER), open);
        long[] entries = within(signs.of(Signs.Sign.FAT_ENTRIES), open);
        Optional<FatReader> fat = FatReader.rebuilt(source, gaps, folders);
        if (fat.isPresent()) {
            take(Optional.of(fat.get()), "its allocation tables and folders", known, found, covered);
        } else {
            LostFolders.alone(source, gaps, folders, entries)
                    .ifPresent(l -> found.add(add(l, known.size() + found.size(), Volume.LOST, "folders of it")));
        }
    }

    private static long[] within(long[] places, Range range) {
        return Arrays.stream(places)
                .filter(p -> p >= range.offset() && p < range.end())
                .toArray();
    }

    private static long[] within(long[] places, RangeSet ranges) {
        return Arrays.stream(places)
                .filter(p -> ranges.overlaps(new Range(p, 1)))
                .toArray();
    }
}
