package org.brantel.core.bytes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class SlotTest {

    private final byte[] bytes = {0, 1, 2, 3, 4, 5, 6, 7, (byte) 0xff, (byte) 0xff, (byte) 0xff, (byte) 0xff};

    @Test
    void isReadFromWhereTheStructureBegins() {
        assertThat(new Slot(1, 1).in(bytes, 0)).isEqualTo(1);
        assertThat(new Slot(1, 2).in(bytes, 1)).isEqualTo(0x0302);
        assertThat(new Slot(0, 8).in(bytes, 0)).isEqualTo(0x0706050403020100L);
    }

    @Test
    void hasNoSignUpToFourBytes() {
        assertThat(new Slot(8, 1).intIn(bytes, 0)).isEqualTo(0xff);
        assertThat(new Slot(8, 2).intIn(bytes, 0)).isEqualTo(0xffff);
        assertThat(new Slot(8, 4).in(bytes, 0)).isEqualTo(0xffffffffL);
    }

    @Test
    void movesWithItsStructure() {
        assertThat(new Slot(2, 4).from(10)).isEqualTo(new Slot(12, 4));
        assertThat(new Slot(2, 4).end()).isEqualTo(6);
    }

    @Test
    void ofAnotherLengthIsNoNumber() {
        assertThatThrownBy(() -> new Slot(0, 3).in(bytes, 0)).hasMessageContaining("3 bytes");
    }
}
