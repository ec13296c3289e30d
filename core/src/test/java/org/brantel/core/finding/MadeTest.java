package org.brantel.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MadeTest {

    private static final Instant CHANGED = Instant.parse("2024-01-02T03:04:05.678Z");

    private static String made(String taken, Instant modified) {
        return String.valueOf(Made.of(taken == null ? Map.of() : Map.of("taken", taken), modified));
    }

    @Test
    void whatTheContentSaysComesFirst() {
        assertThat(made("2026-05-04T09:12:30", CHANGED)).isEqualTo("2026-05-04T09:12:30");
        assertThat(made("2026-05-04T09:12:30.5+02:00", CHANGED)).isEqualTo("2026-05-04T09:12:30");
        assertThat(made(null, CHANGED)).isEqualTo("2024-01-02T03:04:05.678");
        assertThat(made(null, null)).isEqualTo("null");
    }

    @Test
    void whatNoClockCouldSayIsNotBelieved() {
        assertThat(made("2026-13-45T99:12:30", CHANGED)).startsWith("2024");
        assertThat(made("Mon, 4 May 2026 09:12:30 +0200", CHANGED)).startsWith("2024");
        assertThat(made("0000-00-00T00:00:00", null)).isEqualTo("null");
        assertThat(made("1904-01-01T00:00:00", CHANGED)).startsWith("2024");
        assertThat(made("2026", Instant.parse("1601-01-01T00:00:00Z"))).isEqualTo("null");
        assertThat(made("2026", Instant.MAX)).isEqualTo("null");
    }
}
