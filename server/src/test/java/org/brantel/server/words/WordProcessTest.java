package org.brantel.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Words are read in a process of its own; whatever a file does to it, the next one is read. */
class WordProcessTest {

    private static final String SAID = "Harbour dues of the boat Nordlys";

    @Test
    void wordsOfEveryKindAreRead() throws IOException {
        try (WordProcess process = new WordProcess()) {
            for (Map.Entry<String, byte[]> document : Documents.all(SAID).entrySet()) {
                WordsIn words = process.read(document.getKey(), document.getValue());
                assertThat(words.outcome()).as(document.getKey()).isEqualTo(Outcome.READ);
                assertThat(words.said()).as(document.getKey()).contains(SAID).doesNotContain("never said");
            }
        }
    }

    @Test
    void whatIsDamagedIsSaidSoAndBreaksNothing() throws IOException {
        Random random = new Random(16);
        try (WordProcess process = new WordProcess()) {
            for (Map.Entry<String, byte[]> document : Documents.all(SAID).entrySet()) {
                byte[] content = document.getValue();
                for (int i = 0; i < 6; i++) {
                    byte[] damaged = Arrays.copyOf(content, 1 + random.nextInt(content.length));
                    for (int b = 0; b < 20; b++) {
                        damaged[random.nextInt(damaged.length)] = (byte) random.nextInt();
                    }
                    assertThat(process.read(document.getKey(), damaged).outcome())
                            .isNotNull();
                }
            }
            assertThat(process.read("pdf", "no such thing".getBytes(StandardCharsets.UTF_8)))
                    .isEqualTo(WordsIn.not(Outcome.DAMAGED));
            assertThat(process.read("txt", new byte[0])).isEqualTo(WordsIn.not(Outcome.NOTHING));
            assertThat(process.read("txt", SAID.getBytes(StandardCharsets.UTF_8))
                            .said())
                    .isEqualTo(SAID);
        }
    }

    /** One line of 40 million letters is read as far as is kept. */
    @Test
    void moreWordsThanAreKeptAreCut() throws IOException {
        byte[] endless = new byte[40_000_000];
        Arrays.fill(endless, (byte) 'a');
        try (WordProcess process = new WordProcess()) {
            WordsIn words = process.read("txt", endless);
            assertThat(words.outcome()).isEqualTo(Outcome.CUT);
            assertThat(words.said()).hasSizeLessThanOrEqualTo(Extraction.MOST_LETTERS);
        }
    }

    @Test
    void aProcessThatDiesOrTakesTooLongIsFollowedByAnother() throws IOException {
        try (WordProcess process = new WordProcess()) {
            assertThat(process.read("no kind of document", new byte[10]).outcome())
                    .isEqualTo(Outcome.GREEDY);
            assertThat(process.read("txt", SAID.getBytes(StandardCharsets.UTF_8))
                            .said())
                    .isEqualTo(SAID);
        }
        try (WordProcess hurried = new WordProcess(0)) {
            assertThat(hurried.read("txt", SAID.getBytes(StandardCharsets.UTF_8)))
                    .isEqualTo(WordsIn.not(Outcome.LATE));
        }
    }
}
