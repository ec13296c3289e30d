package org.brantel.core.imaging;

import java.io.IOException;
import java.io.InterruptedIOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.Bookmark;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.image.WantedFirst;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.device.DestinationGuard;
import org.jspecify.annotations.Nullable;

/**
 * Reads a source into an image beside its map. Bytes are on the disk before the map says so: killed at any moment, it
 * goes on from the map with nothing read lost and nothing unread called read. Reading, writing and the two hashes run
 * side by side.
 */
public final class Imager {

    private static final long NAP_MILLIS = 100;
    private static final long LOOK_FOR_WISHES_NANOS = 100_000_000L;
    /** What the journal calls a request that was made ahead of the pass. */
    private static final String AHEAD = "ahead";

    private final Source source;
    private final Path image;
    private final Path mapFile;
    private final CareProfile profile;
    private final ImagingListener listener;
    private final Expected expected;

    /** Of whatever medium is there. */
    public Imager(Source source, Path image, Path mapFile, CareProfile profile, ImagingListener listener)
            throws IOException {
        this(source, Expected.of(source), image, mapFile, profile, listener);
    }

    /** @param expected the medium that is meant; nothing is read of another */
    public Imager(
            Source source, Expected expected, Path image, Path mapFile, CareProfile profile, ImagingListener listener) {
        this.source = source;
        this.expected = expected;
        this.image = image;
        this.mapFile = mapFile;
        this.profile = profile;
        this.listener = listener;
    }

    /**
     * Works until done, told to stop, or a stop limit is reached.
     *
     * @throws SourceException.Gone    when the device vanished; what was read is saved
     * @throws SourceException.Another when it is not the medium that is meant; nothing was read
     * @throws ImageInUse           when another session writes the same image
     * @throws DeviceInUse          when another session reads the device
     * @throws DestinationFull      when the image has no room; what was read is saved
     */
    public ImagingResult run(Orders orders) throws IOException {
        return run(orders, null);
    }

    /**
     * Asks the device only for what somebody reads, in its order, and keeps all of it in the image. Such an image is
     * not hashed as a whole: most of it may be holes, and whoever reads files hashes each.
     *
     * @throws Unsound when something did not read, or as {@code reading} says
     */
    public ImagingResult keep(Reading reading, Orders orders) throws IOException {
        return run(orders, reading);
    }

    /** Reads a medium through a session. */
    @FunctionalInterface
    public interface Reading {

        /** @throws Unsound when what it reads does not allow to go on so */
        void read(OnDemand medium) throws IOException;
    }

    private ImagingResult run(Orders orders, @Nullable Reading reading) throws IOException {
        long start = System.nanoTime();
        expected.confirm(source);
        DestinationGuard.check(source, image);
        DestinationGuard.check(source, mapFile);
        ReadMap map = new ReadMap(source.size());
        Session session;
        ImageHashes hashes = null;
        try (ImageFile out = ImageFile.open(image, Files.exists(mapFile));
                DeviceLock lock = DeviceLock.take(source)) {
            Opened opened = openJournal(map);
            try (MapJournal journal = opened.journal();
                    SettledHashes settled = new SettledHashes(out, source.size(), ImageHashes.CHUNK)) {
                map.ranges(BlockState.READ).forEach(settled::settled);
                if (reading == null) {
                    out.checkRoom(source.size() - map.bytes(BlockState.READ));
                    settled.start();
                }
                session = new Session(map, opened.rounds(), orders);
                try (ImageWriter writer = new ImageWriter(out, journal, settled, CareProfile.mostBlockBytes())) {
                    if (reading == null) {
                        session.work(writer);
                    } else {
                        session.serve(reading, out, writer);
                    }
                }
                if (session.finished) {
                    WantedFirst.beside(image).remove();
                    // An image always has the medium's size, also where its end did not read.
                    out.extendTo(source.size());
                    hashes = reading == null
                            ? settled.finish(listener::hashing, orders::stop).orElse(null)
                            : null;
                }
                journal.compact(map, session.planner.rounds());
            }
        }
        if (hashes != null) {
            hashes.write(ImageHashes.beside(image));
        }
        return new ImagingResult(
                source.size(),
                map.bytes(BlockState.READ),
                source.size() - map.bytes(BlockState.READ),
                session.passes,
                (System.nanoTime() - start) / 1e9,
                hashes == null ? null : hashes.sha256(),
                hashes != null || reading != null && session.finished,
                session.reached);
    }

