package org.brantel.core.health;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import org.brantel.core.health.HealthReading.Attribute;
import org.brantel.core.health.Judgement.Grade;
import org.junit.jupiter.api.Test;

class JudgementTest {

    private static HealthReading counts(long reallocated, long pending) {
        return HealthReading.byHand(35, 100L, reallocated, pending, 0L, 0L, null);
    }

    @Test
    void withNothingBeyondAThresholdItIsGood() {
        Judgement judgement = Judgement.of(List.of(counts(0, 0)));
        assertThat(judgement.grade()).isEqualTo(Grade.GOOD);
        assertThat(judgement.reasons()).isEmpty();
    }

    @Test
    void theWorstAttributeDecidesAndAllAreNamed() {
        Judgement judgement = Judgement.of(List.of(counts(3, 38)));
        assertThat(judgement.grade()).isEqualTo(Grade.POOR);
        assertThat(judgement.words()).isEqualTo("pending sectors 38 (from 20), reallocated sectors 3 (from 1)");
    }

    @Test
    void saysWhatItMeansInOneSentenceWithTheNumbers() {
        assertThat(Judgement.of(List.of(counts(0, 0))).sentence())
                .isEqualTo("Of what it reports, nothing is beyond a threshold.");
        assertThat(Judgement.of(List.of(counts(3, 38))).sentence())
                .isEqualTo("It is worn: pending sectors 38 (from 20), reallocated sectors 3 (from 1).");
    }

    @Test
    void whatGrowsWhileItIsReadWeighsMore() {
        assertThat(Judgement.of(List.of(counts(2, 1))).grade()).isEqualTo(Grade.WATCH);
        assertThat(Judgement.of(List.of(counts(2, 1), counts(9, 9))).grade()).isEqualTo(Grade.POOR);
        assertThat(Judgement.of(List.of(counts(2, 1), counts(2, 250))).grade()).isEqualTo(Grade.FAILING);
    }

    @Test
    void anAttributeAtItsMakersThresholdFails() {
        Attribute spin = new Attribute(10, "spin-up retries", 20, 20, 97, 4, true);
        Attribute wear = new Attribute(202, "endurance used", 1, 1, 10, 99, false);
        assertThat(Judgement.of(List.of(
                                AtaSmart.parse(AtaSmart.data(List.of(spin)), AtaSmart.thresholds(List.of(spin)))))
                        .grade())
                .isEqualTo(Grade.FAILING);
        assertThat(Judgement.of(List.of(
                                AtaSmart.parse(AtaSmart.data(List.of(wear)), AtaSmart.thresholds(List.of(wear)))))
                        .grade())
                .isEqualTo(Grade.POOR);
        assertThat(Judgement.of(List.of(AtaSmart.parse(AtaSmart.data(List.of(spin)), null)))
                        .grade())
                .as("without its threshold")
                .isEqualTo(Grade.GOOD);
    }

    @Test
    void readsANvmeLog() {
        ByteBuffer log = ByteBuffer.allocate(512).order(ByteOrder.LITTLE_ENDIAN);
        log.putShort(1, (short) 320)
                .put(3, (byte) 100)
                .put(4, (byte) 10)
                .put(5, (byte) 93)
                .putLong(128, 4102)
                .putLong(160, 2);
        HealthReading reading = NvmeLog.parse(log.array());
        assertThat(reading.celsius()).isEqualTo(47);
        assertThat(reading.percentUsed()).isEqualTo(93);
        assertThat(reading.powerOnHours()).isEqualTo(4102);
        assertThat(reading.uncorrectable()).isEqualTo(2);
        assertThat(Judgement.of(List.of(reading)).grade()).isEqualTo(Grade.WATCH);
        log.put(3, (byte) 9);
        assertThat(Judgement.of(List.of(NvmeLog.parse(log.array()))).grade()).isEqualTo(Grade.FAILING);
        log.put(3, (byte) 100).put(0, (byte) (NvmeLog.READ_ONLY | NvmeLog.TEMPERATURE));
        assertThat(Judgement.of(List.of(NvmeLog.parse(log.array()))).words())
                .startsWith("the device went read-only")
                .contains("warns of its temperature");
        assertThatThrownBy(() -> NvmeLog.parse(new byte[512])).hasMessageContaining("empty");
        assertThatThrownBy(() -> NvmeLog.parse(new byte[3])).hasMessageContaining("512");
    }
}
