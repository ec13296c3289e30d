package org.brantel.core.imaging;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.brantel.core.source.BlockState;
import org.brantel.core.source.Range;
import org.brantel.core.source.ReadMap;

/**
 * Decides which range is read next. Pure: it sees the map, its profile and what just happened, and touches no device.
 *
 * <p>Every sector is asked for once before any is asked for again; no range is read twice within a pass; each pass
 * ends because it only shrinks the state that it works on.
 */
public final class Planner {

    /** One request to make. */
    public record Step(Pass pass, Range range) { }

    private final ReadMap map;
    private final CareProfile profile;
    private final int sectorSize;

    private Pass pass = Pass.SWEEP;
    private long position;
    private long jump;
    private int retryRound;
    private Deque<Range> retries = new ArrayDeque<>();

    public Planner(ReadMap map, CareProfile profile, int sectorSize) {
        this.map = map;
        this.profile = profile;
        this.sectorSize = sectorSize;
        this.jump = profile.jumpBytes();
    }

    public Pass pass() {
        return pass;
    }

    /** The next request, or empty when everything was done that the profile allows. */
    public Optional<Step> next() {
        while (true) {
            Optional<Range> range = switch (pass) {
                case SWEEP -> forward();
                case BACK_SWEEP -> backward();
                case SINGLE_SECTOR -> map.firstFrom(0, BlockState.DEFERRED).map(this::firstSector);
                case PERSISTENCE -> nextRetry();
            };
            if (range.isPresent()) {
                return Optional.of(new Step(pass, range.get()));
            }
            if (pass == Pass.PERSISTENCE) {
                return Optional.empty();
            }
            pass = Pass.values()[pass.ordinal() + 1];
        }
    }

    /**
     * Tells what came of a step. The map must already hold it.
     *
     * @param clean whether every byte of the step was read
     */
    public void done(Step step, boolean clean) {
        if (step.pass() != Pass.SWEEP) {
            return;
        }
        position = step.range().end();
        if (clean) {
            jump = profile.jumpBytes();
            return;
        }
        position = align(Math.min(map.size(), position + jump));
        jump = Math.min(jump * profile.jumpGrowth(), Math.max(profile.jumpBytes(), map.size() / 8));
    }

    /** What state the unread parts of a step get: a single sector that failed alone has failed. */
    public BlockState stateOfUnread(Step step) {
        return step.pass().compareTo(Pass.SINGLE_SECTOR) >= 0 ? BlockState.FAILED : BlockState.DEFERRED;
    }

    private Optional<Range> forward() {
        return map.firstFrom(position, BlockState.UNTRIED).map(this::block);
    }

    private Optional<Range> backward() {
        List<Range> left = map.ranges(BlockState.UNTRIED);
        if (left.isEmpty()) {
            return Optional.empty();
        }
        Range last = left.get(left.size() - 1);
        long length = Math.min(last.length(), profile.blockBytes());
        return Optional.of(new Range(last.end() - length, length));
    }

    private Optional<Range> nextRetry() {
        while (retries.isEmpty()) {
            if (retryRound >= profile.retries()) {
                return Optional.empty();
            }
            retryRound++;
            retries = sectorsOf(map.ranges(BlockState.FAILED));
            if (retries.isEmpty()) {
                return Optional.empty();
            }
        }
        return Optional.of(retries.poll());
    }

    private Deque<Range> sectorsOf(List<Range> failed) {
        Deque<Range> sectors = new ArrayDeque<>();
        for (Range range : failed) {
            for (long at = range.offset(); at < range.end(); at += sectorSize) {
                sectors.add(new Range(at, Math.min(sectorSize, range.end() - at)));
            }
        }
        return sectors;
    }

    /** Large blocks end on their own multiples, so that a resumed sweep makes the same requests. */
    private Range block(Range run) {
        long boundary = (run.offset() / profile.blockBytes() + 1) * profile.blockBytes();
        return new Range(run.offset(), Math.min(run.length(), boundary - run.offset()));
    }

    private Range firstSector(Range run) {
        return new Range(run.offset(), Math.min(run.length(), sectorSize));
    }

    private long align(long offset) {
        return offset >= map.size() ? map.size() : offset / sectorSize * sectorSize;
    }
}
