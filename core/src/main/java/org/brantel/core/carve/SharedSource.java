package org.brantel.core.carve;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Range;
import org.brantel.core.source.ReadOutcome;
import org.brantel.core.source.Source;

/** A source that several threads read, one at a time. */
record SharedSource(Source inner) implements Source {

    @Override
    public synchronized ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        return inner.read(offset, buffer, at, length);
    }

    @Override
    public synchronized List<Range> knownUnread(Range range) {
        return inner.knownUnread(range);
    }

    @Override
    public String description() {
        return inner.description();
    }

    @Override
    public long size() {
        return inner.size();
    }

    @Override
    public int sectorSize() {
        return inner.sectorSize();
    }

    @Override
    public Identity identity() {
        return inner.identity();
    }

    @Override
    public List<Path> filesBehind() {
        return inner.filesBehind();
    }

    @Override
    public void close() throws IOException {
        inner.close();
    }
}
