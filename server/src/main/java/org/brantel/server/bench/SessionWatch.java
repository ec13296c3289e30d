package org.brantel.server.bench;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.bytes.Range;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;
import org.brantel.core.imaging.ImagingListener;
import org.brantel.core.imaging.LimitReached;
import org.brantel.core.imaging.Pass;
import org.brantel.core.imaging.Planner;
import org.brantel.server.platform.Ticker;
import org.jspecify.annotations.Nullable;

/** Turns what the imager does into progress and events on the record. What it holds does not grow with the session. */
final class SessionWatch implements ImagingListener {

    /** Where it goes. */
    interface Records {
        /** @param millis at work since the last time */
        void progress(ImagingSession.@Nullable Progress progress, long millis, List<ImagingEvent> events);

        void hashing(long bytes);

        void resting(@Nullable String why);

        void health(HealthReading reading);
    }

    private static final int EVERY_MILLIS = 400;
    /** Faults that are listed one by one; the others are counted, and stand in the map. */
    private static final int MOST_FAULTS = 2000;
    /** After those, one now and then, so that the record shows that it went on. */
    private static final int LATER_MILLIS = 10_000;

    private final long id;
    private final Clock clock;
    private final Records records;
    private final Ticker ticker = new Ticker(EVERY_MILLIS);
    private final Ticker later = new Ticker(LATER_MILLIS);
    private final int[] rates = new int[RibbonCells.CELLS];
    private final Map<String, ImagingSession.PassWork> passes = new LinkedHashMap<>();
    private final List<ImagingEvent> events = new ArrayList<>();
    private @Nullable ReadMap map;
    private Planner.@Nullable Step step;
    private long bytesSince;
    private long since = System.nanoTime();
    private double rate;
    private long faults;
    private long listed;
    private @Nullable String resting;
    private boolean faultInStep;
    private long readBefore = -1;

    /** @param listed faults that are on the record already */
    SessionWatch(
            long id, List<ImagingSession.PassWork> before, long faults, long listed, Clock clock, Records records) {
        this.id = id;
        this.clock = clock;
        this.records = records;
        this.faults = faults;
        this.listed = listed;
        before.forEach(p -> passes.put(p.pass(), p));
    }

    @Override
    public void stepped(ReadMap current, Planner.Step made, long nanos) {
        String pass = made.pass().word();
        if (step == null || step.pass() != made.pass()) {
            events.add(new ImagingEvent(id, clock.instant(), ImagingEvent.Kind.PASS, pass));
        }
        map = current;
        step = made;
        boolean fault = faultInStep;
        faultInStep = false;
        faults += fault ? 1 : 0;
        // Before the first request nobody told what was read already.
        long read = readBefore >= 0
                ? current.bytes(BlockState.READ) - readBefore
                : fault ? 0 : made.range().length();
        readBefore = current.bytes(BlockState.READ);
        ImagingSession.PassWork was = passes.getOrDefault(pass, new ImagingSession.PassWork(pass, 0, 0, 0, 0));
        passes.put(
                pass,
                new ImagingSession.PassWork(
                        pass,
                        was.requests() + 1,
                        was.readBytes() + read,
                        was.faults() + (fault ? 1 : 0),
                        was.millis() + nanos / 1_000_000));
        bytesSince += read;
        double mib = made.range().length() / 1048576.0 / Math.max(nanos, 1000) * 1e9;
        int last = RibbonCells.cellOf(made.range().end() - 1, current.size(), rates.length);
        for (int c = RibbonCells.cellOf(made.range().offset(), current.size(), rates.length); c <= last; c++) {
            rates[c] = (int) Math.max(1, Math.min(100_000, mib));
        }
        if (ticker.due()) {
            flush();
        }
    }

    @Override
    public void fault(Range range, Pass pass) {
        faultInStep = true;
        if (listed < MOST_FAULTS || later.due()) {
            listed++;
            events.add(ImagingEvent.fault(
                    id, clock.instant(), range.offset(), range.length(), pass.word(), "did not read"));
        }
    }

    @Override
    public void health(HealthReading reading) {
        records.health(reading);
    }

    @Override
    public void resting(@Nullable String ordered, @Nullable LimitReached warm) {
        String why = ordered != null
                ? ordered
                : warm != null ? "It is too warm: " + warm.words() + "; it rests until it is 5 degrees cooler." : null;
        // The temperature changes all the time; that it rests because of it does not.
        String kind = ordered != null ? ordered : warm != null ? warm.limit().word() : null;
        if (!Objects.equals(kind, resting)) {
            resting = kind;
            events.add(new ImagingEvent(
                    id,
                    clock.instant(),
                    why == null ? ImagingEvent.Kind.WORK : ImagingEvent.Kind.REST,
                    why == null ? "reads on" : why));
            records.resting(why);
            if (why == null) {
                since = System.nanoTime(); // the rest was no work
            }
            flush();
        }
    }

    @Override
    public void hashing(long bytes, long size) {
        if (ticker.due()) {
            flush();
            records.hashing(bytes);
        }
    }

    /** Puts something on the record that the imager does not tell of itself. */
    void note(ImagingEvent.Kind kind, String words) {
        events.add(new ImagingEvent(id, clock.instant(), kind, words));
    }

    void flush() {
        long now = System.nanoTime();
        long millis = (now - since) / 1_000_000;
        since = now;
        List<ImagingEvent> told = List.copyOf(events);
        events.clear();
        ImagingSession.Progress progress = null;
        if (map != null && step != null) {
            rate = 0.5 * rate + 0.5 * bytesSince / Math.max(1e-3, millis / 1e3);
            bytesSince = 0;
            progress = new ImagingSession.Progress(
                    map.bytes(BlockState.READ),
                    map.bytes(BlockState.FAILED),
                    map.bytes(BlockState.DEFERRED),
                    map.ranges(BlockState.FAILED).size(),
                    step.pass().word(),
                    step.range().offset(),
                    resting == null ? rate : 0,
                    RibbonCells.of(map),
                    joined(),
                    faults,
                    List.copyOf(passes.values()));
        }
        records.progress(progress, map == null || resting != null ? 0 : millis, told);
    }

    private String joined() {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < rates.length; i++) {
            text.append(i == 0 ? "" : ",").append(rates[i] == 0 ? "" : rates[i]);
        }
        return text.toString();
    }
}
