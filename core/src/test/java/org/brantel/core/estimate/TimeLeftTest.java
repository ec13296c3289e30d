package org.brantel.core.estimate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class TimeLeftTest {

    @Test
    void itsOwnRateCountsOnceItIsKnown() {
        TimeLeft left = new TimeLeft("content", OptionalDouble.empty());
        assertThat(left.at("records", 1, 3, 0.5)).isEmpty();
        assertThat(left.at("content", 0, 1000, 4)).isEmpty();
        assertThat(left.at("content", 100, 1000, 14).orElseThrow()).isEqualTo(90);
        assertThat(left.at("content", 900, 1000, 49).orElseThrow()).isEqualTo(5);
        assertThat(left.at("content", 1000, 1000, 50).orElseThrow()).isZero();
    }

    @Test
    void othersLikeItSpeakBeforeThat() {
        TimeLeft left = new TimeLeft("content", OptionalDouble.of(60));
        assertThat(left.at("records", 1, 3, 10).orElseThrow()).isEqualTo(50);
        assertThat(left.at("search", 5, 9, 59).orElseThrow()).isEqualTo(1);
        // It takes longer than they did: nobody knows how long.
        assertThat(left.at("search", 6, 9, 61)).isEmpty();
    }
}
