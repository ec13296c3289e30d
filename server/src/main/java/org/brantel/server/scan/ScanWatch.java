package org.brantel.server.scan;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.brantel.core.estimate.TimeLeft;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ScanListener;
import org.brantel.server.platform.Ticker;
import org.jspecify.annotations.Nullable;

/** Watches one session at work: says how far it is, and brings what it found so far into the catalogue now and then. */
final class ScanWatch implements ScanListener {

    /** Where it tells what it saw. */
    interface Teller {
        void progressed(String phase, long done, long all, ScanView.Counts counts, @Nullable Double secondsLeft);

        /** @return how many lines are new in the catalogue with these */
        long bring(List<Finding> findings) throws IOException;
    }

    private static final int EVERY_MILLIS = 300;
    private static final double FIRST_BRING = 2;
    /** Bringing takes at most this part of the time. */
    private static final double SHARE = 0.2;

    private static final double BETWEEN = 5;
    private static final int MOST_WAITING = 20_000;

    private final Teller teller;
    private final TimeLeft left;
    private final Ticker ticker = new Ticker(EVERY_MILLIS);
    private final long began = System.nanoTime();
    private final List<Finding> fresh = new ArrayList<>();
    private ScanView.Counts counts = new ScanView.Counts();
    private double bringNext = FIRST_BRING;
    private long added;
    private String phase = "records";
    private long done;
    private long all;

    /** @param added lines that it brought before its server went */
    ScanWatch(Teller teller, TimeLeft left, long added) {
        this.teller = teller;
        this.left = left;
        this.added = added;
    }

    ScanView.Counts counts() {
        return counts;
    }

    long added() {
        return added;
    }

    @Override
    public void found(Finding finding) {
        counts = counts.with(finding);
        // What comes faster than it can be brought waits for the session's end.
        if (fresh.size() < MOST_WAITING) {
            fresh.add(finding);
        }
        tick();
    }

    @Override
    public void progressed(String phaseNow, long doneNow, long allNow) {
        phase = phaseNow;
        done = doneNow;
        all = allNow;
        tick();
    }

    private void tick() {
        if (!ticker.due()) {
            return;
        }
        double seconds = seconds();
        OptionalDouble remaining = left.at(phase, done, all, seconds);
        teller.progressed(phase, done, all, counts, remaining.isPresent() ? remaining.getAsDouble() : null);
        if (seconds >= bringNext && !fresh.isEmpty()) {
            bring();
            bringNext = seconds() + Math.max(BETWEEN, (seconds() - seconds) / SHARE);
        }
    }

    private void bring() {
        try {
            added += teller.bring(fresh);
            fresh.clear();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private double seconds() {
        return (System.nanoTime() - began) / 1e9;
    }
}
