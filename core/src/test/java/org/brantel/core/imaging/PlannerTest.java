package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.brantel.core.source.BlockState;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.ReadMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.api.Test;

class PlannerTest {

    private static final int SECTOR = 512;

    /** Plays a device with dead sectors against the planner and keeps what it asked for. */
    private static final class Play {
        final ReadMap map;
        final RangeSet dead;
        final Planner planner;
        final List<Planner.Step> steps = new ArrayList<>();

        Play(long size, RangeSet dead, CareProfile profile) {
            this.map = new ReadMap(size);
            this.dead = dead;
            this.planner = new Planner(map, profile, SECTOR);
        }

        Play toTheEnd() {
            for (Optional<Planner.Step> next = planner.next(); next.isPresent(); next = planner.next()) {
                take(next.get());
            }
            return this;
        }

        void take(Planner.Step step) {
            steps.add(step);
            List<Range> failed = dead.within(step.range());
            RangeSet good = new RangeSet();
            good.add(step.range());
            failed.forEach(good::remove);
            good.ranges().forEach(r -> map.set(r, BlockState.READ));
            failed.forEach(r -> map.set(r, planner.stateOfUnread(step)));
            planner.done(step, failed.isEmpty());
        }
    }

    private static RangeSet randomFaults(Random random, long size) {
        RangeSet dead = new RangeSet();
        long sectors = size / SECTOR;
        for (int i = random.nextInt(12); i > 0; i--) {
            long from = (long) (random.nextDouble() * sectors);
            long length = Math.min(sectors - from, 1 + random.nextInt(random.nextInt(4) == 0 ? 3000 : 8));
            dead.add(new Range(from * SECTOR, length * SECTOR));
        }
        return dead;
    }

    @ParameterizedTest
    @EnumSource(CareProfile.class)
    void readsAllThatReadsAndFailsOnlyWhatIsDead(CareProfile profile) {
        Random random = new Random(profile.ordinal());
        for (int round = 0; round < 60; round++) {
            long size = (1 + random.nextInt(20_000)) * (long) SECTOR;
            RangeSet dead = randomFaults(random, size);
            Play play = new Play(size, dead, profile).toTheEnd();
            assertThat(play.map.bytes(BlockState.FAILED)).isEqualTo(dead.total());
            assertThat(play.map.bytes(BlockState.READ)).isEqualTo(size - dead.total());
        }
    }

    @ParameterizedTest
    @EnumSource(CareProfile.class)
    void everySectorIsTriedBeforeAnyIsTriedAgain(CareProfile profile) {
        Random random = new Random(100 + profile.ordinal());
        for (int round = 0; round < 40; round++) {
            long size = (1 + random.nextInt(20_000)) * (long) SECTOR;
            Play play = new Play(size, randomFaults(random, size), profile).toTheEnd();
            RangeSet tried = new RangeSet();
            for (Planner.Step step : play.steps) {
                boolean again = tried.overlaps(step.range());
                assertThat(!again || tried.total() == size).as("%s asked again while %d of %d bytes were tried", step, tried.total(), size).isTrue();
                tried.add(step.range());
            }
        }
    }

    @ParameterizedTest
    @EnumSource(CareProfile.class)
    void nothingIsReadTwiceWithinAPassAndRetriesAreBounded(CareProfile profile) {
        Random random = new Random(200 + profile.ordinal());
        for (int round = 0; round < 40; round++) {
            long size = (1 + random.nextInt(12_000)) * (long) SECTOR;
            Play play = new Play(size, randomFaults(random, size), profile).toTheEnd();
            for (Pass pass : new Pass[] {Pass.SWEEP, Pass.BACK_SWEEP, Pass.SINGLE_SECTOR}) {
                RangeSet seen = new RangeSet();
                play.steps.stream().filter(s -> s.pass() == pass).forEach(s -> {
                    assertThat(seen.overlaps(s.range())).as("%s again", s).isFalse();
                    seen.add(s.range());
                });
            }
            Map<Range, Integer> retries = new HashMap<>();
            play.steps.stream().filter(s -> s.pass() == Pass.PERSISTENCE).forEach(s -> retries.merge(s.range(), 1, Integer::sum));
            assertThat(retries.values()).allMatch(n -> n <= profile.retries());
        }
    }

    @ParameterizedTest
    @EnumSource(CareProfile.class)
    void goesOnFromAnyStateOfTheMap(CareProfile profile) {
        Random random = new Random(300 + profile.ordinal());
        for (int round = 0; round < 40; round++) {
            long size = (100 + random.nextInt(12_000)) * (long) SECTOR;
            RangeSet dead = randomFaults(random, size);
            Play first = new Play(size, dead, profile);
            for (int i = random.nextInt(200); i > 0; i--) {
                first.planner.next().ifPresent(first::take);
            }
            Play resumed = new Play(size, dead, profile);
            first.map.runs().forEach(r -> resumed.map.set(r.range(), r.state()));
            resumed.toTheEnd();
            assertThat(resumed.map.bytes(BlockState.READ)).isEqualTo(size - dead.total());
            assertThat(resumed.steps.stream().filter(s -> s.pass() == Pass.SWEEP)).noneMatch(s -> first.map.stateAt(s.range().offset()) == BlockState.READ);
        }
    }

    @Test
    void jumpsAwayFromTroubleAndComesBackFromTheFarEnd() {
        RangeSet dead = new RangeSet();
        dead.add(new Range(0, SECTOR));
        Play play = new Play(16 << 20, dead, CareProfile.FAILING).toTheEnd();
        Planner.Step second = play.steps.get(1);
        assertThat(second.pass()).isEqualTo(Pass.SWEEP);
        assertThat(second.range().offset()).isGreaterThanOrEqualTo(CareProfile.FAILING.jumpBytes());
        Planner.Step back = play.steps.stream().filter(s -> s.pass() == Pass.BACK_SWEEP).findFirst().orElseThrow();
        assertThat(back.range().end()).isEqualTo(second.range().offset());
    }
}
