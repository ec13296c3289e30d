package org.brantel.server.staff;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.mockito.junit.jupiter.MockitoSettings;
import org.mockito.quality.Strictness;

@ExtendWith(MockitoExtension.class)
@MockitoSettings(strictness = Strictness.LENIENT)
class ThrottleTest {

    private final Map<String, ThrottleRow> kept = new HashMap<>();

    @Mock
    private ThrottleRows rows;

    @Mock
    private Clock clock;

    private Instant now = Instant.parse("2026-11-24T09:00:00Z");
    private Throttle throttle;

    @BeforeEach
    void wire() {
        when(clock.instant()).thenAnswer(i -> now);
        when(rows.findById(any())).thenAnswer(i -> Optional.ofNullable(kept.get(i.<String>getArgument(0))));
        when(rows.save(any())).thenAnswer(i -> {
            kept.put("who", i.getArgument(0));
            return i.getArgument(0);
        });
        throttle = new Throttle(rows, clock);
    }

    private void fail(int times) {
        for (int i = 0; i < times; i++) {
            throttle.failed("who");
        }
    }

    @Test
    void aFewSlipsCostNothing() {
        fail(4);
        assertThatCode(() -> throttle.check("who")).doesNotThrowAnyException();
    }

    @Test
    void eachFurtherTryDoublesTheWaitUpToAnHour() {
        fail(5);
        assertThatThrownBy(() -> throttle.check("who")).hasMessageContaining("15 seconds");
        fail(1);
        assertThatThrownBy(() -> throttle.check("who")).hasMessageContaining("30 seconds");
        fail(30);
        assertThatThrownBy(() -> throttle.check("who")).hasMessageContaining("60 minutes");
    }

    @Test
    void theWaitEnds() {
        fail(5);
        now = now.plusSeconds(16);
        assertThatCode(() -> throttle.check("who")).doesNotThrowAnyException();
    }
}
