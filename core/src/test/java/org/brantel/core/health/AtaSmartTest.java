package org.brantel.core.health;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.brantel.core.health.HealthReading.Attribute;
import org.junit.jupiter.api.Test;

class AtaSmartTest {

    private static final List<Attribute> TABLE = List.of(
            new Attribute(5, "reallocated sectors", 99, 99, 36, 131, true),
            new Attribute(9, "power-on hours", 81, 81, 0, 17_233, false),
            new Attribute(194, "temperature", 45, 52, 0, 0x0034_0011_002dL, false),
            new Attribute(197, "pending sectors", 100, 100, 0, 38, false),
            new Attribute(199, "interface checksum errors", 200, 200, 0, 0x1_0000_0003L, false),
            new Attribute(230, "attribute 230", 100, 100, 0, 7, false));

    @Test
    void everyFieldOfTheTableComesBack() {
        HealthReading reading = AtaSmart.parse(AtaSmart.data(TABLE), AtaSmart.thresholds(TABLE));
        assertThat(reading.attributes()).isEqualTo(TABLE);
        assertThat(reading.reallocated()).isEqualTo(131);
        assertThat(reading.pending()).isEqualTo(38);
        assertThat(reading.uncorrectable())
                .as("the device does not count these")
                .isNull();
        assertThat(reading.powerOnHours()).isEqualTo(17_233);
        assertThat(reading.celsius()).as("lowest byte of the raw value").isEqualTo(45);
        assertThat(reading.linkErrors())
                .as("lowest four bytes of the raw value")
                .isEqualTo(3);
        assertThat(reading.damaged()).isEqualTo(169);
    }

    /** Written down byte by byte from the layout, not by our own writer. */
    @Test
    void readsASectorThatAnotherWrote() {
        byte[] sector = new byte[512];
        byte[] entry = {(byte) 0xc5, 0x12, 0x00, 0x64, 0x63, 0x08, 0x01, 0, 0, 0, 0, 0};
        System.arraycopy(entry, 0, sector, 2 + 3 * 12, entry.length);
        sector[511] = (byte) -(0xc5 + 0x12 + 0x64 + 0x63 + 0x08 + 0x01);
        HealthReading reading = AtaSmart.parse(sector, null);
        assertThat(reading.attributes()).containsExactly(new Attribute(197, "pending sectors", 100, 99, 0, 264, false));
        assertThat(reading.pending()).isEqualTo(264);
    }

    @Test
    void refusesWhatIsNoReading() {
        assertThatThrownBy(() -> AtaSmart.parse(new byte[511], null))
                .hasMessageContaining("512")
                .hasMessageContaining("511");
        assertThatThrownBy(() -> AtaSmart.parse(new byte[512], null)).hasMessageContaining("no attribute");
        byte[] flipped = AtaSmart.data(TABLE);
        flipped[8] ^= 1;
        assertThatThrownBy(() -> AtaSmart.parse(flipped, null)).hasMessageContaining("checksum");
        assertThatThrownBy(() -> HealthFile.parse(HealthFile.Kind.ATA, new byte[700]))
                .hasMessageContaining("700");
    }

    @Test
    void anyBytesAreReadOrRefusedInASentence() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            byte[] sector = new byte[512];
            random.nextBytes(sector);
            int sum = 0;
            for (int b = 0; b < 511; b++) {
                sum += sector[b];
            }
            sector[511] = (byte) -sum;
            HealthReading reading = AtaSmart.parse(sector, Arrays.copyOf(sector, 512));
            assertThat(Judgement.of(List.of(reading)).grade()).isNotNull();
            byte[] log = Arrays.copyOf(sector, 512);
            assertThat(Judgement.of(List.of(NvmeLog.parse(log))).grade()).isNotNull();
        }
    }
}
