package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.BooleanSupplier;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.source.Source;

/**
 * Looks for content on a stretch of a source, in one pass for all kinds. Stretches are looked through side by side, and
 * put together in their order, so that what is found does not depend on how many there are at a time. A hit that fails
 * its kind's check is counted, not reported. What lies inside a find is not one of its own.
 */
public final class Carver {

    private static final long STRETCH = 16 << 20;
    private static final int MOST_WORKERS = 8;
    /** Of content that goes on over another's beginning: what its last piece may have lost. */
    private static final long MOST_CUT = 4096;

    /** What fills the last record of an archive. */
    private static final long MOST_FILLING = 16 << 10;
    /** Beginnings of other content in one find, from which on it is not just one file that was written over. */
    private static final int SEVERAL = 2;

    private static final long LEAST_LIKELY = 256;

    /** Told about finds, in ascending order, and progress. */
    public interface Listener {
        void found(Hit hit);

        void progressed(long bytes);

        default void failed(Failed start) {}

        /**
         * Whether a start is worth walking; false for content that lies within a known file. Asked from several
         * threads.
         */
        boolean isWanted(long offset);
    }

    private final Source source;
    private final CarvePlan plan;
    private final StartTable table;
    private final RangeSet looked = new RangeSet();

    public Carver(Source source, CarvePlan plan) {
        this.source = SharedSource.of(source);
        this.plan = plan;
        table = new StartTable(plan.kinds());
    }

    /** What need not be looked at again; complete when {@link #run} is over, whether it was stopped or not. */
    public List<Range> looked() {
        return looked.ranges();
    }

    public void run(Range scope, Listener listener, BooleanSupplier stop) throws IOException {
        int workers = Math.max(1, Math.min(MOST_WORKERS, Runtime.getRuntime().availableProcessors()));
        ExecutorService pool = Executors.newFixedThreadPool(workers, work -> {
            Thread thread = new Thread(work, "carver");
            thread.setDaemon(true);
            return thread;
        });
        try {
            Deque<Future<Stretch>> running = new ArrayDeque<>();
            Deque<Range> waiting = new ArrayDeque<>(stretches(scope));
            InOrder order = new InOrder(scope, listener);
            Deque<Range> under = new ArrayDeque<>();
            while (!waiting.isEmpty() || !running.isEmpty()) {
                while (running.size() < workers * 2 && !waiting.isEmpty() && !stop.getAsBoolean()) {
                    Range next = waiting.poll();
                    under.add(next);
                    running.add(pool.submit(() -> looked(next, next.offset(), listener, stop)));
                }
                if (running.isEmpty()) {
                    break;
                }
                order.take(under.poll(), result(running.poll()), stop);
            }
            order.finish(stop.getAsBoolean());
        } finally {
            pool.shutdownNow();
        }
    }

    private List<Range> stretches(Range scope) {
        List<Range> all = new ArrayList<>();
        for (long at = scope.offset(); at < scope.end(); at += STRETCH) {
            all.add(new Range(at, Math.min(STRETCH, scope.end() - at)));
        }
        return all;
    }

    private Stretch looked(Range where, long from, Listener listener, BooleanSupplier stop) throws IOException {
        Stretch stretch = new Stretch(source, plan, table, listener::isWanted, stop);
        stretch.look(where, from);
        return stretch;
    }

