package org.brantel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.server.proof.Preview.Share;
import org.junit.jupiter.api.Test;

class PreviewTest {

    @Test
    void stretchesThatCannotBeSeenApartAreOne() {
        assertThat(Share.of(List.of(new Range(100, 50), new Range(151, 49), new Range(900_000, 100_000)), 1_000_000))
                .containsExactly(new Share(0.0001, 0.0002), new Share(0.9, 1));
        assertThat(Share.of(List.of(), 0)).isEmpty();
    }

    @Test
    void aGlimpseKeepsWhatWasNeverRead() {
        List<Share> unread = List.of(new Share(0.5, 1));
        Preview pages = Preview.picture(7, "Of 7 pages.").with(unread).glimpse(15);
        assertThat(pages.pages()).isEqualTo(1);
        assertThat(pages.unread()).isEqualTo(unread);
        Preview film = new Preview(
                        Preview.Shape.FILM,
                        "Drawn anew.",
                        null,
                        0,
                        List.of(),
                        new Preview.Play(60, List.of(), List.of(), 60, 60),
                        unread)
                .glimpse(15);
        assertThat(film.play()).isEqualTo(new Preview.Play(60, List.of(), List.of(), 15, 60));
        assertThat(film.unread()).isEqualTo(unread);
    }
}
