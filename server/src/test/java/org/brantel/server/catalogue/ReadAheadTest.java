package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.awaitility.Awaitility;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReadAheadTest {

    @TempDir
    private Path folder;

    private Path file;

    @BeforeEach
    void tenFindings() throws IOException {
        file = folder.resolve("findings.ndjson");
        try (FindingsFile.Writer out = new FindingsFile.Writer(file)) {
            for (int i = 1; i <= 10; i++) {
                out.write(new Finding(
                        i,
                        null,
                        Origin.CARVED,
                        Named.of(null, "at-" + i + ".txt"),
                        Times.NONE,
                        new Verdict(Prognosis.WHOLE, 90, List.of()),
                        Content.of(5, "txt", List.of(new Extent(i * 512L, 5))),
                        Evidence.NONE));
            }
        }
    }

    @Test
    void lotsComeInOrderAndNothingIsLeftOut() throws IOException {
        for (int many : new int[] {1, 3, 5, 10, 11}) {
            List<Long> ids = new ArrayList<>();
            try (ReadAhead ahead = new ReadAhead(file, many)) {
                for (List<Finding> lot = ahead.next(); !lot.isEmpty(); lot = ahead.next()) {
                    assertThat(lot).hasSizeLessThanOrEqualTo(many);
                    lot.forEach(f -> ids.add(f.id()));
                }
            }
            assertThat(ids).as("lots of %d", many).containsExactly(1L, 2L, 3L, 4L, 5L, 6L, 7L, 8L, 9L, 10L);
        }
    }

    @Test
    void whatIsMalformedIsSaidAfterTheLotsBeforeIt() throws IOException {
        Files.writeString(file, "{\"id\": 11, \"na\n", StandardOpenOption.APPEND);
        try (ReadAhead ahead = new ReadAhead(file, 5)) {
            assertThat(ahead.next()).hasSize(5);
            assertThat(ahead.next()).hasSize(5);
            assertThatThrownBy(ahead::next)
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("line 11")
                    .hasMessageContaining("malformed");
        }
    }

    @Test
    void aFileThatIsNotThereIsSaid() {
        try (ReadAhead ahead = new ReadAhead(folder.resolve("none.ndjson"), 5)) {
            assertThatThrownBy(ahead::next).hasMessageContaining("no findings at");
        }
    }

    /** Full of lots that nobody takes, it waits; closed, it ends. */
    @Test
    void closedBeforeTheEndItEnds() {
        ReadAhead ahead = new ReadAhead(file, 1);
        ahead.close();
        Awaitility.await().atMost(Duration.ofSeconds(30)).until(() -> Thread.getAllStackTraces().keySet().stream()
                .noneMatch(t -> t.getName().equals("findings-reader")));
    }
}
