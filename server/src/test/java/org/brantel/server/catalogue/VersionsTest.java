package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.StreamSupport;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What stood at one place in several states is shown side by side. */
class VersionsTest {

    private static final int SLOT = 4096;
    private static final int SIZE = 3000;

    private final Lab lab = Lab.open();
    private final Catalogues catalogues = lab.bean(Catalogues.class);

    private static Finding finding(int slot, int volume, String path, Origin origin, String day) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        return new Finding(
                slot,
                volume,
                origin,
                Named.of(path, name),
                new Times(null, Instant.parse(day + "T10:00:00Z"), null),
                new Verdict(Prognosis.WHOLE, 80, List.of("seen")),
                Content.of(SIZE, "txt", List.of(new Extent((long) slot * SLOT, SIZE))),
                Evidence.NONE);
    }

    private static JsonNode line(Story story, String question) {
        return story.una
                .get(story.path("/catalogue?q=" + question))
                .expect(200)
                .json()
                .get("lines")
                .get(0);
    }

    @Test
    void oneOldPathInSeveralStatesIsAStripOfVersions() throws IOException {
        byte[] medium = new byte[SLOT * 16];
        new Random(8).nextBytes(medium);
        System.arraycopy(medium, SLOT, medium, 2 * SLOT, SIZE);
        medium[2 * SLOT + 1500] ^= 1;
        medium[2 * SLOT + 2990] ^= 1;
        Files.write(lab.inbox().resolve("versions.img"), medium);
        long imaging = Story.of(new CaseForms())
                .imaged("inbox/versions.img")
                .session()
                .get("id")
                .asLong();
        Story story = Story.of(new CaseForms());
        Finding trashed = finding(4, 0, "/$Recycle.Bin/S-1/$R1.txt", Origin.LIVE, "2024-01-01");
        catalogues.merge(
                story.number,
                3,
                imaging,
                List.of(
                        finding(2, 0, "/Log/tide.txt", Origin.LIVE, "2026-05-04"),
                        finding(3, 0, "/Log/other.txt", Origin.LIVE, "2026-05-04"),
                        finding(5, 0, "/Old/tide.txt", Origin.LIVE, "2026-05-04"),
                        trashed.withRecord(trashed.record().trashed(Instant.EPOCH, "C:/Log/tide.txt"))));
        // An earlier volume had the same file as it was before.
        catalogues.merge(
                story.number, 4, imaging, List.of(finding(1, 1, "/Log/tide.txt", Origin.EARLIER, "2026-05-03")));
        long id = line(story, "live+in+Log+called+tide.txt,+not+in+the+trash")
                .get("id")
                .asLong();

        JsonNode versions = story.una
                .get(story.path("/catalogue/" + id + "/versions"))
                .expect(200)
                .json();
        assertThat(StreamSupport.stream(versions.spliterator(), false)
                        .map(v -> v.get("extents").get(0).get("offset").asLong() / SLOT))
                .containsExactly(4L, 1L, 2L);

        JsonNode difference = story.una
                .get(story.path("/catalogue/" + id + "/difference?other="
                        + versions.get(1).get("id").asLong()))
                .expect(200)
                .json();
        assertThat(difference.get("differing").asInt()).isEqualTo(2);
        assertThat(difference.get("slots").get(60).asString()).isEqualTo("different");
        assertThat(difference.get("slots").get(0).asString()).isEqualTo("same");

        long other = line(story, "other.txt").get("id").asLong();
        assertThat(story.una
                        .get(story.path("/catalogue/" + other + "/versions"))
                        .expect(200)
                        .json())
                .hasSize(1);
        story.una.get(story.path("/catalogue/999999/versions")).expect(404);
    }
}
