package org.brantel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.brantel.server.platform.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CapacityTest {

    @ParameterizedTest
    @CsvSource({"2TB,2000000000000", "'500 GB',500000000000", "'14.9 GiB',15998753178", "'1,5 TB',1500000000000", "'33500000 bytes',33500000", "'',0", "512,512"})
    void readsCapacitiesAsPeopleWriteThem(String text, long bytes) {
        assertThat(Capacity.parse(text)).isEqualTo(bytes);
    }

    @Test
    void refusesWhatNoDeviceHolds() {
        assertThatThrownBy(() -> Capacity.parse("0 GB")).isInstanceOf(Refusal.class).hasMessageContaining("not possible");
        assertThatThrownBy(() -> Capacity.parse("5000 PB")).hasMessageContaining("more than any device holds");
        assertThatThrownBy(() -> Capacity.parse("about two")).hasMessageContaining("'about two' is not a capacity").hasMessageContaining("2 TB");
        assertThatThrownBy(() -> Capacity.parse("-5 GB")).hasMessageContaining("not a capacity");
    }
}
