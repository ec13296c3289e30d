package org.brantel.core.image;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.ForwardingSource;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.device.FileSource;

/** A lab image with its map: ranges that were never read come back as failed, never as zeros. */
public final class MappedImage implements Source {

    private final Source image;
    private final RangeSet read;
    private final Identity identity;

    private MappedImage(Source image, RangeSet read, Identity identity) {
        this.image = image;
        this.read = read;
        this.identity = identity;
    }

    /** @throws SourceException when the map belongs to a medium of another size than it can describe */
    public static MappedImage open(FileSource image, Path mapFile) throws IOException {
        MapJournal.Loaded loaded = MapJournal.load(mapFile);
        ReadMap map = loaded.map();
        if (map.size() < image.size()) {
            throw new SourceException(mapFile + " describes " + map.size() + " bytes, but " + image.description()
                    + " has " + image.size() + "; they do not belong together.");
        }
        RangeSet read = new RangeSet();
        map.ranges(BlockState.READ).forEach(read::add);
        if (map.size() > image.size()) {
            // The image file ends early (truncated copy, full disk): what is beyond it is not there to read.
            read.remove(new Range(image.size(), map.size() - image.size()));
        }
        return new MappedImage(
                new PaddedTo(image, map.size()), read, loaded.header().identity());
    }

    @Override
    public List<Range> knownUnread(Range range) {
        RangeSet missing = new RangeSet();
        missing.add(range);
        read.within(range).forEach(missing::remove);
        return missing.ranges();
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        Range wanted = new Range(offset, length);
        if (read.contains(wanted)) {
            return image.read(offset, buffer, at, length);
        }
        Arrays.fill(buffer, at, at + length, (byte) 0);
        long nanos = 0;
        RangeSet missing = new RangeSet();
        missing.add(wanted);
        List<Range> failed = new ArrayList<>();
        for (Range there : read.within(wanted)) {
            ReadOutcome part =
                    image.read(there.offset(), buffer, at + (int) (there.offset() - offset), (int) there.length());
            nanos += part.nanos();
            missing.remove(there);
            failed.addAll(part.failed());
        }
        failed.forEach(missing::add);
        return new ReadOutcome(missing.ranges(), nanos);
    }

    @Override
    public boolean takesSeveral() {
        return image.takesSeveral();
    }

    @Override
    public String description() {
        return image.description();
    }

    @Override
    public long size() {
        return image.size();
    }

    @Override
    public int sectorSize() {
        return image.sectorSize();
    }

    @Override
    public Identity identity() {
        return identity;
    }

    @Override
    public List<Path> filesBehind() {
        return image.filesBehind();
    }

    @Override
    public void close() throws IOException {
        image.close();
    }

    /** An image file that is shorter than the medium it stands for; nothing is ever read beyond its end. */
    private static final class PaddedTo extends ForwardingSource {
        private final FileSource file;
        private final long size;

        PaddedTo(FileSource inner, long size) {
            super(inner);
            file = inner;
            this.size = size;
        }

        @Override
        public long size() {
            return size;
        }

        @Override
        public boolean takesSeveral() {
            return file.takesSeveral();
        }
    }
}
