package org.brantel.core.imaging;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.Bookmark;
import org.brantel.core.image.ReadMap;

/**
 * Decides which range is read next. Pure: it sees the map, its profile and what just happened, and touches no device.
 *
 * <p>What somebody waits for comes before what the pass would ask for; see {@link #first}.
 *
 * <p>Every sector is asked for once before any is asked for again; what was read is never asked for again; a sector
 * that failed by itself is tried as often as the profile allows. Each pass ends, because every request takes something
 * out of the state that it works on, or out of a bounded number of tries.
 */
public final class Planner {

    /** One request to make. */
    public record Step(Pass pass, Range range) {}

    private final Situation it;
    private Pass pass = Pass.SWEEP;
    /** Narrowing has two halves. */
    private boolean edges;

    private PassWork work;
    private final Ahead ahead;
    /** Whether the request that was handed out last is one of those. */
    private boolean isAhead;

    public Planner(ReadMap map, CareProfile profile, int sectorSize) {
        this(map, profile, sectorSize, Bookmark.NONE);
    }

    /** @param rounds how far an earlier run got with its retries */
    public Planner(ReadMap map, CareProfile profile, int sectorSize, Bookmark rounds) {
        it = new Situation(map, profile, sectorSize, rounds);
        work = new Sweep(it);
        ahead = new Ahead(it);
    }

    /** Asks for a range before the pass goes on; of it, what was never tried. */
    public void first(Range range) {
        ahead.ask(range);
    }

    /** Whether the last request is one that was asked for first. */
    public boolean isAhead() {
        return isAhead;
    }

    /** How far the passes are. */
    public Bookmark rounds() {
        return it.rounds;
    }

    public Pass pass() {
        return pass;
    }

    /** From the next request on. */
    public void profile(CareProfile profile) {
        it.profile = profile;
    }

    /** The next request, or empty when everything was done that the profile allows. */
    public Optional<Step> next() {
        Optional<Range> wanted = ahead.next();
        isAhead = wanted.isPresent();
        if (isAhead) {
            return Optional.of(new Step(pass, wanted.get()));
        }
        while (true) {
            Optional<Range> range = work.next();
            if (range.isPresent()) {
                return Optional.of(new Step(pass, range.get()));
            }
            if (pass == Pass.PERSISTENCE) {
                return Optional.empty();
            }
            turn();
        }
    }

    private void turn() {
        if (pass == Pass.NARROWING && !edges) {
            edges = true;
        } else {
            pass = Pass.values()[pass.ordinal() + 1];
        }
        work = begun();
    }

    /** The work of the pass from what the map says now. */
    private PassWork begun() {
        return switch (pass) {
            case SWEEP -> new Sweep(it);
            case BACK_SWEEP -> new BackSweep(it);
            case NARROWING -> edges ? new Edges(it) : new Islands(it);
            case SINGLE_SECTOR -> new SingleSectors(it);
            case PERSISTENCE -> new Persistence(it);
            case FILES -> throw new IllegalStateException("files are asked for by whoever reads them");
        };
    }

    /**
     * What an outcome says about the map, in order: what was delivered is read; what the device blames, or what failed
     * as a single sector, has failed; what failed in a larger request that blames nothing is deferred; what stands
     * behind a blamed sector was not reached and keeps its state.
     */
    public List<ReadMap.Run> marks(Step step, ReadOutcome outcome) {
        RangeSet good = new RangeSet();
        good.add(step.range());
        outcome.failed().forEach(good::remove);
        List<ReadMap.Run> marks = new ArrayList<>();
        good.ranges().forEach(r -> marks.add(new ReadMap.Run(r, BlockState.READ)));
        outcome.named().forEach(r -> marks.add(new ReadMap.Run(r, BlockState.FAILED)));
        if (outcome.named().isEmpty()) {
            boolean alone = step.range().length() <= it.sectorSize;
            outcome.failed()
                    .forEach(r -> marks.add(new ReadMap.Run(r, alone ? BlockState.FAILED : BlockState.DEFERRED)));
        }
        return marks;
    }

    /** Tells what came of a step. The map must already hold its marks. */
    public void done(Step step, ReadOutcome outcome) {
        boolean trouble = it.isTrouble(step.range(), outcome);
        if (!isAhead) {
            work.done(step.range(), outcome, trouble);
            return;
        }
        ahead.done(step.range(), outcome, trouble);
        if (pass == Pass.NARROWING && !edges) {
            // It keeps stretches of what was unasked when it began.
            work = begun();
        }
    }
}
