package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** What a preview says of itself is no more than what it shows. */
class PreviewsTest {

    @Test
    void whatWasNeverReadIsSaid() {
        assertThat(Previews.shown(700, 700, 0)).isEqualTo("All of it.");
        assertThat(Previews.shown(8770, 8770, 1024)).isEqualTo("All of it; 1024 bytes of that were never read.");
        assertThat(Previews.shown(90_000, 16_384, 0)).isEqualTo("The first 16384 of 90000 bytes.");
        assertThat(Previews.shown(90_000, 16_384, 512))
                .isEqualTo("The first 16384 of 90000 bytes; 512 bytes of that were never read.");
    }
}