    private static Stretch result(Future<Stretch> future) throws IOException {
        try {
            return future.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw new IllegalStateException("looking for content failed", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new java.io.InterruptedIOException("interrupted while looking for content");
        }
    }

    /** A find without a check of its own that may still hold others. */
    private static final class Open {
        private Hit hit;
        /** Text and members that begin in it: its own, unless something speaks against it. */
        private final List<Hit> inside = new ArrayList<>();

        /** Other content that begins in it, and where the first of that does. */
        private int foreign;

        private long firstForeign;

        Open(Hit hit) {
            this.hit = hit;
        }

        Hit left(Ends ends) throws IOException {
            return foreign < SEVERAL ? hit : ends.upTo(hit, firstForeign);
        }
    }

    /** Puts the stretches' finds together as one pass from the start would have found them. */
    private final class InOrder {
        private final Range scope;
        private final Listener listener;
        private final List<Open> unchecked = new ArrayList<>();
        private final Ends ends = new Ends(source);

        private long skipUntil;
        private long wholeUntil;
        private long done;

        InOrder(Range scope, Listener listener) {
            this.scope = scope;
            this.listener = listener;
            skipUntil = scope.offset();
        }

        void take(Range where, Stretch stretch, BooleanSupplier stop) throws IOException {
            stretch.looked().ranges().forEach(looked::add);
            stretch.failed().forEach(listener::failed);
            List<Hit> hits = stretch.hits();
            for (int i = 0; i < hits.size(); i++) {
                Hit hit = hits.get(i);
                if (hit.start() >= skipUntil) {
                    take(hit);
                } else if (hit.firstEnd() > skipUntil && skipUntil < where.end()) {
                    // It hid what begins behind the find that it lies in.
                    Stretch again = looked(where, skipUntil, listener, stop);
                    hits = again.hits();
                    if (stop.getAsBoolean()) {
                        looked.remove(where);
                    }
                    i = -1;
                }
            }
            done += where.length();
            listener.progressed(done);
        }

        private void take(Hit hit) throws IOException {
            boolean proven = hit.walk().whole();
            if (!proven && hit.start() < wholeUntil) {
                // Text in what another kind proved is part of that, also when what is nested is asked for.
                return;
            }
            for (int i = 0; i < unchecked.size(); i++) {
                Open outer = unchecked.get(i);
                if (hit.start() >= outer.hit.firstEnd()) {
                    listener.found(outer.left(ends));
                    unchecked.remove(i--);
                } else if (!proven && !startsAfresh(outer.hit, hit) || isPart(outer.hit, hit)) {
                    // Text in what another kind walked through is part of that, as long as nothing speaks against it.
                    if (outer.hit.doubts().isEmpty()) {
                        if (proven && plan.nested()) {
                            listener.found(hit);
                        } else {
                            outer.inside.add(hit);
                        }
                        return;
                    }
                } else if (outer.hit.walk().outcome() == ContentKind.Outcome.LIKELY) {
                    cut(i--, hit.start());
                } else if (hit.firstEnd() > outer.hit.firstEnd() && outer.hit.firstEnd() - hit.start() <= MOST_CUT) {
                    outer.hit = outer.hit
                            .cutAt(hit.start())
                            .doubted(
                                    "Its end should stand behind the beginning of other content (" + hit.code() + ").");
                } else if (hit.start() > outer.hit.start() && ++outer.foreign == 1) {
                    outer.firstForeign = hit.start();
                    outer.hit = outer.hit.doubted("At byte " + hit.start() + ", inside it, other content begins ("
                            + hit.code() + "); it may be overwritten or in pieces.");
                    outer.inside.forEach(listener::found);
                    outer.inside.clear();
                }
            }
            if (hit.walk().outcome() != ContentKind.Outcome.WHOLE
                    && hit.pieces().size() == 1) {
                unchecked.add(new Open(hit));
            } else {
                listener.found(hit);
                hit.pieces().forEach(looked::add);
                wholeUntil = Math.max(wholeUntil, hit.firstEnd());
                skipUntil = plan.nested() ? skipUntil : wholeUntil;
            }
        }

        /** Members of an archive, pictures of a film; and the tail of what is walked frame by frame. */
        private static boolean isPart(Hit outer, Hit hit) {
            if (hit.start() <= outer.start() || outer.walk().outcome() != ContentKind.Outcome.FITTING) {
                return false;
            }
            boolean tail = hit.kind() == outer.kind() && hit.walk().outcome() == ContentKind.Outcome.FITTING;
            // A tail fills its last record from another beginning.
            return tail && hit.firstEnd() <= outer.firstEnd() + MOST_FILLING
                    || hit.firstEnd() <= outer.firstEnd()
                            && outer.walk().parts().beginAt(hit.start() - outer.start());
        }

        /** Text of a form of its own that begins in the middle of another text's line. */
        private static boolean startsAfresh(Hit outer, Hit hit) {
            return hit.afresh() && outer.walk().outcome() == ContentKind.Outcome.LIKELY && hit.start() > outer.start();
        }

        /** What only seems to go on ends where other content begins. */
        private void cut(int index, long at) {
            Hit hit = unchecked.remove(index).hit;
            long length = at - hit.start();
            if (length >= LEAST_LIKELY) {
                listener.found(new Hit(
                        hit.kind(),
                        List.of(new Range(hit.start(), length)),
                        hit.walk().upTo(length),
                        hit.doubts()));
            }
        }

        void finish(boolean stopped) throws IOException {
            for (Open open : unchecked) {
                Hit hit = open.left(ends);
                if (!stopped || looked.contains(new Range(hit.start(), hit.firstEnd() - hit.start()))) {
                    listener.found(hit);
                } else {
                    // What would be found in it may say where it ends: it is left for the next time.
                    looked.remove(new Range(hit.start() / plan.step() * plan.step(), plan.step()));
                }
            }
            if (!stopped) {
                listener.progressed(scope.length());
            }
        }
    }
}
