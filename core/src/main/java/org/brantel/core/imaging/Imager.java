package org.brantel.core.imaging;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.brantel.core.source.BlockState;
import org.brantel.core.source.DestinationFull;
import org.brantel.core.source.DestinationGuard;
import org.brantel.core.source.MapJournal;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.ReadMap;
import org.brantel.core.source.ReadOutcome;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;

/**
 * Reads a source into an image beside its map. Bytes are on the disk before the map says so: killed at any moment, it
 * goes on from the map with nothing read lost and nothing unread called read.
 */
public final class Imager {

    private static final long SAVE_BYTES = 16L << 20;
    private static final long SAVE_NANOS = 1_000_000_000L;
    /** Room that the map's next lines take at most, for telling a full disk from another failure. */
    private static final long MAP_LINES = 64 << 10;

    private final Source source;
    private final Path image;
    private final Path mapFile;
    private final CareProfile profile;
    private final ImagingListener listener;

    public Imager(Source source, Path image, Path mapFile, CareProfile profile, ImagingListener listener) {
        this.source = source;
        this.image = image;
        this.mapFile = mapFile;
        this.profile = profile;
        this.listener = listener;
    }

    /**
     * Works until done or told to stop.
     *
     * @param stop asked between two requests; when true, the map is saved and the run ends unfinished
     * @throws SourceException.Gone when the device vanished; what was read is saved
     * @throws ImageInUse           when another session writes the same image
     * @throws DestinationFull      when the image has no room; what was read is saved
     */
    public ImagingResult run(BooleanSupplier stop) throws IOException {
        long start = System.nanoTime();
        DestinationGuard.check(source, image);
        DestinationGuard.check(source, mapFile);
        ReadMap map = new ReadMap(source.size());
        List<String> passes = new ArrayList<>();
        boolean finished;
        try (FileChannel out = openImage(); MapJournal journal = openJournal(map)) {
            Session session = new Session(map, out, journal);
            finished = session.work(stop, passes);
            journal.compact(map);
        }
        ImageHashes hashes = null;
        if (finished) {
            hashes = ImageHashes.of(image, source.size(), listener::hashing, stop);
            finished = hashes != null;
        }
        if (hashes != null) {
            hashes.write(ImageHashes.beside(image));
        }
        return new ImagingResult(source.size(), map.bytes(BlockState.READ), source.size() - map.bytes(BlockState.READ),
                passes, (System.nanoTime() - start) / 1e9, hashes == null ? null : hashes.sha256(), finished);
    }

