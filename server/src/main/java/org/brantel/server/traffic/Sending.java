package org.brantel.server.traffic;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Sends files over lines of any speed. A line that takes nothing for a while holds no thread; those that take all that
 * they get have turns, one after the other, so that many fast ones leave the processors to the lab.
 */
@Component
public class Sending implements SmartLifecycle {

    /** How it ended; one of both is called, once. */
    public interface Ended {

        /** Every byte went out; whether it arrived, only who got it can say. */
        void whole(long bytes);

        /** The line broke, or what was to be sent could not be read. */
        void brokenOff(long bytes);
    }

    private static final Ended UNTOLD = new Ended() {
        @Override
        public void whole(long bytes) {
            // It is no event.
        }

        @Override
        public void brokenOff(long bytes) {
            // They ask again.
        }
    };

    /** Reading from disk and handing to the network: as many at once as leave the processors to others. */
    private static final int TURNS_AT_ONCE = 2;

    private static final Duration LAST_WORDS = Duration.ofSeconds(5);
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);

    private final AtomicInteger made = new AtomicInteger();
    private final ExecutorService turns = Executors.newFixedThreadPool(TURNS_AT_ONCE, task -> {
        Thread thread = new Thread(task, "sending-" + made.incrementAndGet());
        thread.setDaemon(true);
        return thread;
    });
    /** What became of an answer is written down by others than those who send the next piece of all the rest. */
    private final ExecutorService ends = Executors.newFixedThreadPool(TURNS_AT_ONCE, task -> {
        Thread thread = new Thread(task, "sent-" + made.incrementAndGet());
        thread.setDaemon(true);
        return thread;
    });

    private final Map<String, Outgoing> underway = new ConcurrentHashMap<>();
    private volatile Consumer<String> hangUp = id -> {};
    private volatile boolean running;

    /**
     * Answers a request with pieces, whose status and headers are set already. Returns at once.
     *
     * @param pieces closed by this
     */
    public void send(HttpServletRequest request, HttpServletResponse response, Pieces pieces, Ended ended)
            throws IOException {
        AsyncContext context = request.startAsync(request, response);
        // Whoever takes a piece every few minutes gets all of them.
        context.setTimeout(0);
        String id = request.getRequestId();
        Outgoing answer = new Outgoing(context, response.getOutputStream(), pieces, turns, (outgoing, whole, bytes) -> {
            underway.remove(id);
            ends.execute(() -> {
                try {
                    tell(ended, whole, bytes);
                } finally {
                    if (!whole) {
                        hangUp.accept(id);
                    }
                    outgoing.complete();
                }
            });
        });
        underway.put(id, answer);
        context.addListener(answer);
        response.getOutputStream().setWriteListener(answer);
    }

    /** Answers with pieces of which nobody needs to know how they fared. */
    public void send(HttpServletRequest request, HttpServletResponse response, Pieces pieces) throws IOException {
        send(request, response, pieces, UNTOLD);
    }

    private static void tell(Ended ended, boolean whole, long bytes) {
        try {
            if (whole) {
                ended.whole(bytes);
            } else {
                ended.brokenOff(bytes);
            }
        } catch (RuntimeException e) {
            LOG.error("How a download ended could not be recorded ({} bytes, whole: {})", bytes, whole, e);
        }
    }

    /** @param by what ends a line, by the id of the request that is answered on it */
    void hangsUp(Consumer<String> by) {
        hangUp = by;
    }

    /** Whether a request is being answered here, piece by piece. */
    boolean isUnderway(String requestId) {
        return underway.containsKey(requestId);
    }

    @Override
    public void start() {
        running = true;
    }

    /** Before the server lets go of its lines, so that it is on record where each broke off. */
    @Override
    public void stop() {
        running = false;
        underway.values().forEach(Outgoing::breakOff);
        turns.shutdown();
        ends.shutdown();
        try {
            if (!ends.awaitTermination(LAST_WORDS.toSeconds(), TimeUnit.SECONDS)) {
                LOG.warn("The server stops before it is on record how all downloads ended");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
