package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;

/** A file in nine pieces, whose places stand in a block of their own, and the folder that lists it. */
class ChecksumsTest {

    private static final int BLOCK = 1024;
    private static final int PLACES_AT = 1079 * BLOCK;
    private static final int FOLDER_AT = 1078 * BLOCK;

    private static Collected walked(int spoiled) throws IOException {
        byte[] volume = Seeds.volume("ext4-scattered");
        volume[spoiled] ^= 1;
        FaultySource source = new FaultySource(volume);
        Collected told = new Collected();
        Families.open(source, new Range(0, source.size())).walk(told.walk(0));
        return told;
    }

    private static Finding scattered(Collected told) {
        return told.findings().stream()
                .filter(f -> f.name().equals("gauge.dat"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theChecksumIsThatOfTheStandard() {
        byte[] nine = "123456789".getBytes(StandardCharsets.US_ASCII);
        assertThat(~Checksums.crc(-1, nine, 0, 9)).isEqualTo(0xe3069283);
    }

    @Test
    void nothingIsSaidWhereChecksumsHold() throws IOException {
        Collected told = walked(0);
        assertThat(told.problems()).isEmpty();
        assertThat(scattered(told).prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(scattered(told).extents().stream().filter(e -> !e.isHole())).hasSize(9);
    }

    /** Room that no entry needs: what can be read of the places is the same. */
    @Test
    void aBlockOfPlacesThatFailsItMakesTheFileDoubtful() throws IOException {
        Finding f = scattered(walked(PLACES_AT + 1000));
        assertThat(f.prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(f.reasons())
                .contains("The block at byte " + PLACES_AT + ", which says where its bytes lie, fails its checksum.");
        assertThat(f.extents().stream().filter(e -> !e.isHole())).hasSize(9);
    }

    @Test
    void aBlockOfAFolderThatFailsItIsTold() throws IOException {
        Collected told = walked(FOLDER_AT + 900);
        assertThat(told.problems()).singleElement().satisfies(p -> assertThat(p)
                .contains("folder /tide/ at byte " + FOLDER_AT + " fails its checksum"));
        assertThat(told.findings()).extracting(Finding::path).contains("/tide/r1.txt", "/tide/gauge.dat");
    }
}
