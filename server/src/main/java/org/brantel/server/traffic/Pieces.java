package org.brantel.server.traffic;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** Something to be sent, a piece after the other, each made when the line takes it. */
public interface Pieces extends Closeable {

    int PORTION = 64 << 10;

    /** The next piece, never empty, over an array; null after the last. */
    @Nullable
    ByteBuffer next() throws IOException;

    /** What is in memory. */
    static Pieces of(byte[] all) {
        return new Pieces() {

            private int at;

            @Override
            public @Nullable ByteBuffer next() {
                int length = Math.min(PORTION, all.length - at);
                at += length;
                return length == 0 ? null : ByteBuffer.wrap(all, at - length, length);
            }

            @Override
            public void close() {
                // Nothing is held.
            }
        };
    }

    /** A file as it is. */
    static Pieces of(Path file) throws IOException {
        InputStream in = Files.newInputStream(file);
        return new Pieces() {

            private final byte[] portion = new byte[PORTION];

            @Override
            public @Nullable ByteBuffer next() throws IOException {
                int count = in.read(portion);
                return count < 0 ? null : ByteBuffer.wrap(portion, 0, count);
            }

            @Override
            public void close() throws IOException {
                in.close();
            }
        };
    }
}
