package org.brantel.core.past;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class PastRecordTest {

    private static final YearMonth MAY = YearMonth.of(2026, 5);
    private static final YearMonth JULY = YearMonth.of(2026, 7);
    private static final List<String> STAGES = List.of("received", "imaging");

    private static PastCase ended(YearMonth month, HowEnded how, String... media) {
        return new PastCase(month, how, "image-then-scan", List.of(media), List.of("formatted"), List.of(), List.of());
    }

    private static PastCase took(double receivedDays, double imagingDays, PastCase.Foretold... foretold) {
        return new PastCase(
                MAY,
                HowEnded.WHOLE,
                "",
                List.of(),
                List.of(),
                List.of(
                        new PastCase.Stay("received", receivedDays * 86_400),
                        new PastCase.Stay("imaging", imagingDays * 86_400),
                        new PastCase.Stay("closed", 1e9)),
                List.of(foretold));
    }

    @Test
    void everyMonthStandsThereAlsoOneInWhichNothingEnded() {
        PastRecord record = PastRecord.of(
                List.of(ended(MAY, HowEnded.WHOLE, "hdd"), ended(JULY, HowEnded.NOTHING, "hdd")), MAY, JULY, STAGES);
        assertThat(record.months())
                .extracting(PastRecord.Month::month)
                .containsExactly("2026-05", "2026-06", "2026-07");
        assertThat(record.months().get(1).how()).isEmpty();
        assertThat(record.how())
                .containsExactly(new PastRecord.Ended(HowEnded.WHOLE, 1), new PastRecord.Ended(HowEnded.NOTHING, 1));
    }

    @Test
    void aCaseWithTwoMediaCountsWithBothAndTheLargestGroupComesFirst() {
        List<PastCase> cases = List.of(ended(MAY, HowEnded.WHOLE, "hdd", "ssd"), ended(MAY, HowEnded.PARTLY, "ssd"));
        PastRecord record = PastRecord.of(cases, MAY, MAY, STAGES);
        assertThat(record.cases()).isEqualTo(2);
        assertThat(record.media()).extracting(PastRecord.Group::of).containsExactly("ssd", "hdd");
        assertThat(record.media()).extracting(PastRecord.Group::cases).containsExactly(2L, 1L);
    }

    @Test
    void aCaseOfWhichNothingIsOnRecordIsCountedAsThat() {
        PastRecord record = PastRecord.of(List.of(ended(MAY, HowEnded.WHOLE)), MAY, MAY, STAGES);
        assertThat(record.media()).extracting(PastRecord.Group::of).containsExactly("");
    }

    @Test
    void fewAreSaidToBeFew() {
        List<PastCase> nine = Collections.nCopies(9, ended(MAY, HowEnded.WHOLE, "hdd"));
        assertThat(PastRecord.of(nine, MAY, MAY, STAGES).paths().get(0).few()).isTrue();
        List<PastCase> ten = Collections.nCopies(10, ended(MAY, HowEnded.WHOLE, "hdd"));
        assertThat(PastRecord.of(ten, MAY, MAY, STAGES).paths().get(0).few()).isFalse();
    }

    @Test
    void staysAreOfTheStagesBeforeTheEndAndTheirSharesAreOfAllThatTime() {
        PastRecord record = PastRecord.of(List.of(took(1, 3), took(2, 6), took(3, 9)), MAY, MAY, STAGES);
        assertThat(record.stages()).extracting(PastRecord.Stays::stage).isEqualTo(STAGES);
        assertThat(record.stages().get(1).days().median()).isEqualTo(6, within(1e-9));
        assertThat(record.stages().get(1).share()).isEqualTo(0.75, within(1e-9));
    }

    @Test
    void estimatesHeldOrWereTooHighOrTooLow() {
        PastRecord record = PastRecord.of(
                List.of(
                        took(0, 0, new PastCase.Foretold("imaging", 10, 30, 5)),
                        took(0, 0, new PastCase.Foretold("imaging", 10, 30, 30)),
                        took(0, 0, new PastCase.Foretold("imaging", 10, 30, 40)),
                        took(0, 0, new PastCase.Foretold("imaging", 0, 0, 40))),
                MAY,
                MAY,
                STAGES);
        assertThat(record.foretold())
                .containsExactly(new PastRecord.Holding("imaging", 3, 1, 1, 1, true, List.of(0.25, 1.5, 2.0)));
    }

    @Test
    void nothingIsNothing() {
        PastRecord record = PastRecord.of(List.of(), MAY, MAY, STAGES);
        assertThat(record.cases()).isZero();
        assertThat(record.stages()).isEmpty();
        assertThat(record.months()).hasSize(1);
        assertThatThrownBy(() -> Spread.of(List.of())).isInstanceOf(IllegalArgumentException.class);
    }

    /** Against counting by hand. */
    @RepeatedTest(40)
    void halfOfAllLiesBetweenTheQuarters(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Double> values = new ArrayList<>(IntStream.range(0, 1 + random.nextInt(60))
                .mapToObj(i -> random.nextDouble() * 100)
                .toList());
        Spread spread = Spread.of(values);
        Collections.sort(values);
        assertThat(spread.low()).isLessThanOrEqualTo(spread.median());
        assertThat(spread.median()).isLessThanOrEqualTo(spread.high());
        long below = values.stream().filter(v -> v <= spread.median() + 1e-9).count();
        long above = values.stream().filter(v -> v >= spread.median() - 1e-9).count();
        assertThat(2 * below).isGreaterThanOrEqualTo(values.size());
        assertThat(2 * above).isGreaterThanOrEqualTo(values.size());
        long inner = values.stream()
                .filter(v -> v >= spread.low() - 1e-9 && v <= spread.high() + 1e-9)
                .count();
        assertThat(2 * inner).isGreaterThanOrEqualTo(values.size());
    }
}
