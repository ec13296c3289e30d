package org.brantel.core.estimate;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.junit.jupiter.api.Test;

class EstimatorTest {

    private static final Protocol PROTOCOL = Protocol.current();
    private static final Estimator ESTIMATOR = new Estimator(new Triage(PROTOCOL));
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final Estimator.Job DISK = new Estimator.Job("hdd", 1_000_000_000_000L, "", null);

    private static Facts told(String code, String value) {
        return Facts.of(Map.of(code, List.of(value)), Map.of(), PROTOCOL);
    }

    private static Estimate estimate(RecoveryPath path, Facts facts, Estimator.Job job, List<Measured> history) {
        return ESTIMATOR.estimate(path, facts, job, history, PriceList.toBeginWith(), TODAY);
    }

    private static List<Measured> sessions(int many, double rate) {
        List<Measured> history = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            history.add(new Measured(Measured.Work.IMAGING, "hdd", true, (long) (rate * 1000), 1000));
        }
        return history;
    }

    @Test
    void startsFromTheDefaultsAndSaysSo() {
        Estimate.Part imaging = estimate(RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, List.of())
                .imaging();
        assertThat(imaging.low()).isEqualTo(1e12 / 150e6);
        assertThat(imaging.high()).isEqualTo(1e12 / 70e6);
        assertThat(imaging.reasons()).containsExactly("the usual rate for hdd; none was measured here yet");
    }

    @Test
    void learnsFromWhatWasMeasuredTheMoreTheMoreThereIs() {
        double before = 1e12 / 150e6;
        double measured = 1e12 / 40e6;
        double last = before;
        for (int many : new int[] {1, 4, 16, 100}) {
            Estimate.Part imaging = estimate(
                            RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, sessions(many, 40e6))
                    .imaging();
            assertThat(imaging.low())
                    .as("%d sessions", many)
                    .isGreaterThan(last)
                    .isLessThan(measured * 1.0001);
            assertThat(imaging.reasons().get(0))
                    .contains(many == 1 ? "one session" : many + " sessions")
                    .contains("40 MB/s in the middle");
            last = imaging.low();
        }
        assertThat(last).as("a hundred sessions all but decide").isGreaterThan(measured * 0.9);
    }

    @Test
    void sessionsThatReadWithFaultsDoNotSpoilTheHealthyOnes() {
        List<Measured> faulty = List.of(new Measured(Measured.Work.IMAGING, "hdd", false, 1_000_000_000, 5000));
        assertThat(estimate(RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, faulty)
                        .imaging()
                        .reasons()
                        .get(0))
                .contains("none was measured");
        assertThat(estimate(RecoveryPath.CAREFUL_IMAGING, told("worth", "important"), DISK, faulty)
                        .imaging()
                        .reasons()
                        .get(0))
                .contains("one session");
    }

    @Test
    void troubleMakesItSlowerWithItsReason() {
        Estimate.Part plain = estimate(RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, List.of())
                .imaging();
        Estimate.Part slow = estimate(RecoveryPath.CAREFUL_IMAGING, told("symptom.speed", "very-slow"), DISK, List.of())
                .imaging();
        assertThat(slow.high()).isGreaterThan(10 * plain.high());
        assertThat(slow.reasons()).contains("it is very slow");
    }

    @Test
    void theInterfaceSetsACeiling() {
        for (String named : new String[] {"USB 2.0", "usb2"}) {
            Estimate.Part slow = estimate(
                            RecoveryPath.IMAGE_THEN_SCAN,
                            told("worth", "important"),
                            new Estimator.Job("hdd", 1_000_000_000_000L, named, null),
                            List.of())
                    .imaging();
            assertThat(slow.low()).isEqualTo(1e12 / 35e6);
            assertThat(slow.reasons()).contains("USB 2 carries no more");
        }
        Estimate.Part sata = estimate(
                        RecoveryPath.IMAGE_THEN_SCAN,
                        told("worth", "important"),
                        new Estimator.Job("hdd", 1_000_000_000_000L, "SATA", null),
                        List.of())
                .imaging();
        assertThat(sata.low()).as("a disk is slower than its interface").isEqualTo(1e12 / 150e6);
        assertThat(estimate(
                                RecoveryPath.IMAGE_THEN_SCAN,
                                told("worth", "important"),
                                new Estimator.Job("ssd", 1_000_000_000_000L, "USB 3.2", null),
                                List.of())
                        .imaging()
                        .reasons())
                .contains("USB carries no more");
    }

    @Test
    void nothingIsReadOnPathsThatReadNothingAndNothingIsGuessedWithoutACapacity() {
        assertThat(estimate(RecoveryPath.EXISTING_COPY, told("copy.backup", "current"), DISK, List.of())
                        .imaging())
                .isNull();
        assertThat(estimate(RecoveryPath.DECLINE, told("worth", "replaceable"), DISK, List.of())
                        .scanning())
                .isNull();
        assertThat(estimate(
                                RecoveryPath.IMAGE_THEN_SCAN,
                                told("worth", "important"),
                                new Estimator.Job("hdd", 0, "", null),
                                List.of())
                        .imaging())
                .isNull();
    }

    @Test
    void theQuoteFollowsThePriceList() {
        Estimate.Part plain = estimate(RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, List.of())
                .quote();
        assertThat(plain).extracting(Estimate.Part::low, Estimate.Part::high).containsExactly(180.0, 420.0);
        Estimate.Part large = estimate(
                        RecoveryPath.IMAGE_THEN_SCAN,
                        told("worth", "important"),
                        new Estimator.Job("hdd", 3_000_000_000_000L, "", TODAY.plusDays(2)),
                        List.of())
                .quote();
        assertThat(large).extracting(Estimate.Part::low, Estimate.Part::high).containsExactly(260 * 1.5, 500 * 1.5);
        assertThat(large.reasons()).contains("2 TB beyond the first", "needed within 3 days: 50 % more");
    }

    @Test
    void theChanceIsTheWeakestOfWhatIsKnown() {
        Facts facts = Facts.of(
                Map.of("loss.event", List.of("formatted", "overwritten-by-copy"), "since.use", List.of("none")),
                Map.of(),
                PROTOCOL);
        Estimate e = estimate(RecoveryPath.IMAGE_THEN_SCAN, facts, DISK, List.of());
        assertThat(e.chance()).isEqualTo("poor");
        assertThat(e.chanceRestsOn()).containsExactly("It was written over at least in part.");
        assertThat(estimate(RecoveryPath.IMAGE_THEN_SCAN, told("worth", "important"), DISK, List.of())
                        .chance())
                .isEqualTo("fair");
        Facts backedUp = Facts.of(
                Map.of(
                        "copy.backup",
                        List.of("older"),
                        "since.use",
                        List.of("heavy"),
                        "loss.event",
                        List.of("deleted-directly")),
                Map.of(),
                PROTOCOL);
        assertThat(estimate(RecoveryPath.EXISTING_COPY, backedUp, DISK, List.of())
                        .chance())
                .as("a copy does not care what became of the device")
                .isEqualTo("good");
        assertThat(estimate(RecoveryPath.IMAGE_THEN_SCAN, backedUp, DISK, List.of())
                        .chance())
                .isEqualTo("poor");
    }

    @Test
    void everyBandRunsFromLowToHigh() {
        Random random = new Random(11);
        for (int round = 0; round < 500; round++) {
            List<Measured> history = new ArrayList<>();
            for (int i = 0; i < random.nextInt(20); i++) {
                history.add(new Measured(
                        Measured.Work.values()[random.nextInt(3)],
                        "hdd",
                        random.nextBoolean(),
                        random.nextLong(0, 1L << 42),
                        random.nextDouble() * 1e5));
            }
            Estimate e = estimate(
                    RecoveryPath.values()[random.nextInt(RecoveryPath.values().length)],
                    told("symptom.speed", "slow"),
                    new Estimator.Job("hdd", random.nextLong(1, 1L << 44), "usb 2", null),
                    history);
            for (Estimate.Part part : new Estimate.Part[] {e.imaging(), e.scanning(), e.effort(), e.quote()}) {
                if (part != null) {
                    assertThat(part.low()).isBetween(0.0, part.high());
                    assertThat(part.reasons()).isNotEmpty();
                }
            }
        }
    }
}
