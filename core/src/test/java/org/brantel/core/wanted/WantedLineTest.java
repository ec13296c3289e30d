package org.brantel.core.wanted;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class WantedLineTest {

    private static WantedLine line(List<String> kinds, String pattern) {
        return new WantedLine(1, "words", kinds, pattern, 10, 0, null, null, true);
    }

    @Test
    void everyConditionMustHold() {
        WantedLine marches = line(List.of("document"), "Marches/*");
        assertThat(marches.fits("pdf", "/Band/Marches/Harbour Light.pdf", "Harbour Light.pdf", 5, null)).isTrue();
        assertThat(marches.fits("jpg", "/Band/Marches/cover.jpg", "cover.jpg", 5, null)).isFalse();
        assertThat(marches.fits("pdf", "/Band/Hymns/Lifeboat.pdf", "Lifeboat.pdf", 5, null)).isFalse();
    }

    @Test
    void patternsAreOfTheNameOrThePathAndMindNoCase() {
        assertThat(line(List.of(), "*plan*").fits("pdf", "/X/Stage PLAN 2.pdf", "Stage PLAN 2.pdf", 1, null)).isTrue();
        assertThat(line(List.of(), "plan").fits("pdf", "/X/Stage plan 2.pdf", "Stage plan 2.pdf", 1, null)).isTrue();
        assertThat(line(List.of(), "plot ?.jpg").fits("jpg", "/Plot 7.jpg", "Plot 7.jpg", 1, null)).isTrue();
        assertThat(line(List.of(), "plot ?.jpg").fits("jpg", "/Plot 17.jpg", "Plot 17.jpg", 1, null)).isFalse();
        assertThat(line(List.of(), "a.b(c)*").fits("txt", "/a.b(c)d", "a.b(c)d", 1, null)).isTrue();
        assertThat(line(List.of(), "a.b").fits("txt", "/axb", "axb", 1, null)).isFalse();
    }

    @Test
    void contentWithoutANameFitsByItsKindAlone() {
        assertThat(line(List.of("image"), "Plots/*").fits("jpg", null, "at-512.jpg", 1, null)).isTrue();
        assertThat(line(List.of(), "Plots/*").fits("jpg", null, "at-512.jpg", 1, null)).isFalse();
    }

    @Test
    void smallerThanAskedDoesNotFit() {
        WantedLine large = new WantedLine(1, "scans", List.of(), "", 1, 1000, null, null, false);
        assertThat(large.fits("tiff", "/a.tif", "a.tif", 999, null)).isFalse();
        assertThat(large.fits("tiff", "/a.tif", "a.tif", 1000, null)).isTrue();
    }

    @Test
    void onlyWhatIsOfTheTimeFits() {
        WantedLine line = new WantedLine(1, "notes since 2011", List.of("document"), "", 0, 0, LocalDate.of(2011, 1, 1), LocalDate.of(2012, 12, 31), true);
        assertThat(line.fits("odt", "/a.odt", "a.odt", 1, Instant.parse("2011-01-01T00:00:00Z"))).isTrue();
        assertThat(line.fits("odt", "/a.odt", "a.odt", 1, Instant.parse("2010-12-31T23:59:59Z"))).isFalse();
        assertThat(line.fits("odt", "/a.odt", "a.odt", 1, Instant.parse("2013-01-01T00:00:00Z"))).isFalse();
        assertThat(line.fits("odt", "/a.odt", "a.odt", 1, null)).as("a record that says no time").isFalse();
        assertThat(line.fits("odt", null, "at-512.odt", 1, null)).as("carved").isTrue();
    }

    @Test
    void theTallyNeverMissesLessThanNothing() {
        assertThat(WantedTally.of(line(List.of(), ""), 8, 1).missing()).isEqualTo(1);
        assertThat(WantedTally.of(line(List.of(), ""), 30, 1).missing()).isZero();
    }
}
