package org.brantel.core.carve;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.ForwardingSource;
import org.brantel.core.source.Source;

/** A source that several threads read: one at a time, where it takes no more. */
final class SharedSource extends ForwardingSource {

    private SharedSource(Source inner) {
        super(inner);
    }

    static Source of(Source source) {
        return source.takesSeveral() ? source : new SharedSource(source);
    }

    @Override
    public synchronized ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        return super.read(offset, buffer, at, length);
    }

    @Override
    public synchronized List<Range> knownUnread(Range range) {
        return super.knownUnread(range);
    }
}
