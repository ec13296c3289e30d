package org.brantel.core.imaging.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.Planner;
import org.brantel.core.source.simulated.FaultPlan;
import org.brantel.core.source.simulated.Physics;

/** Plays one way of reading against one simulated device, in device time, and keeps how much was read when. */
final class Trial {

    /** What somebody takes to unplug a device that dropped out, wait, and attach it again. */
    private static final long ATTACH_NANOS = 60_000_000_000L;

    /**
     * @param nanos device time
     * @param bytes good bytes by then
     */
    record Point(long nanos, long bytes) {}

    /** @param unread bytes that still read at the end, and were not read */
    record Curve(String strategy, List<Point> points, long unread, long faults) {

        long nanos() {
            return points.get(points.size() - 1).nanos();
        }

        long bytes() {
            return points.get(points.size() - 1).bytes();
        }

        /** Good bytes at a moment; within one request they come evenly. */
        long at(double when) {
            int low = 0;
            int high = points.size() - 1;
            while (low < high) {
                int middle = (low + high + 1) / 2;
                if (points.get(middle).nanos() <= when) {
                    low = middle;
                } else {
                    high = middle - 1;
                }
            }
            return points.get(low).bytes();
        }
    }

    /** A way of reading. */
    interface Strategy {
        void play(Trial trial);
    }

    final long size;
    final int sector;
    final int block;
    final int retries;
    private final Physics device;
    private final CareProfile profile;
    private final ReadMap map;
    private final List<Point> points = new ArrayList<>(List.of(new Point(0, 0)));
    private long attaching;
    private long faults;

    private Trial(FaultPlan plan, long size, CareProfile profile) {
        this.size = size;
        this.profile = profile;
        device = new Physics(plan, size);
        map = new ReadMap(size);
        sector = plan.sectorSize();
        block = profile.blockBytes();
        retries = profile.patience().retries();
    }

    static Curve run(String name, Strategy strategy, FaultPlan plan, long size, CareProfile profile) {
        Trial trial = new Trial(plan, size, profile);
        strategy.play(trial);
        return new Curve(name, trial.points, trial.unread(), trial.faults);
    }

    private long unread() {
        RangeSet left = new RangeSet();
        left.add(new Range(0, size));
        map.ranges(BlockState.READ).forEach(left::remove);
        device.dead().forEach(left::remove);
        return left.total();
    }

    ReadOutcome read(Range range) {
        if (device.isGone()) {
            attaching += ATTACH_NANOS;
            device.attachAgain();
        }
        ReadOutcome outcome = device.request(range);
        faults += outcome.isClean() ? 0 : 1;
        return outcome;
    }

    private void note(List<ReadMap.Run> marks) {
        marks.forEach(m -> map.set(m.range(), m.state()));
        points.add(new Point(device.nanos() + attaching, map.bytes(BlockState.READ)));
    }

    private boolean dropsOut() {
        return device.isGone();
    }

    /** Ours: the planner, made anew from the map whenever the device had to be attached again. */
    static void planned(Trial t) {
        Planner planner = new Planner(t.map, t.profile, t.sector);
        for (Optional<Planner.Step> step = planner.next(); step.isPresent(); step = planner.next()) {
            ReadOutcome outcome = t.read(step.get().range());
            t.note(planner.marks(step.get(), outcome));
            planner.done(step.get(), outcome);
            if (t.dropsOut()) {
                planner = new Planner(t.map, t.profile, t.sector, planner.rounds());
            }
        }
    }

    /** Straight through: block by block; where one fails, sector by sector with retries on the spot. */
    static void straight(Trial t) {
        t.straight(new Range(0, t.size));
    }

    /** Straight through, but a megabyte is left out at each fault and gone through at the end. */
    static void straightWithSkip(Trial t) {
        List<Range> left = new ArrayList<>();
        for (long at = 0; at < t.size; ) {
            Range range = new Range(at, Math.min(t.block, t.size - at));
            ReadOutcome outcome = t.read(range);
            t.take(range, outcome);
            at = range.end();
            if (!outcome.isClean()) {
                long from = outcome.named().isEmpty()
                        ? range.offset()
                        : outcome.failed().get(0).offset();
                at = Math.min(t.size, Math.max(at, from + (1 << 20)));
                left.add(new Range(from, at - from));
            }
        }
        left.forEach(t::straight);
    }

    private void straight(Range all) {
        for (long at = all.offset(); at < all.end(); ) {
            Range range = new Range(at, Math.min(block, all.end() - at));
            ReadOutcome outcome = read(range);
            take(range, outcome);
            at = range.end();
            if (outcome.named().size() == 1) {
                Range bad = outcome.named().get(0);
                again(bad, 1);
                at = outcome.failed().get(0).equals(bad) && outcome.failed().size() == 1 ? at : bad.end();
            } else if (!outcome.isClean()) {
                for (long s = range.offset(); s < range.end(); s += sector) {
                    again(new Range(s, sector), 0);
                }
            }
        }
    }

    private void again(Range one, int tried) {
        for (int i = tried; i <= retries; i++) {
            ReadOutcome outcome = read(one);
            take(one, outcome);
            if (outcome.isClean()) {
                return;
            }
        }
    }

    private void take(Range range, ReadOutcome outcome) {
        List<ReadMap.Run> marks = new ArrayList<>();
        long at = range.offset();
        for (Range bad : outcome.failed()) {
            marks.add(new ReadMap.Run(new Range(at, bad.offset() - at), BlockState.READ));
            at = bad.end();
        }
        marks.add(new ReadMap.Run(new Range(at, range.end() - at), BlockState.READ));
        note(marks);
    }
}