    /** Whether a session is writing an image just now, in this process or another of this machine. */
    public static boolean isWriting(Path image) throws IOException {
        return Files.exists(image) && ImageFile.isWritten(image);
    }

    /**
     * Ends an image with what it has, without its device: what was never read stays zeros, and all of it is hashed.
     *
     * @throws SourceException when there is no such image with its map
     */
    public static ImagingResult conclude(Path image, Path mapFile, ImagingListener listener, Orders orders)
            throws IOException {
        return conclude(image, mapFile, true, listener, orders);
    }

    /** The same of an image that somebody read files into, which is not hashed as a whole. */
    public static ImagingResult concludeKept(Path image, Path mapFile) throws IOException {
        return conclude(image, mapFile, false, new ImagingListener() {}, () -> false);
    }

    private static ImagingResult conclude(
            Path image, Path mapFile, boolean hash, ImagingListener listener, Orders orders) throws IOException {
        long start = System.nanoTime();
        if (!Files.exists(image) || !Files.exists(mapFile)) {
            throw new SourceException("Nothing was read into " + image + " yet, so there is nothing to end with.");
        }
        ReadMap map = MapJournal.load(mapFile).map();
        try (ImageFile out = ImageFile.open(image, true)) {
            out.extendTo(map.size());
            ImageHashes hashes = hash ? ImageHashes.of(image, map.size(), listener::hashing, orders::stop) : null;
            if (hashes != null) {
                hashes.write(ImageHashes.beside(image));
            }
            return new ImagingResult(
                    map.size(),
                    map.bytes(BlockState.READ),
                    map.size() - map.bytes(BlockState.READ),
                    List.of(),
                    (System.nanoTime() - start) / 1e9,
                    hashes == null ? null : hashes.sha256(),
                    hashes != null || !hash,
                    null);
        }
    }

    private record Opened(MapJournal journal, Bookmark rounds) {}

    private Opened openJournal(ReadMap map) throws IOException {
        if (!Files.exists(mapFile)) {
            return new Opened(MapJournal.create(mapFile, source), Bookmark.NONE);
        }
        MapJournal.Loaded loaded = MapJournal.load(mapFile);
        new Expected(loaded.header().identity(), "").confirm(source);
        long there = Files.size(image);
        Bookmark bookmark = loaded.rounds()
                .sweptTo(Math.min(loaded.rounds().swept(), there / source.requestUnit() * source.requestUnit()));
        for (ReadMap.Run run : loaded.map().runs()) {
            // An image shorter than its map was cut; what is gone must be read again.
            if (run.state() != BlockState.READ || run.range().end() <= there) {
                map.set(run.range(), run.state());
            }
        }
        return new Opened(MapJournal.resume(mapFile, loaded.header()), bookmark);
    }

    /** The part of a run that asks the device. */
    private final class Session {
        private final ReadMap map;
        private final Orders orders;
        private final Planner planner;
        private final LimitWatch watch = new LimitWatch();
        private final List<String> passes = new ArrayList<>();
        private CareProfile care = profile;
        private final WantedFirst wanted = WantedFirst.beside(image);
        private long readingDue = System.nanoTime();
        private long wishesDue = System.nanoTime();
        private boolean tooWarm;
        private boolean finished;
        private @Nullable LimitReached reached;

        Session(ReadMap map, Bookmark rounds, Orders orders) {
            this.map = map;
            this.orders = orders;
            planner = new Planner(map, profile, source.requestUnit(), rounds);
        }

        void work(ImageWriter writer) throws IOException {
            source.timeout(care.patience().timeoutSeconds());
            while (!orders.stop()) {
                changeProfile();
                readHealth(false);
                if (!orders.enough() && isResting()) {
                    continue;
                }
                if (isPastALimit()) {
                    return;
                }
                hearWishes(writer);
                Optional<Planner.Step> step = orders.enough() ? Optional.empty() : planner.next();
                if (step.isEmpty()) {
                    finished = true;
                    readHealth(true);
                    return;
                }
                orders.pace(step.get().range().length());
                take(step.get(), writer);
            }
        }

        private boolean isPastALimit() throws IOException {
            Optional<LimitReached> end = watch.ends(limits());
            if (end.isPresent()) {
                reached = end.get();
                readHealth(true);
            }
            return end.isPresent();
        }

