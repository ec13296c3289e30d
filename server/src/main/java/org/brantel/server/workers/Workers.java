package org.brantel.server.workers;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Semaphore;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Has chores done by processes of their own: as many at once as there are processors. */
@Component
public class Workers implements DisposableBean {

    private static final String MEMORY = "512m";
    private static final int MOST_SECONDS = 20;

    /** The worker died of it. */
    public static final class Died extends IOException {
        private static final long serialVersionUID = 1L;

        private final boolean late;

        Died(boolean late, int seconds) {
            super(late ? "it takes longer than " + seconds + " seconds" : "it takes more memory than is given to it");
            this.late = late;
        }

        /** Whether it took too long; else it took too much. */
        public boolean isLate() {
            return late;
        }
    }

    private final int seconds;
    private final Semaphore turns =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()), true);
    private final Deque<Worker> idle = new ArrayDeque<>();

    Workers() {
        this(MOST_SECONDS);
    }

    /** @param seconds that one chore may take */
    Workers(int seconds) {
        this.seconds = seconds;
    }

    /**
     * @param what    is asked of the chore
     * @param content that it is done on
     * @throws Died          when it takes more time or memory than there is
     * @throws Chore.Refused saying why it is not done
     * @throws IOException   when the content is damaged
     */
    public byte[] work(Class<? extends Chore> chore, String what, byte[] content) throws IOException {
        turns.acquireUninterruptibly();
        try {
            Worker known = idle();
            if (known != null) {
                try {
                    return done(known, chore, what, content);
                } catch (Died e) {
                    if (e.isLate()) {
                        throw e;
                    }
                    // It may have died of what it did before.
                }
            }
            return done(new Worker(MEMORY), chore, what, content);
        } finally {
            turns.release();
        }
    }

    private byte[] done(Worker worker, Class<? extends Chore> chore, String what, byte[] content) throws IOException {
        try {
            return worker.work(chore, what, content, seconds);
        } finally {
            if (worker.isAlive()) {
                synchronized (idle) {
                    idle.push(worker);
                }
            }
        }
    }

    private @Nullable Worker idle() {
        synchronized (idle) {
            Worker worker = idle.poll();
            while (worker != null && !worker.isAlive()) {
                worker = idle.poll();
            }
            return worker;
        }
    }

    @Override
    public void destroy() {
        synchronized (idle) {
            idle.forEach(Worker::close);
            idle.clear();
        }
    }
}
