package org.brantel.core.triage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ProfileAdviceTest {

    @Test
    void theGentlestProfileThatAnythingAsksForIsProposed() {
        assertThat(ProfileAdvice.of(RecoveryPath.IMAGE_THEN_SCAN, Map.of()).profile())
                .isEqualTo("healthy");
        assertThat(ProfileAdvice.of(RecoveryPath.IMAGE_THEN_SCAN, Map.of("bench.health", Set.of("watch")))
                        .profile())
                .isEqualTo("ageing");
        assertThat(ProfileAdvice.of(RecoveryPath.CAREFUL_IMAGING, Map.of("bench.health", Set.of("watch")))
                        .profile())
                .isEqualTo("failing");
        assertThat(ProfileAdvice.of(RecoveryPath.IMAGE_THEN_SCAN, Map.of("bench.health", Set.of("good", "poor")))
                        .profile())
                .isEqualTo("failing");
        ProfileAdvice loud = ProfileAdvice.of(
                RecoveryPath.CAREFUL_IMAGING,
                Map.of("symptom.noise", Set.of("clicking"), "bench.health", Set.of("good")));
        assertThat(loud.profile()).isEqualTo("last-chance");
        assertThat(loud.why()).contains("noises");
    }

    @Test
    void aDeviceWithoutAReadingIsNotCalledSound() {
        assertThat(ProfileAdvice.of(RecoveryPath.IMAGE_THEN_SCAN, Map.of()).why())
                .contains("no health reading");
        assertThat(ProfileAdvice.of(RecoveryPath.IMAGE_THEN_SCAN, Map.of("bench.health", Set.of("good")))
                        .why())
                .contains("Its health reading is good");
    }
}