        /** Lets somebody read, and asks the device for what the image does not hold yet. */
        void serve(Reading reading, ImageFile out, ImageWriter writer) throws IOException {
            source.timeout(care.patience().timeoutSeconds());
            OnDemand medium = new OnDemand(source, map, out, writer, range -> ask(range, writer));
            IOException end = null;
            try {
                reading.read(medium);
            } catch (IOException e) {
                end = e;
            } catch (UncheckedIOException e) {
                end = e.getCause();
            }
            // A reader may take a failed read for a fault of what it reads; what ended it first is what counts.
            end = medium.ended().orElse(end);
            if (end instanceof OnDemand.Ended) {
                finished = orders.enough();
            } else if (end != null) {
                throw end;
            } else {
                finished = true;
                readHealth(true);
            }
        }

        private boolean ask(Range range, ImageWriter writer) throws IOException {
            do {
                changeProfile();
                readHealth(false);
                if (orders.stop() || orders.enough() || isPastALimit()) {
                    throw new OnDemand.Ended();
                }
            } while (isResting());
            orders.pace(range.length());
            return take(new Planner.Step(Pass.FILES, range), writer);
        }

        private void hearWishes(ImageWriter writer) throws IOException {
            if (System.nanoTime() < wishesDue) {
                return;
            }
            wishesDue = System.nanoTime() + LOOK_FOR_WISHES_NANOS;
            List<Range> wishes = wanted.news(source.size());
            wishes.forEach(planner::first);
            writer.waitedFor(planner.isAhead() || !wishes.isEmpty());
        }

        private StopLimits limits() {
            return orders.limits().orElse(care.limits());
        }

        private void changeProfile() throws IOException {
            CareProfile wanted = orders.profile().orElse(care);
            if (!wanted.equals(care)) {
                care = wanted;
                planner.profile(wanted);
                source.timeout(wanted.patience().timeoutSeconds());
            }
        }

        private void readHealth(boolean now) throws IOException {
            if (!now && System.nanoTime() < readingDue) {
                return;
            }
            readingDue = System.nanoTime() + orders.healthSeconds() * 1_000_000_000L;
            Optional<HealthReading> reading = source.health();
            if (reading.isPresent()) {
                watch.reading(reading.get());
                listener.health(reading.get());
            }
        }

        /**
         * A while without requests, when one is due.
         *
         * @return whether it was
         */
        private boolean isResting() throws IOException {
            Optional<LimitReached> warm = watch.tooWarm(limits(), tooWarm);
            tooWarm = warm.isPresent();
            Optional<String> why = orders.rest();
            if (warm.isEmpty() && why.isEmpty()) {
                listener.resting(null, null);
                return false;
            }
            listener.resting(why.orElse(null), warm.orElse(null));
            if (warm.isPresent()) {
                // Cooling is watched closely, whatever the usual interval.
                readingDue = Math.min(readingDue, System.nanoTime() + 1_000_000_000L);
            }
            nap();
            return true;
        }

        /** Whether all of it read. */
        private boolean take(Planner.Step step, ImageWriter writer) throws IOException {
            Range range = step.range();
            byte[] buffer = writer.buffer();
            ReadOutcome outcome = source.read(range.offset(), buffer, 0, (int) range.length());
            List<ReadMap.Run> marks = planner.marks(step, outcome);
            for (ReadMap.Run mark : marks) {
                map.set(mark.range(), mark.state());
                if (mark.state() != BlockState.READ) {
                    listener.fault(mark.range(), step.pass());
                }
            }
            int round = step.pass() == Pass.PERSISTENCE ? planner.rounds().round() : 0;
            writer.write(
                    buffer,
                    range,
                    marks,
                    planner.isAhead() ? AHEAD : step.pass().word(),
                    round);
            planner.done(step, outcome);
            watch.request(step.pass(), !outcome.isClean(), outcome.nanos());
            listener.stepped(map, step, outcome.nanos());
            String pass = step.pass().word();
            if (passes.isEmpty() || !passes.get(passes.size() - 1).equals(pass)) {
                passes.add(pass);
            }
            if (!outcome.isClean() && care.patience().restMillis() > 0) {
                nap(care.patience().restMillis());
            }
            return outcome.isClean();
        }

        private void nap() throws IOException {
            nap(NAP_MILLIS);
        }

        private void nap(long millis) throws IOException {
            try {
                Thread.sleep(millis);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new InterruptedIOException("interrupted while the device rested");
            }
        }
    }
}
