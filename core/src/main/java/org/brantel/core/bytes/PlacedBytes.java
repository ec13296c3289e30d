package org.brantel.core.bytes;

import java.io.IOException;

/** Bytes with fixed places, of which some may not read. */
public interface PlacedBytes {

    /** What it is, for messages. */
    String description();

    /** Bytes. */
    long size();

    /**
     * Fills {@code length} bytes of {@code buffer}, or says which did not read.
     *
     * @throws IndexOutOfBoundsException when the request leaves the bytes or the buffer
     */
    ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException;
}
