package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;
import org.brantel.core.source.simulated.FaultPlan;
import org.brantel.core.source.simulated.Physics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class PlannerTest {

    private static final int SECTOR = 512;

    /** Plays a device with dead sectors against the planner and keeps what it asked for. */
    private static final class Play {
        final ReadMap map;
        final Planner planner;
        final Physics device;
        final List<Planner.Step> steps = new ArrayList<>();
        /** For each step what the device went through: all of it, or up to the sector that it blames. */
        final List<Range> asked = new ArrayList<>();

        Play(long size, RangeSet dead, CareProfile profile, String onFault) {
            this.map = new ReadMap(size);
            this.device = new Physics(plan(dead, onFault), size);
            this.planner = new Planner(map, profile, SECTOR);
        }

        Play toTheEnd() {
            for (Optional<Planner.Step> next = planner.next(); next.isPresent(); next = planner.next()) {
                take(next.get());
                if (steps.size() > 400_000) {
                    throw new AssertionError("it does not end");
                }
            }
            return this;
        }

        void take(Planner.Step step) {
            ReadOutcome outcome = device.request(step.range());
            steps.add(step);
            long reached = outcome.named().isEmpty() || outcome.named().equals(outcome.failed())
                    ? step.range().end()
                    : outcome.named().get(0).end();
            asked.add(new Range(step.range().offset(), reached - step.range().offset()));
            for (ReadMap.Run run : planner.marks(step, outcome)) {
                if (map.runs(run.range()).stream().anyMatch(r -> r.state() == BlockState.READ)) {
                    throw new AssertionError(step + " was read already");
                }
                map.set(run.range(), run.state());
            }
            planner.done(step, outcome);
        }
    }

    private static FaultPlan.Zones zones(List<FaultPlan.Dead> dead, List<FaultPlan.Slow> slow) {
        return new FaultPlan.Zones(dead, null, null, null, slow, null);
    }

    private static FaultPlan plan(RangeSet dead, String onFault) {
        return new FaultPlan(
                FaultPlan.Edition.PRESENT,
                "none",
                FaultPlan.Identity.NONE,
                SECTOR,
                zones(
                        dead.ranges().stream()
                                .map(r -> new FaultPlan.Dead(r.offset(), r.length()))
                                .toList(),
                        List.of()),
                new FaultPlan.Habits(onFault, null, null),
                null,
                null);
    }

    /** Every profile on every sort of device. */
    static Stream<Arguments> all() {
        return CareProfile.all().stream()
                .flatMap(p -> Stream.of("goes-on", "stops", "fails-whole").map(f -> Arguments.of(p, f)));
    }

    private static Random random(CareProfile profile, String onFault, int test) {
        return new Random((profile.code() + onFault + test).hashCode());
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
    @MethodSource("all")
    void readsAllThatReadsAndFailsOnlyWhatIsDead(CareProfile profile, String onFault) {
        Random random = random(profile, onFault, 0);
        for (int round = 0; round < 25; round++) {
            long size = (1 + random.nextInt(20_000)) * (long) SECTOR;
            RangeSet dead = randomFaults(random, size);
            Play play = new Play(size, dead, profile, onFault).toTheEnd();
            assertThat(play.map.bytes(BlockState.FAILED)).isEqualTo(dead.total());
            assertThat(play.map.bytes(BlockState.READ)).isEqualTo(size - dead.total());
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void everySectorIsTriedBeforeAnyIsTriedAgain(CareProfile profile, String onFault) {
        Random random = random(profile, onFault, 100);
        for (int round = 0; round < 15; round++) {
            long size = (1 + random.nextInt(20_000)) * (long) SECTOR;
            Play play = new Play(size, randomFaults(random, size), profile, onFault).toTheEnd();
            RangeSet tried = new RangeSet();
            for (int i = 0; i < play.steps.size(); i++) {
                boolean again = tried.overlaps(play.asked.get(i));
                assertThat(!again || tried.total() == size)
                        .as("%s asked again while %d of %d bytes were tried", play.steps.get(i), tried.total(), size)
                        .isTrue();
                tried.add(play.asked.get(i));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void nothingIsReadTwiceWithinAPassAndRetriesAreBounded(CareProfile profile, String onFault) {
        Random random = random(profile, onFault, 200);
        for (int round = 0; round < 15; round++) {
            long size = (1 + random.nextInt(12_000)) * (long) SECTOR;
            Play play = new Play(size, randomFaults(random, size), profile, onFault).toTheEnd();
            for (Pass pass : List.of(Pass.SWEEP, Pass.BACK_SWEEP, Pass.NARROWING, Pass.SINGLE_SECTOR)) {
                RangeSet seen = new RangeSet();
                for (int i = 0; i < play.steps.size(); i++) {
                    if (play.steps.get(i).pass() == pass
                            && (pass != Pass.NARROWING
                                    || play.steps.get(i).range().length() <= SECTOR)) {
                        assertThat(seen.overlaps(play.asked.get(i)))
                                .as("%s again", play.steps.get(i))
                                .isFalse();
                        seen.add(play.asked.get(i));
                    }
                }
            }
            Map<Range, Integer> retries = new HashMap<>();
            play.steps.stream()
                    .filter(s -> s.pass() == Pass.PERSISTENCE)
                    .forEach(s -> retries.merge(s.range(), 1, Integer::sum));
            assertThat(retries.values()).allMatch(n -> n <= profile.patience().retries());
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void goesOnFromAnyStateOfTheMap(CareProfile profile, String onFault) {
        Random random = random(profile, onFault, 300);
        for (int round = 0; round < 15; round++) {
            long size = (100 + random.nextInt(12_000)) * (long) SECTOR;
            RangeSet dead = randomFaults(random, size);
            Play first = new Play(size, dead, profile, onFault);
            for (int i = random.nextInt(200); i > 0; i--) {
                first.planner.next().ifPresent(first::take);
            }
            Play resumed = new Play(size, dead, profile, onFault);
            first.map.runs().forEach(r -> resumed.map.set(r.range(), r.state()));
            resumed.toTheEnd();
            assertThat(resumed.map.bytes(BlockState.READ)).isEqualTo(size - dead.total());
            assertThat(resumed.steps.stream().filter(s -> s.pass() == Pass.SWEEP))
                    .noneMatch(s -> first.map.stateAt(s.range().offset()) == BlockState.READ);
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void whatIsAskedForFirstComesFirstAndNothingIsReadTwice(CareProfile profile, String onFault) {
        Random random = random(profile, onFault, 400);
        for (int round = 0; round < 15; round++) {
            long size = (100 + random.nextInt(12_000)) * (long) SECTOR;
            RangeSet dead = randomFaults(random, size);
            Play play = new Play(size, dead, profile, onFault);
            for (Optional<Planner.Step> next = play.planner.next(); next.isPresent(); next = play.planner.next()) {
                play.take(next.get());
                assertThat(play.steps).hasSizeLessThan(400_000);
                if (random.nextInt(20) == 0) {
                    long from = (long) (random.nextDouble() * size);
                    Range wish = new Range(from, 1 + (long) (random.nextDouble() * (size - from)));
                    play.planner.first(wish);
                    RangeSet unasked = RangeSet.of(play.map.ranges(BlockState.UNASKED));
                    Optional<Planner.Step> first = play.planner.next();
                    if (unasked.overlaps(wish)) {
                        assertThat(first).isPresent();
                        assertThat(play.planner.isAhead())
                                .as("this wish, or one before it")
                                .isTrue();
                    }
                    first.ifPresent(play::take);
                }
            }
            assertThat(play.map.bytes(BlockState.READ)).isEqualTo(size - dead.total());
            assertThat(play.map.bytes(BlockState.FAILED)).isEqualTo(dead.total());
        }
    }

    @Test
    void aSweepGoesOnWhereItWasWhateverWasReadAheadOfIt() {
        ReadMap map = new ReadMap(16 << 20);
        Planner planner = new Planner(map, CareProfile.HEALTHY, SECTOR);
        planner.first(new Range((16 << 20) - 4096, 4096));
        for (int i = 0; i < 4; i++) {
            Planner.Step step = planner.next().orElseThrow();
            map.set(step.range(), BlockState.READ);
            planner.done(step, ReadOutcome.clean(1));
        }
        Planner resumed = new Planner(map, CareProfile.HEALTHY, SECTOR, planner.rounds());
        assertThat(resumed.next().orElseThrow()).isEqualTo(new Planner.Step(Pass.SWEEP, new Range(3 << 20, 1 << 20)));
    }

    @Test
    void jumpsFartherFromEachFaultOfARowAndComesBackFromTheFarEnd() {
        RangeSet dead = new RangeSet();
        dead.add(new Range(1 << 20, 3 << 20));
        Play play = new Play(64 << 20, dead, CareProfile.FAILING, "stops").toTheEnd();
        List<Long> faults = new ArrayList<>();
        for (int i = 0; i < play.steps.size() && play.steps.get(i).pass() == Pass.SWEEP; i++) {
            if (dead.overlaps(play.asked.get(i))) {
                faults.add(play.asked.get(i).end());
            }
        }
        assertThat(faults).as("faults of the sweep in 6,144 dead sectors").hasSizeBetween(3, 6);
        for (int i = 2; i < faults.size(); i++) {
            assertThat(faults.get(i) - faults.get(i - 1)).isGreaterThan(faults.get(i - 1) - faults.get(i - 2));
        }
        Planner.Step back = play.steps.stream()
                .filter(s -> s.pass() == Pass.BACK_SWEEP)
                .findFirst()
                .orElseThrow();
        assertThat(back.range().end()).as("begins at the side that read well").isGreaterThan(4 << 20);
    }

    @Test
    void leavesWhatIsSlowForLaterAndReadsItInOrder() {
        FaultPlan slow = new FaultPlan(
                FaultPlan.Edition.PRESENT,
                "none",
                FaultPlan.Identity.NONE,
                SECTOR,
                zones(List.of(), List.of(new FaultPlan.Slow(8 << 20, 8 << 20, 2000))),
                new FaultPlan.Habits(null, null, null),
                new FaultPlan.Timing(50, 100, 5, 1000),
                null);
        ReadMap map = new ReadMap(64 << 20);
        Physics device = new Physics(slow, map.size());
        Planner planner = new Planner(map, CareProfile.FAILING, SECTOR);
        long slowReadBeforeTheRest = -1;
        for (Optional<Planner.Step> next = planner.next(); next.isPresent(); next = planner.next()) {
            ReadOutcome outcome = device.request(next.get().range());
            planner.marks(next.get(), outcome).forEach(r -> map.set(r.range(), r.state()));
            planner.done(next.get(), outcome);
            if (slowReadBeforeTheRest < 0
                    && map.ranges(BlockState.UNASKED).stream()
                            .allMatch(r -> r.offset() >= 8 << 20 && r.end() <= 16 << 20)) {
                slowReadBeforeTheRest = (8 << 20) - map.bytes(BlockState.UNASKED);
            }
        }
        assertThat(slowReadBeforeTheRest)
                .as("bytes of the slow zone that were read before all else was")
                .isBetween(1L, 1L << 20);
        assertThat(map.bytes(BlockState.READ)).isEqualTo(map.size());
    }

    @Test
    void takesAnotherProfileWhileItWorks() {
        ReadMap map = new ReadMap(8 << 20);
        Planner planner = new Planner(map, CareProfile.HEALTHY, SECTOR);
        assertThat(planner.next().orElseThrow().range().length()).isEqualTo(1 << 20);
        planner.profile(CareProfile.LAST_CHANCE);
        assertThat(planner.next().orElseThrow().range().length()).isEqualTo(64 << 10);
    }
}
