package org.brantel.core.imaging;

import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;

/**
 * Forward in large blocks. The first fault of a row costs nothing but itself; the second is taken for the edge of a bad
 * stretch, and each further one sends the sweep farther away. Clean blocks take the distance back step by step, so that
 * a lucky block inside a bad stretch does not bring it down to nothing.
 */
final class Sweep implements PassWork {

    private final Situation it;
    private long position;
    private int level;

    Sweep(Situation situation) {
        it = situation;
        position = situation.rounds.swept() > 0 ? situation.rounds.swept() : resumedAt(situation.map);
    }

    /**
     * A sweep that goes on begins behind all that it asked for; what lies before was jumped over for a reason. Where no
     * record says how far it came, that is behind all that was ever asked for.
     */
    private static long resumedAt(ReadMap map) {
        List<Range> unasked = map.ranges(BlockState.UNASKED);
        if (unasked.isEmpty()) {
            return map.size();
        }
        Range last = unasked.get(unasked.size() - 1);
        return last.end() == map.size() ? last.offset() : map.size();
    }

    @Override
    public Optional<Range> next() {
        return it.map.firstFrom(position, BlockState.UNASKED).map(it::firstBlock);
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        position = outcome.named().isEmpty()
                ? range.end()
                : outcome.named().get(outcome.named().size() - 1).end();
        if (trouble) {
            level++;
            position = it.align(Math.min(it.map.size(), position + jump(outcome.isClean())));
        } else {
            level = Math.max(0, level - 1);
        }
        it.rounds = it.rounds.sweptTo(position);
    }

    private long jump(boolean onlySlow) {
        if (level == 1) {
            return onlySlow ? it.profile.blockBytes() : it.profile.jumps().firstJumpBytes();
        }
        double most = Math.max(
                it.profile.blockBytes(), it.map.size() * it.profile.jumps().jumpMostShare());
        return (long) Math.min(
                most,
                it.profile.jumps().jumpBytes() * Math.pow(it.profile.jumps().jumpGrowth(), level - 2));
    }
}
