package org.brantel.server.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class NearWordsTest {

    @Test
    void shortWordsAreForgivenOneMistakeAndLongOnesTwo() {
        assertThat(NearWords.of("hed", List.of("head", "heed", "hut", "bed"))).containsExactly("bed", "head", "heed");
        assertThat(NearWords.of("bend", List.of("band", "bond", "beard"))).containsExactly("band", "bond");
        assertThat(NearWords.of("lifebaot", List.of("lifeboat", "life"))).containsExactly("lifeboat");
    }

    @Test
    void onlyTheNearestCount() {
        assertThat(NearWords.of("museum", List.of("museums", "museum"))).containsExactly("museum");
        assertThat(NearWords.of("lantern", List.of("lanterns", "lenturn"))).containsExactly("lanterns");
    }

    @Test
    void whatIsTooFarIsNothing() {
        assertThat(NearWords.of("bee", List.of("boat", "harbour"))).isEmpty();
        assertThat(NearWords.of("bee", List.of())).isEmpty();
    }
}
