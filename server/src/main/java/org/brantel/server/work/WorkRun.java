package org.brantel.server.work;

import java.time.Instant;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.brantel.server.platform.Ticker;

/** One job's hold on a piece of long work. */
public final class WorkRun<R extends WorkRecord> {

    private static final long REST_NANOS = 200_000_000L;

    private final LongWork frame;
    private final Labour<R> labour;
    private final R record;
    private final String number;
    private final BooleanSupplier serverStops;

    WorkRun(LongWork frame, Labour<R> labour, R record, String number, BooleanSupplier serverStops) {
        this.frame = frame;
        this.labour = labour;
        this.record = record;
        this.number = number;
        this.serverStops = serverStops;
    }

    public long id() {
        return record.id();
    }

    /** As it stood when the job took it up. */
    public R record() {
        return record;
    }

    /** The case's number. */
    public String number() {
        return number;
    }

    public Instant now() {
        return frame.now();
    }

    public boolean serverStops() {
        return serverStops.getAsBoolean();
    }

    /** As it stands now. */
    public R fresh() {
        return labour.records().findById(record.id()).orElseThrow();
    }

    /** Progress: shown, not told to custody. */
    public void progress(Consumer<R> change) {
        frame.take(labour, record.id(), number, Step.to(change));
    }

    public void take(Step<R> step) {
        frame.take(labour, record.id(), number, step);
    }

    /** True once a person asked for something, or the server stops. */
    public StopRequest asked() {
        return new StopRequest(serverStops, () -> fresh().asked() != null);
    }

    /** Work that cannot be put down rests where it is for as long as it is asked to pause. True once it is to end. */
    public StopRequest askedAfterRests() {
        return new StopRequest(serverStops, () -> {
            while (!serverStops.getAsBoolean()) {
                Ask asked = fresh().asked();
                if (asked != Ask.PAUSE) {
                    return asked != null;
                }
                LockSupport.parkNanos(REST_NANOS);
            }
            return true;
        });
    }

    /** Leaves it as it is to the next server. */
    public Ticker.ServerStops leave() {
        return new Ticker.ServerStops(labour.name() + " " + record.id());
    }
}
