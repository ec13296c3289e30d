package org.brantel.core.carve;

import java.io.IOException;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.ForwardingSource;
import org.brantel.core.source.Source;

/** Counts what is read of a source. */
final class Metered extends ForwardingSource {

    private long read;

    Metered(Source inner) {
        super(inner);
    }

    long bytesRead() {
        return read;
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        read += length;
        return super.read(offset, buffer, at, length);
    }
}
