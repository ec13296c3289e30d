package org.brantel.server.traffic;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.concurrent.Executor;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** One answer on its way out. It takes a turn when its line takes bytes, and another after those of the others. */
final class Outgoing implements WriteListener, AsyncListener, Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(Outgoing.class);

    /** What is done when it is over. */
    interface Then {
        void ended(Outgoing answer, boolean whole, long bytes);
    }

    /** Bytes of a turn. */
    private static final int TURN = 256 << 10;

    private final AsyncContext context;
    private final ServletOutputStream out;
    private final Pieces pieces;
    private final Executor turns;
    private final Then then;
    private final AtomicBoolean over = new AtomicBoolean();
    private final AtomicLong sent = new AtomicLong();

    private boolean allWritten;

    Outgoing(AsyncContext context, ServletOutputStream out, Pieces pieces, Executor turns, Then then) {
        this.context = context;
        this.out = out;
        this.pieces = pieces;
        this.turns = turns;
        this.then = then;
    }

    @Override
    public void onWritePossible() {
        nextTurn();
    }

    private void nextTurn() {
        try {
            turns.execute(this);
        } catch (RejectedExecutionException closing) {
            onError(closing);
        }
    }

    /** The line is ready whenever a turn begins; where it is no longer, it calls for the next turn by itself. */
    @Override
    public void run() {
        try {
            for (long until = sent.get() + TURN; out.isReady(); ) {
                if (allWritten) {
                    end(true);
                    return;
                }
                if (sent.get() >= until) {
                    nextTurn();
                    return;
                }
                write(pieces.next());
            }
        } catch (IOException | RuntimeException e) {
            onError(e);
        }
    }

    /** The last byte has gone out when the line is ready once more after it. */
    private void write(@Nullable ByteBuffer piece) throws IOException {
        if (piece == null) {
            allWritten = true;
            out.flush();
        } else {
            int length = piece.remaining();
            out.write(piece.array(), piece.arrayOffset() + piece.position(), length);
            sent.addAndGet(length);
        }
    }

    private void end(boolean whole) {
        if (!over.compareAndSet(false, true)) {
            return;
        }
        try {
            pieces.close();
        } catch (IOException e) {
            LOG.warn("What was sent could not be closed", e);
        }
        then.ended(this, whole, sent.get());
    }

    /** The server stops. */
    void breakOff() {
        end(false);
    }

    /** Nothing more comes; a line that has gone needs no telling. */
    void complete() {
        try {
            context.complete();
        } catch (IllegalStateException e) {
            LOG.debug("The line was gone already", e);
        }
    }

    @Override
    public void onError(Throwable broken) {
        LOG.debug("An answer broke off", broken);
        end(false);
    }

    @Override
    public void onComplete(AsyncEvent event) {
        // Completed by its end, which has done everything.
    }

    @Override
    public void onTimeout(AsyncEvent event) {
        end(false);
        complete();
    }

    @Override
    public void onError(AsyncEvent event) {
        onError(event.getThrowable());
        // Here, or the container makes a page of the error for somebody who has gone.
        complete();
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // It is sent in one round.
    }
}
