package org.brantel.core.imaging;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.image.ReadMap;
import org.brantel.core.source.ForwardingSource;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/**
 * A medium of which nothing is asked twice: what is read of it goes into the session's image, and is read from there
 * from then on. The first sector that does not read ends it ({@link Unsound}).
 */
public final class OnDemand extends ForwardingSource {

    /** Records are read a few bytes at a time; the device is asked for whole blocks around them. */
    private static final int BLOCK = 64 << 10;

    /** The session ended before the reader did: somebody wants it so, or a limit was reached. */
    static final class Ended extends IOException {
        private static final long serialVersionUID = 1L;

        Ended() {
            super("the session ended");
        }
    }

    /** Asks the device. */
    @FunctionalInterface
    interface Device {

        /**
         * @return whether all of it read
         * @throws Ended when nothing more may be asked
         */
        boolean ask(Range range) throws IOException;
    }

    private final ReadMap map;
    private final ImageFile image;
    private final ImageWriter writer;
    private final Device device;
    private @Nullable IOException ended;

    OnDemand(Source source, ReadMap map, ImageFile image, ImageWriter writer, Device device) {
        super(source);
        this.map = map;
        this.image = image;
        this.writer = writer;
        this.device = device;
    }

    /** What ended it, from whatever a reader made of that. */
    Optional<IOException> ended() {
        return Optional.ofNullable(ended);
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        long from = offset / BLOCK * BLOCK;
        long to = Math.min(size(), (offset + length + BLOCK - 1) / BLOCK * BLOCK);
        long asked = System.nanoTime();
        fetch(new Range(from, to - from));
        writer.settle();
        image.read(ByteBuffer.wrap(buffer, at, length), offset);
        return new ReadOutcome(List.of(), System.nanoTime() - asked);
    }

    /**
     * Asks the device for what of a range is not in the image.
     *
     * @throws Unsound              when some of it did not read
     * @throws SourceException.Gone when the device vanished
     */
    public void fetch(Range range) throws IOException {
        if (ended != null) {
            throw ended;
        }
        try {
            for (ReadMap.Run run : map.runs(range)) {
                if (run.state() != BlockState.READ) {
                    ask(run.range());
                }
            }
        } catch (IOException e) {
            ended = e;
            throw e;
        }
    }

    private void ask(Range range) throws IOException {
        int block = CareProfile.mostBlockBytes();
        for (long at = range.offset(); at < range.end(); ) {
            Range part = new Range(at, Math.min(block - at % block, range.end() - at));
            if (!device.ask(part)) {
                throw new Unsound(
                        Unsound.Sign.UNREAD,
                        "Some of the bytes " + part.offset() + " to " + (part.end() - 1)
                                + " did not read, so the device is not sound.");
            }
            at = part.end();
        }
    }

    /** @throws DestinationFull when the disk that holds the image has no room for so many more */
    public void checkRoom(long bytes) throws IOException {
        image.checkRoom(bytes);
    }

    /** Bytes that are in the image. */
    public long readBytes() {
        return map.bytes(BlockState.READ);
    }

    /** Bytes of a range that are not in the image yet. */
    public long missing(Range range) {
        return map.runs(range).stream()
                .filter(r -> r.state() != BlockState.READ)
                .mapToLong(r -> r.range().length())
                .sum();
    }

    @Override
    public void willNeed(List<Range> ranges) throws IOException {
        for (Range r : ranges) {
            Range there = r.intersection(new Range(0, size()));
            if (!there.isEmpty()) {
                fetch(there);
            }
        }
    }

    /** Content is fetched when somebody asks for it, not because a reader would look at it. */
    @Override
    public boolean isFilling() {
        return true;
    }

    @Override
    public List<Range> knownUnread(Range range) {
        return map.runs(range).stream()
                .filter(r -> r.state() != BlockState.READ)
                .map(ReadMap.Run::range)
                .toList();
    }

    @Override
    public boolean takesSeveral() {
        return false;
    }
}
