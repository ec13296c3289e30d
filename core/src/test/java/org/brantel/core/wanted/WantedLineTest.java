package org.brantel.core.wanted;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class WantedLineTest {

    private static WantedLine line(List<String> kinds, String pattern) {
        return new WantedLine(1, "words", kinds, pattern, 10, 0, true);
    }

    @Test
    void everyConditionMustHold() {
        WantedLine marches = line(List.of("document"), "Marches/*");
        assertThat(marches.fits("pdf", "/Band/Marches/Harbour Light.pdf", "Harbour Light.pdf", 5)).isTrue();
        assertThat(marches.fits("jpg", "/Band/Marches/cover.jpg", "cover.jpg", 5)).isFalse();
        assertThat(marches.fits("pdf", "/Band/Hymns/Lifeboat.pdf", "Lifeboat.pdf", 5)).isFalse();
    }

    @Test
    void patternsAreOfTheNameOrThePathAndMindNoCase() {
        assertThat(line(List.of(), "*plan*").fits("pdf", "/X/Stage PLAN 2.pdf", "Stage PLAN 2.pdf", 1)).isTrue();
        assertThat(line(List.of(), "plan").fits("pdf", "/X/Stage plan 2.pdf", "Stage plan 2.pdf", 1)).isTrue();
        assertThat(line(List.of(), "plot ?.jpg").fits("jpg", "/Plot 7.jpg", "Plot 7.jpg", 1)).isTrue();
        assertThat(line(List.of(), "plot ?.jpg").fits("jpg", "/Plot 17.jpg", "Plot 17.jpg", 1)).isFalse();
        assertThat(line(List.of(), "a.b(c)*").fits("txt", "/a.b(c)d", "a.b(c)d", 1)).isTrue();
        assertThat(line(List.of(), "a.b").fits("txt", "/axb", "axb", 1)).isFalse();
    }

    @Test
    void contentWithoutANameFitsByItsKindAlone() {
        assertThat(line(List.of("image"), "Plots/*").fits("jpg", null, "at-512.jpg", 1)).isTrue();
        assertThat(line(List.of(), "Plots/*").fits("jpg", null, "at-512.jpg", 1)).isFalse();
    }

    @Test
    void smallerThanAskedDoesNotFit() {
        WantedLine large = new WantedLine(1, "scans", List.of(), "", 1, 1000, false);
        assertThat(large.fits("tiff", "/a.tif", "a.tif", 999)).isFalse();
        assertThat(large.fits("tiff", "/a.tif", "a.tif", 1000)).isTrue();
    }

    @Test
    void theTallyNeverMissesLessThanNothing() {
        assertThat(WantedTally.of(line(List.of(), ""), 8, 1).missing()).isEqualTo(1);
        assertThat(WantedTally.of(line(List.of(), ""), 30, 1).missing()).isZero();
    }
}
