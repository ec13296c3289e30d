package org.brantel.server.portal;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import org.brantel.server.traffic.Pieces;
import org.jspecify.annotations.Nullable;

/** What is sent as long as its link holds: a large delivery takes hours, and a link can be withdrawn meanwhile. */
final class WhileOpen implements Pieces {

    private static final long OFTEN = Duration.ofSeconds(5).toNanos();

    private final Pieces pieces;
    private final BooleanSupplier open;
    private long asked = System.nanoTime();

    WhileOpen(Pieces pieces, BooleanSupplier open) {
        this.pieces = pieces;
        this.open = open;
    }

    @Override
    public @Nullable ByteBuffer next() throws IOException {
        long now = System.nanoTime();
        if (now - asked > OFTEN) {
            asked = now;
            if (!open.getAsBoolean()) {
                throw new IOException("The link was withdrawn.");
            }
        }
        return pieces.next();
    }

    @Override
    public void close() throws IOException {
        pieces.close();
    }
}
