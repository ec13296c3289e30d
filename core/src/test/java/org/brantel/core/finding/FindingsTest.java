package org.brantel.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FindingsTest {

    @TempDir
    private Path folder;

    private static Finding finding(Prognosis prognosis, String path, String sha256, Range... extents) {
        return new Finding(
                1,
                0,
                Origin.LIVE,
                Named.of(path, path == null ? "at-0.jpg" : path.substring(1)),
                new Times(Instant.parse("2024-01-02T03:04:05Z"), null, null),
                new Verdict(prognosis, 90, List.of("because"), 0.25),
                new Content(100, "jpg", Arrays.stream(extents).map(Extent::of).toList(), null, sha256, Map.of()),
                Evidence.NONE);
    }

    @Test
    void aFindingSurvivesBeingWrittenAndReadBack() throws IOException {
        Path file = folder.resolve("findings.ndjson");
        Finding strange = finding(
                Prognosis.GAPPED, "/a \"name\" with\nline end and ☂", null, new Range(5, 10), new Range(900, 90));
        try (FindingsFile.Writer writer = new FindingsFile.Writer(file)) {
            writer.write(strange);
        }
        List<Finding> read = new ArrayList<>();
        FindingsFile.read(file, read::add);
        assertThat(read).containsExactly(strange);
        assertThat(Files.readAllLines(file))
                .hasSize(1)
                .allMatch(l -> l.contains("\"extents\":[[5,10],[900,90]]") && l.contains("\"origin\":\"live\""));
    }

    @Test
    void namesTheLineOfAMalformedFinding() throws IOException {
        Path file = Files.writeString(folder.resolve("f"), "\n{\"id\":1}\n");
        assertThatThrownBy(() -> FindingsFile.read(file, f -> {}))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("line 2");
        assertThatThrownBy(() -> FindingsFile.read(folder.resolve("none"), f -> {}))
                .hasMessageContaining("There are no findings");
    }

    private static boolean share(Finding a, Finding b) {
        return Catalogue.keys(a, "").stream().anyMatch(Catalogue.keys(b, "")::contains);
    }

    @Test
    void equalContentIsOneLineAndSoAreTheSameBytesBeforeTheyWereRead() {
        Finding hashed = finding(Prognosis.WHOLE, "/a.jpg", "abc", new Range(0, 100));
        assertThat(share(hashed, finding(Prognosis.WHOLE, "/copy of a.jpg", "abc", new Range(5000, 100))))
                .isTrue();
        assertThat(share(hashed, finding(Prognosis.GAPPED, "/b.jpg", null, new Range(0, 100))))
                .isTrue();
        assertThat(share(hashed, finding(Prognosis.GAPPED, "/b.jpg", null, new Range(700, 100))))
                .isFalse();
    }

    @Test
    void bytesInDoubtSayNothing() {
        assertThat(share(
                        finding(Prognosis.OVERWRITTEN, "/a.jpg", "abc", new Range(0, 100)),
                        finding(Prognosis.WHOLE, "/b.jpg", "abc", new Range(0, 100))))
                .isFalse();
        assertThat(share(
                        finding(Prognosis.DOUBTFUL, "/a.jpg", null, new Range(0, 100)),
                        finding(Prognosis.DOUBTFUL, "/b.jpg", null, new Range(0, 100))))
                .isFalse();
    }

    @Test
    void aFileOfManyPiecesHasAKeyThatAnIndexCanHold() {
        Range[] pieces = new Range[5000];
        java.util.Arrays.setAll(pieces, i -> new Range(i * 10_000L, 512));
        assertThat(Catalogue.keys(finding(Prognosis.WHOLE, "/a.jpg", null, pieces), ""))
                .allMatch(k -> k.length() < 250);
    }

    @Test
    void timesAreWrittenAsTheJdkWritesThem() {
        Random random = new Random(11);
        for (int i = 0; i < 20_000; i++) {
            int nanos =
                    switch (i % 4) {
                        case 0 -> 0;
                        case 1 -> random.nextInt(1000) * 1_000_000;
                        case 2 -> random.nextInt(10_000_000) * 100;
                        default -> random.nextInt(1_000_000_000);
                    };
            Instant time = Instant.ofEpochSecond(random.nextLong(-70_000_000_000L, 300_000_000_000L), nanos);
            assertThat(UtcText.of(time)).isEqualTo(time.toString());
        }
    }
}
