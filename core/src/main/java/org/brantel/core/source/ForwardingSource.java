package org.brantel.core.source;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;

/** A source that is another one but for what its subclass changes. */
public abstract class ForwardingSource implements Source {

    private final Source inner;

    protected ForwardingSource(Source inner) {
        this.inner = inner;
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        return inner.read(offset, buffer, at, length);
    }

    @Override
    public List<Range> knownUnread(Range range) {
        return inner.knownUnread(range);
    }

    @Override
    public boolean isFilling() {
        return inner.isFilling();
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
    public String presence() throws IOException {
        return inner.presence();
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
