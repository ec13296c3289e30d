package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;

class QuietHoursTest {

    private static LocalDateTime at(String time) {
        return LocalDateTime.parse("2026-11-20T" + time);
    }

    @Test
    void goOverMidnightAndEndInTheMorning() {
        QuietHours night = new QuietHours(LocalTime.of(22, 0), LocalTime.of(6, 30));
        assertThat(night.until(at("21:59:59"))).isEmpty();
        assertThat(night.until(at("22:00:00"))).contains(LocalDateTime.parse("2026-11-21T06:30:00"));
        assertThat(night.until(at("06:29:59"))).contains(at("06:30:00"));
        assertThat(night.until(at("06:30:00"))).isEmpty();
    }

    @Test
    void mayBeWithinADayOrNone() {
        QuietHours noon = new QuietHours(LocalTime.of(12, 0), LocalTime.of(13, 0));
        assertThat(noon.until(at("12:30:00"))).contains(at("13:00:00"));
        assertThat(noon.until(at("13:00:00"))).isEmpty();
        assertThat(QuietHours.NONE.until(at("00:00:00"))).isEmpty();
    }
}
