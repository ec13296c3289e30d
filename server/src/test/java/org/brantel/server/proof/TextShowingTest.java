package org.brantel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** What a preview says of itself is no more than what it shows. */
class TextShowingTest {

    @Test
    void whatWasNeverReadIsSaid() {
        assertThat(TextShowing.shown(700, 700, 0)).isEqualTo("All of it.");
        assertThat(TextShowing.shown(8770, 8770, 1024)).isEqualTo("All of it; 1024 bytes of that were never read.");
        assertThat(TextShowing.shown(90_000, 16_384, 0)).isEqualTo("The first 16384 of 90000 bytes.");
        assertThat(TextShowing.shown(90_000, 16_384, 512))
                .isEqualTo("The first 16384 of 90000 bytes; 512 bytes of that were never read.");
    }
}
