package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DaySpanTest {

    private static final LocalDate FIRST = LocalDate.of(2020, 2, 27);

    /** One file on each of so many days. */
    private static List<Walk.Days> spans(int days, int every) {
        Map<LocalDate, Walk.Holds> all = new HashMap<>();
        for (int i = 0; i < days; i++) {
            all.put(FIRST.plusDays((long) i * every), new Walk.Holds(1, 10, 1));
        }
        List<Walk.Days> spans = DaySpan.fine(all);
        assertThat(spans.stream().mapToLong(s -> s.holds().lines()).sum()).isEqualTo(days);
        assertThat(spans).isSortedAccordingTo((a, b) -> a.from().compareTo(b.from()));
        return spans;
    }

    @Test
    void fewDaysStandEachByItself() {
        assertThat(spans(60, 1)).hasSize(60).first().isEqualTo(new Walk.Days(FIRST, FIRST, new Walk.Holds(1, 10, 1)));
        assertThat(spans(0, 1)).isEmpty();
    }

    @Test
    void moreDaysStandByMonthsThenByYears() {
        assertThat(spans(61, 1).get(0))
                .isEqualTo(
                        new Walk.Days(LocalDate.of(2020, 2, 1), LocalDate.of(2020, 2, 29), new Walk.Holds(3, 30, 3)));
        List<Walk.Days> years = spans(200, 31);
        assertThat(years).hasSize(18);
        assertThat(years.get(1).from()).isEqualTo(LocalDate.of(2021, 1, 1));
        assertThat(years.get(1).to()).isEqualTo(LocalDate.of(2021, 12, 31));
    }
}
