package org.brantel.core.copying;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Trash;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.OnDemand;
import org.brantel.core.imaging.Unsound;
import org.brantel.core.source.Source;
import org.brantel.core.volume.PartitionTables;
import org.brantel.core.volume.Volume;
import org.brantel.core.volume.Volumes;

/** Reads all files that the file systems of a medium list, and nothing else of it. */
public final class StraightCopy implements Imager.Reading {

    /**
     * What is copied.
     *
     * @param files   that are listed
     * @param leftOut volumes whose files are not among them, each with the reason in words
     */
    public record Sum(long files, List<String> leftOut) {}

    /** Hears what will be copied, once the records are read and before the first file is. */
    @FunctionalInterface
    public interface Listener {

        /** @param inAll bytes of the medium that will have been read at its end, records and files */
        void reads(Sum sum, long inAll);
    }

    private final Listener listener;

    public StraightCopy(Listener listener) {
        this.listener = listener;
    }

    /** Stops when the session does: then every read of the medium says so. */
    @Override
    public void read(OnDemand medium) throws IOException {
        Listed listed = new Listed(medium, false, files -> {});
        listed.list(() -> false);
        RangeSet sectors = new RangeSet();
        listed.content.ranges().forEach(r -> sectors.add(inSectors(r, medium)));
        long toCome = sectors.ranges().stream().mapToLong(medium::missing).sum();
        medium.checkRoom(toCome);
        listener.reads(new Sum(listed.files, listed.leftOut), medium.readBytes() + toCome);
        for (Range range : sectors.ranges()) {
            medium.fetch(range);
        }
    }

    private static Range inSectors(Range range, Source medium) {
        int unit = medium.requestUnit();
        long from = range.offset() / unit * unit;
        return new Range(from, Math.min(medium.size(), (range.end() + unit - 1) / unit * unit) - from);
    }

    /**
     * Checks what was copied, from the image alone: every record once more, and the content of each file by its kind.
     *
     * @param progress told how many files it has come by
     * @throws Unsound when a file is not as its record and its kind say, naming the first
     */
    public static Sum check(Source image, LongConsumer progress, BooleanSupplier stop) throws IOException {
        Listed listed = new Listed(image, true, progress);
        listed.list(stop);
        if (!stop.getAsBoolean() && listed.bad > 0) {
            throw new Unsound(
                    Unsound.Sign.CONTENT,
                    listed.bad + " of " + listed.files + " files are not as they should be; the first is "
                            + listed.firstBad);
        }
        return new Sum(listed.files, listed.leftOut);
    }

    /** What the volumes of a medium list. */
    private static final class Listed {
        private final List<String> leftOut = new ArrayList<>();
        private final RangeSet content = new RangeSet();
        private final Source medium;
        private final boolean check;
        private final LongConsumer progress;
        private long files;
        private long bad;
        private String firstBad = "";

        /** @param check judge each file; its content must be there */
        Listed(Source medium, boolean check, LongConsumer progress) {
            this.medium = medium;
            this.check = check;
            this.progress = progress;
        }

        void list(BooleanSupplier stop) throws IOException {
            int readable = 0;
            List<Volumes.Found> volumes = Volumes.listed(medium, leftOut);
            if (volumes.stream().noneMatch(v -> v.volume().range().offset() == 0)) {
                checkTable();
            }
            for (Volumes.Found found : volumes) {
                Volume volume = found.volume();
                if (volume.readable()) {
                    readable++;
                    checkHead(found);
                    walk(found, stop);
                } else {
                    leftOut.add("Volume " + volume.index() + " (" + volume.fs() + "): "
                            + String.join(" ", volume.remarks()));
                }
            }
            if (readable == 0) {
                throw new Unsound(
                        Unsound.Sign.NO_FILES,
                        ("It holds no file system whose files could be listed. " + String.join(" ", leftOut)).strip());
            }
        }

        private void checkTable() throws IOException {
            List<String> problems = new ArrayList<>();
            PartitionTables.read(medium, problems);
            if (!problems.isEmpty()) {
                throw new Unsound(Unsound.Sign.RECORDS, "Its partition table is damaged: " + problems.get(0));
            }
        }

        private static void checkHead(Volumes.Found found) throws Unsound {
            Optional<Remark> grave = found.reader().facts().remarks().stream()
                    .filter(Remark::grave)
                    .findFirst();
            if (grave.isPresent()) {
                throw new Unsound(
                        Unsound.Sign.RECORDS,
                        "Volume " + found.volume().index() + " is damaged: "
                                + grave.get().words());
            }
        }

        private void walk(Volumes.Found found, BooleanSupplier stop) throws IOException {
            int index = found.volume().index();
            List<String> problems = new ArrayList<>();
            Trash trash = new Trash(medium, new FindingSink() {
                @Override
                public void found(Finding finding) {
                    take(finding);
                }

                @Override
                public void problem(String what) {
                    problems.add(what);
                }
            });
            found.reader().walk(new Walk(index, check, new RangeSet(), trash, stop));
            trash.finish();
            if (!problems.isEmpty()) {
                throw new Unsound(
                        Unsound.Sign.RECORDS, "The records of volume " + index + " are damaged: " + problems.get(0));
            }
        }

        private void take(Finding finding) {
            if (finding.origin() != Origin.LIVE) {
                return;
            }
            files++;
            progress.accept(files);
            for (Extent e : finding.extents()) {
                if (!e.isHole()) {
                    content.add(e.range().intersection(new Range(0, medium.size())));
                }
            }
            if (check && finding.prognosis() != Prognosis.WHOLE && bad++ == 0) {
                firstBad = finding.path() + ": " + String.join(" ", finding.reasons());
            }
        }
    }
}
