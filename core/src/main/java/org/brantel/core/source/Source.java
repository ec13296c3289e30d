package org.brantel.core.source;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.PlacedBytes;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.health.HealthReading;

/**
 * A medium opened for reading only. Positions are bytes from its start. Implementations are safe for use by one
 * thread at a time, unless {@link #takesSeveral} says otherwise.
 */
public interface Source extends PlacedBytes, Closeable {

    /** Logical sector size in bytes; a power of two. */
    int sectorSize();

    Identity identity();

    /**
     * Fills {@code length} bytes of {@code buffer}, or says which sectors failed.
     *
     * @throws IndexOutOfBoundsException when the request leaves the source or the buffer
     * @throws SourceException.Gone      when the medium no longer answers at all
     */
    @Override
    ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException;

    /** Smallest stretch that can be asked for by itself, in bytes; a multiple of the sector. */
    default int requestUnit() {
        return sectorSize();
    }

    /** What the device says about its own health just now; empty when it cannot be asked. */
    default Optional<HealthReading> health() throws IOException {
        return Optional.empty();
    }

    /** How long a request may take from now on, where the source can be told; 0 for as long as it takes. */
    default void timeout(int seconds) throws IOException {}

    /** The same for any way by which the same device is reached: two sessions never have one key at a time. */
    default String lockKey() throws IOException {
        return description();
    }

    /**
     * What tells this coming of a medium from another under the same name; empty when nothing does. Two can be compared
     * when what stands before the last slash is equal.
     */
    default String presence() throws IOException {
        return "";
    }

    /** Parts of a range that are known, without reading, not to be there; ascending. */
    default List<Range> knownUnread(Range range) {
        return List.of();
    }

    /** Whether it is still being filled, so that a read may wait until what it asks for has been fetched. */
    default boolean isFilling() {
        return false;
    }

    /**
     * Says what will be read soon, most needed first. A source that is still being filled fetches it ahead of the rest;
     * others do nothing. Only for what a reader cannot do without, never for the content of files.
     */
    default void willNeed(List<Range> ranges) throws IOException {}

    /** Whether several threads may ask at a time. A device has one head, and is asked one thing after the other. */
    default boolean takesSeveral() {
        return false;
    }

    /** The files or device nodes that the bytes come from; output must not touch them. */
    List<Path> filesBehind();

    /** Guards a request against the source's bounds; by subtraction, so nothing overflows. */
    static void checkBounds(Source source, long offset, byte[] buffer, int at, int length) {
        if (offset < 0
                || length < 0
                || length > source.size()
                || offset > source.size() - length
                || at < 0
                || at > buffer.length - length) {
            throw new IndexOutOfBoundsException("read of " + length + " bytes at " + offset + " leaves "
                    + source.description() + " (" + source.size() + " bytes) or its buffer");
        }
    }
}
