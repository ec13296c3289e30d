package org.brantel.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.brantel.server.testing.Documents;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;

/** Words of documents, whole, damaged and endless. */
class WordReadingTest {

    private static final String SAID = "Harbour dues of the boat Nordlys";

    private final WordReading reading = Lab.open().bean(WordReading.class);

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void wordsOfEveryKindAreRead() throws IOException {
        Documents.all(SAID).forEach((kind, document) -> {
            WordsIn words = reading.of(kind, document);
            assertThat(words.outcome()).as(kind).isEqualTo(Outcome.READ);
            assertThat(words.said()).as(kind).contains(SAID).doesNotContain("never said");
        });
    }

    @Test
    void whatIsDamagedIsSaidSoAndBreaksNothing() throws IOException {
        Random random = new Random(16);
        for (Map.Entry<String, byte[]> document : Documents.all(SAID).entrySet()) {
            byte[] content = document.getValue();
            for (int i = 0; i < 6; i++) {
                byte[] damaged = Arrays.copyOf(content, 1 + random.nextInt(content.length));
                for (int b = 0; b < 20; b++) {
                    damaged[random.nextInt(damaged.length)] = (byte) random.nextInt();
                }
                assertThat(reading.of(document.getKey(), damaged).outcome())
                        .as(document.getKey())
                        .isNotIn(Outcome.GREEDY, Outcome.LATE);
            }
        }
        assertThat(reading.of("pdf", utf8("no such thing"))).isEqualTo(WordsIn.not(Outcome.DAMAGED));
        assertThat(reading.of("txt", new byte[0])).isEqualTo(WordsIn.not(Outcome.NOTHING));
        assertThat(reading.of("txt", utf8(SAID)).said()).isEqualTo(SAID);
    }

    @Test
    void whatAPasswordClosesIsNotCalledDamaged() throws IOException {
        assertThat(reading.of("pdf", Documents.locked(Documents.pdf(SAID)))).isEqualTo(WordsIn.not(Outcome.LOCKED));
        for (String kind : List.of("docx", "xlsx", "pptx")) {
            byte[] document = Documents.all(SAID).get(kind);
            assertThat(reading.of(kind, Documents.lockedOffice(document)))
                    .as(kind)
                    .isEqualTo(WordsIn.not(Outcome.LOCKED));
        }
    }

    /** One line of 40 million letters is read as far as is kept. */
    @Test
    void moreWordsThanAreKeptAreCut() {
        byte[] endless = new byte[40_000_000];
        Arrays.fill(endless, (byte) 'a');
        WordsIn words = reading.of("txt", endless);
        assertThat(words.outcome()).isEqualTo(Outcome.CUT);
        assertThat(words.said()).hasSizeLessThanOrEqualTo(Extraction.MOST_LETTERS);
    }

    @Test
    void linesStayAndSpacesAreOne() {
        assertThat(reading.of("txt", utf8("Dear\u00a0 keeper,\t\r\n\r\n  the hives\nstand."))
                        .said())
                .isEqualTo("Dear keeper,\nthe hives\nstand.");
    }
}
