package org.brantel.core.source.simulated;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;

/**
 * What a simulated device does with a request: which sectors answer, and how long it takes. Holds no bytes and waits
 * for nothing, so that strategies can be played against it in no time. The same plan gives the same answers.
 */
public final class Physics {

    private final FaultPlan plan;
    private final long size;
    private final int sector;
    private final RangeSet dead = new RangeSet();
    private final RangeSet weak = new RangeSet();
    private final RangeSet trimmed = new RangeSet();
    private final Map<Long, Integer> triesBySector = new HashMap<>();
    private final SplittableRandom harm;
    private final FaultPlan.OnFault habit;
    private long head;
    private long reads;
    private long faults;
    private long faultsEver;
    private long nanos;

    /** @param size bytes of the device */
    public Physics(FaultPlan plan, long size) {
        this.plan = plan;
        this.size = size;
        sector = plan.sectorSize();
        habit = plan.habits().habit();
        plan.zones().dead().forEach(d -> kill(d.offset(), d.length()));
        plan.zones().clusters().forEach(this::cluster);
        plan.zones().stripes().forEach(s -> {
            for (long at = s.offset(); at < s.offset() + s.length(); at += s.period()) {
                kill(at, Math.min(s.dead(), s.offset() + s.length() - at));
            }
        });
        plan.zones().weak().forEach(w -> weak.add(inside(w.offset(), w.length())));
        plan.zones().trimmed().forEach(t -> trimmed.add(inside(t.offset(), t.length())));
        harm = new SplittableRandom(
                plan.habits().harm() == null ? 0 : plan.habits().harm().seed());
    }

    private void cluster(FaultPlan.Cluster c) {
        SplittableRandom random = new SplittableRandom(c.seed());
        for (long at = c.offset(); at < c.offset() + c.length(); at += sector) {
            if (random.nextDouble() < c.share()) {
                kill(at, sector);
            }
        }
    }

    private void kill(long offset, long length) {
        dead.add(inside(offset, length));
    }

    /** Out to whole sectors, cut to the device. */
    private Range inside(long offset, long length) {
        long from = Math.max(0, offset) / sector * sector;
        long to = Math.min(size, (offset + length + sector - 1) / sector * sector);
        return new Range(Math.min(from, size), Math.max(0, to - from));
    }

    /** Ranges that never read, as things stand. */
    public List<Range> dead() {
        return dead.ranges();
    }

    /** Bytes of a stretch that were discarded and read as zeros. */
    List<Range> trimmedWithin(Range range) {
        return trimmed.within(range);
    }

    /** What it dropped out after, in words. */
    String goneAfter() {
        FaultPlan.DropOut limit = plan.habits().dropOut();
        return limit == null || limit.afterReads() == 0 ? faults + " faults" : reads + " reads";
    }

    /** Whether the device stopped answering. */
    public boolean isGone() {
        FaultPlan.DropOut limit = plan.habits().dropOut();
        return limit != null
                && (limit.afterReads() > 0 && reads >= limit.afterReads()
                        || limit.afterFaults() > 0 && faults >= limit.afterFaults());
    }

    /** Somebody took its power away and gave it again; its sectors remember what was done to them. */
    public void attachAgain() {
        reads = 0;
        faults = 0;
        head = 0;
    }

    /** Faults since it was attached. */
    public long faults() {
        return faults;
    }

    /** Faults since it was made. */
    public long faultsEver() {
        return faultsEver;
    }

    /** Requests since it was attached. */
    public long reads() {
        return reads;
    }

    /** Time that requests took, since it was made. */
    public long nanos() {
        return nanos;
    }

    /**
     * @return what is delivered and how long it takes
     * @throws IllegalStateException when the device is gone
     */
    public ReadOutcome request(Range wanted) {
        if (isGone()) {
            throw new IllegalStateException("the device is gone");
        }
        reads++;
        RangeSet bad = new RangeSet();
        long reached = wanted.end();
        for (long at = nextSuspect(wanted.offset(), wanted.end());
                at < wanted.end();
                at = nextSuspect(at + sector, wanted.end())) {
            if (!answers(at)) {
                bad.add(new Range(at, Math.min(sector, wanted.end() - at)));
                faults++;
                faultsEver++;
                spoilNear(at);
                if (habit != FaultPlan.OnFault.GOES_ON) {
                    reached = at;
                    break;
                }
            }
        }
        long took = cost(wanted, reached, bad);
        nanos += took;
        head = bad.isEmpty() ? wanted.end() : reached;
        if (bad.isEmpty()) {
            return ReadOutcome.clean(took);
        }
        return switch (habit) {
            case GOES_ON -> new ReadOutcome(bad.ranges(), bad.ranges(), took);
            case STOPS -> new ReadOutcome(List.of(new Range(reached, wanted.end() - reached)), bad.ranges(), took);
            case FAILS_WHOLE -> new ReadOutcome(List.of(wanted), took);
        };
    }

    /** The first sector from a place on that may not answer. */
    private long nextSuspect(long from, long end) {
        if (from >= end) {
            return end;
        }
        Range left = new Range(from, end - from);
        long next = Math.min(first(dead, left), first(weak, left));
        return next / sector * sector;
    }

    private static long first(RangeSet set, Range in) {
        return set.firstFrom(in.offset())
                .map(Range::offset)
                .filter(o -> o < in.end())
                .orElse(in.end());
    }

    private boolean answers(long at) {
        Range it = new Range(at, 1);
        if (dead.contains(it)) {
            return false;
        }
        int tries = triesBySector.merge(at / sector, 1, Integer::sum);
        return plan.zones().weak().stream()
                .noneMatch(w -> at + sector > w.offset() && at < w.offset() + w.length() && tries <= w.tries());
    }

    private void spoilNear(long at) {
        FaultPlan.Harm h = plan.habits().harm();
        if (h != null && harm.nextDouble() < h.chance()) {
            long to = at + harm.nextInt(-h.reach(), h.reach() + 1) * (long) sector;
            if (to >= 0 && to < size) {
                kill(to, sector);
            }
        }
    }

    private long cost(Range wanted, long reached, RangeSet bad) {
        double micros = 0;
        Range passed = new Range(wanted.offset(), reached - wanted.offset());
        for (FaultPlan.Slow zone : plan.zones().slow()) {
            long bytes =
                    new Range(zone.offset(), zone.length()).intersection(passed).length();
            long sectors = (bytes + sector - 1) / sector;
            micros += sectors * zone.microsPerSector();
        }
        FaultPlan.Timing t = plan.timing();
        if (t != null) {
            long moved = passed.length()
                    - trimmed.within(passed).stream().mapToLong(Range::length).sum();
            micros += t.requestMicros()
                    + (wanted.offset() == head ? 0 : t.seekMillis() * 1000)
                    + (t.mibPerSecond() > 0 ? moved / 1048576.0 / t.mibPerSecond() * 1e6 : 0)
                    + (double) bad.total() / sector * t.faultMillis() * 1000;
        }
        return (long) (micros * 1000);
    }
}
