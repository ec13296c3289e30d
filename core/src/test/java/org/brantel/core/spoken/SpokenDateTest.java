package org.brantel.core.spoken;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SpokenDateTest {

    private static final LocalDate WEDNESDAY = LocalDate.of(2026, 11, 25);

    private static String past(String text) {
        return SpokenDate.parse(text, WEDNESDAY, false)
                .map(d -> d.from() + " " + d.to())
                .orElse("none");
    }

    private static String due(String text) {
        return SpokenDate.parse(text, WEDNESDAY, true)
                .map(d -> d.from() + " " + d.to())
                .orElse("none");
    }

    @Test
    void daysAreSeenFromToday() {
        assertThat(past("yesterday")).isEqualTo("2026-11-24 2026-11-24");
        assertThat(past("on monday")).isEqualTo("2026-11-23 2026-11-23");
        assertThat(past("last Friday")).isEqualTo("2026-11-20 2026-11-20");
        assertThat(due("friday")).isEqualTo("2026-11-27 2026-11-27");
        assertThat(due("wednesday")).as("not today, which it is").isEqualTo("2026-12-02 2026-12-02");
        assertThat(past("three weeks ago")).isEqualTo("2026-11-04 2026-11-04");
        assertThat(past("a year ago")).isEqualTo("2025-11-25 2025-11-25");
    }

    @Test
    void monthsAndYearsAreStretches() {
        assertThat(past("last June")).isEqualTo("2026-06-01 2026-06-30");
        assertThat(past("December")).as("the latest one").isEqualTo("2025-12-01 2025-12-31");
        assertThat(past("last November")).as("not this one").isEqualTo("2025-11-01 2025-11-30");
        assertThat(past("February 2024")).isEqualTo("2024-02-01 2024-02-29");
        assertThat(past("2011")).isEqualTo("2011-01-01 2011-12-31");
        assertThat(past("last summer")).isEqualTo("2026-06-01 2026-08-31");
        assertThat(past("last week")).isEqualTo("2026-11-16 2026-11-22");
    }

    @Test
    void datesAreReadAsPeopleWriteThem() {
        assertThat(due("3 December")).isEqualTo("2026-12-03 2026-12-03");
        assertThat(due("the 3rd of January")).isEqualTo("2027-01-03 2027-01-03");
        assertThat(past("November 24th")).isEqualTo("2026-11-24 2026-11-24");
        assertThat(past("2026-11-24")).isEqualTo("2026-11-24 2026-11-24");
        assertThat(past("1970-01-01")).isEqualTo("1970-01-01 1970-01-01");
    }

    @Test
    void whatIsNoDateIsNone() {
        assertThat(past("31 February")).isEqualTo("none");
        assertThat(past("2026-13-01")).isEqualTo("none");
        assertThat(past("may")).as("a word more often than a month").isEqualTo("none");
        assertThat(past("soon")).isEqualTo("none");
        assertThat(past("")).isEqualTo("none");
    }

    @Test
    void aStretchNeverEndsBeforeItBegins() {
        String[] words = {
            "last",
            "next",
            "this",
            "june",
            "monday",
            "24",
            "31",
            "february",
            "2024",
            "week",
            "year",
            "summer",
            "winter",
            "ago",
            "three",
            "the",
            "of"
        };
        Random random = new Random(3);
        for (int round = 0; round < 5000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i <= random.nextInt(4); i++) {
                text.append(words[random.nextInt(words.length)]).append(' ');
            }
            SpokenDate.parse(text.toString(), WEDNESDAY, random.nextBoolean())
                    .ifPresent(d -> assertThat(d.to()).as(text.toString()).isAfterOrEqualTo(d.from()));
        }
    }
}
