package org.brantel.core.testing;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;

/** Bytes in memory of which some never read. */
public final class FaultySource implements Source {

    private final byte[] bytes;
    private final RangeSet dead;
    private long reads;

    public FaultySource(byte[] bytes, Range... dead) {
        this.bytes = bytes;
        this.dead = RangeSet.of(List.of(dead));
    }

    /** How often it was asked. */
    public long reads() {
        return reads;
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) {
        Source.checkBounds(this, offset, buffer, at, length);
        reads++;
        System.arraycopy(bytes, (int) offset, buffer, at, length);
        List<Range> failed = dead.within(new Range(offset, length));
        failed.forEach(
                f -> Arrays.fill(buffer, at + (int) (f.offset() - offset), at + (int) (f.end() - offset), (byte) 0));
        return new ReadOutcome(failed, 1);
    }

    @Override
    public List<Range> knownUnread(Range range) {
        return dead.within(range);
    }

    @Override
    public String description() {
        return "bytes in memory";
    }

    @Override
    public long size() {
        return bytes.length;
    }

    @Override
    public int sectorSize() {
        return 512;
    }

    @Override
    public Identity identity() {
        return Identity.ofSize(bytes.length);
    }

    @Override
    public List<Path> filesBehind() {
        return List.of();
    }

    @Override
    public void close() {}
}