    private FileChannel openImage() throws IOException {
        boolean fresh = !Files.exists(mapFile);
        if (fresh && Files.exists(image) && Files.size(image) > 0) {
            throw new SourceException(image + " exists without a map; choose another name, or remove it to start over.");
        }
        Path folder = image.toAbsolutePath().getParent();
        if (!Files.isDirectory(folder)) {
            throw new SourceException("There is no folder " + folder + " for the image.");
        }
        FileChannel channel = FileChannel.open(image, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        if (!isLocked(channel)) {
            channel.close();
            throw new ImageInUse(image);
        }
        return channel;
    }

    /** The kernel gives the lock back when the channel is closed, or the process dies. */
    private static boolean isLocked(FileChannel channel) throws IOException {
        try {
            return channel.tryLock() != null;
        } catch (OverlappingFileLockException e) {
            return false;
        }
    }

    private MapJournal openJournal(ReadMap map) throws IOException {
        if (!Files.exists(mapFile)) {
            return MapJournal.create(mapFile, source);
        }
        MapJournal.Loaded loaded = MapJournal.load(mapFile);
        if (loaded.header().size() != source.size()) {
            throw new SourceException("The map " + mapFile + " is of a medium of " + loaded.header().size()
                    + " bytes, but " + source.description() + " has " + source.size() + "; this is another device.");
        }
        String was = loaded.header().identity().serial();
        String is = source.identity().serial();
        if (!was.isEmpty() && !is.isEmpty() && !was.equals(is)) {
            throw new SourceException("The map " + mapFile + " is of the device " + was + ", but "
                    + source.description() + " is " + is + "; this is another device.");
        }
        long there = Files.exists(image) ? Files.size(image) : 0;
        for (ReadMap.Run run : loaded.map().runs()) {
            // An image shorter than its map was cut; what is gone must be read again.
            if (run.state() != BlockState.READ || run.range().end() <= there) {
                map.set(run.range(), run.state());
            }
        }
        return MapJournal.resume(mapFile, loaded.header());
    }

    /** The part of a run that has the image and its journal open. */
    private final class Session {
        private final ReadMap map;
        private final FileChannel out;
        private final MapJournal journal;
        private final byte[] buffer = new byte[profile.blockBytes()];
        private long unsavedBytes;
        private long lastSave = System.nanoTime();

        Session(ReadMap map, FileChannel out, MapJournal journal) {
            this.map = map;
            this.out = out;
            this.journal = journal;
        }

        boolean work(BooleanSupplier stop, List<String> passes) throws IOException {
            boolean finished;
            try {
                finished = steps(stop, passes);
            } catch (IOException | RuntimeException e) {
                try {
                    save();
                } catch (IOException unsaved) {
                    e.addSuppressed(unsaved);
                }
                throw e;
            }
            save();
            return finished;
        }

        /** @return whether all was done; false when told to stop */
        private boolean steps(BooleanSupplier stop, List<String> passes) throws IOException {
            Planner planner = new Planner(map, profile, source.sectorSize());
            while (!stop.getAsBoolean()) {
                Optional<Planner.Step> step = planner.next();
                if (step.isEmpty()) {
                    extendToFullSize();
                    return true;
                }
                take(planner, step.get());
                String pass = step.get().pass().word();
                if (passes.isEmpty() || !passes.get(passes.size() - 1).equals(pass)) {
                    passes.add(pass);
                }
            }
            return false;
        }

        private void take(Planner planner, Planner.Step step) throws IOException {
            Range range = step.range();
            ReadOutcome outcome = source.read(range.offset(), buffer, 0, (int) range.length());
            RangeSet good = new RangeSet();
            good.add(range);
            outcome.failed().forEach(good::remove);
            for (Range part : good.ranges()) {
                write(part, range.offset());
                record(part, BlockState.READ, step.pass());
            }
            for (Range bad : outcome.failed()) {
                record(bad, planner.stateOfUnread(step), step.pass());
                listener.fault(bad, step.pass());
            }
            planner.done(step, outcome.isClean());
            listener.stepped(map, step, outcome.nanos());
            unsavedBytes += range.length();
            if (unsavedBytes >= SAVE_BYTES || System.nanoTime() - lastSave > SAVE_NANOS) {
                save();
            }
        }

        private void write(Range part, long bufferStart) throws IOException {
            ByteBuffer bytes = ByteBuffer.wrap(buffer, (int) (part.offset() - bufferStart), (int) part.length());
            long at = part.offset();
            try {
                while (bytes.hasRemaining()) {
                    at += out.write(bytes, at);
                }
            } catch (IOException e) {
                throw asFull(e, part.length());
            }
        }

        private IOException asFull(IOException e, long needed) throws IOException {
            return DestinationFull.caused(e, image.toAbsolutePath().getParent(), needed)
                    ? new DestinationFull("The disk that holds " + image.getFileName()
                    + " is full. What was read is kept; make room and resume.", e) : e;
        }

        private void record(Range range, BlockState state, Pass pass) {
            map.set(range, state);
            journal.note(range, state, pass.word());
        }

        private void save() throws IOException {
            try {
                out.force(false);
                journal.flush();
            } catch (IOException e) {
                throw asFull(e, MAP_LINES);
            }
            unsavedBytes = 0;
            lastSave = System.nanoTime();
            listener.saved(map);
        }

        /** An image always has the medium's size, also where its end did not read. */
        private void extendToFullSize() throws IOException {
            if (out.size() < source.size()) {
                out.write(ByteBuffer.wrap(new byte[1]), source.size() - 1);
            }
        }
    }
}
