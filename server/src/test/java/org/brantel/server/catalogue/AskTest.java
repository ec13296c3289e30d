package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** A catalogue is asked as people speak. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AskTest {

    private static final int SLOT = 4096;

    private final Lab lab = Lab.open();
    private final Catalogues catalogues = lab.bean(Catalogues.class);
    private long imaging;
    private Story story;
    private Story names;

    @BeforeAll
    void find() throws IOException {
        byte[] medium = new byte[SLOT * 64];
        new Random(5).nextBytes(medium);
        Files.write(lab.inbox().resolve("ask.img"), medium);
        imaging = Story.of(new CaseForms())
                .imaged("inbox/ask.img")
                .session()
                .get("id")
                .asLong();
        story = Story.of(new CaseForms().consent("look", "previews"));
        names = Story.of(new CaseForms().consent("look", "names"));
        for (Story s : List.of(story, names)) {
            catalogues.merge(s.number, 3, imaging, findings());
        }
    }

    private static List<Finding> findings() {
        Map<String, String> nordlys = Map.of("device", "Nordlys K2", "taken", "2021-05-04T09:12:30");
        return List.of(
                finding(1, "/DCIM/100K2/IMG_0001.jpg", Origin.DELETED, "2022-01-09", 3000, nordlys),
                finding(2, "/DCIM/100K2/IMG_0002.jpg", Origin.LIVE, "2022-01-09", 900, nordlys),
                finding(3, "/Phone backup/IMG_0001.jpg", Origin.DELETED, "2021-05-20", 3001, Map.of()),
                finding(4, "/Tide tables/2021 north.xlsx", Origin.LIVE, "2019-03-01", 700, Map.of()),
                finding(5, "/Tide tables/south.xlsx", Origin.LIVE, "2021-03-01", 800, Map.of()),
                finding(6, "/Tide/gauge_50%.log", Origin.LIVE, null, 40, Map.of()),
                trashed(finding(7, "/$Recycle.Bin/S-1/$RX.pdf", Origin.LIVE, "2020-02-02", 50, Map.of())),
                finding(8, null, Origin.CARVED, null, 1200, Map.of("device", "Fjordline 3", "title", "Nordlys")));
    }

    private static Finding finding(
            int slot, String path, Origin origin, String day, long size, Map<String, String> about) {
        String name = path == null ? "at-" + slot + ".jpg" : path.substring(path.lastIndexOf('/') + 1);
        return new Finding(
                slot,
                path == null ? null : 1,
                origin,
                Named.of(path, name),
                day == null ? Times.NONE : new Times(null, Instant.parse(day + "T10:00:00Z"), null),
                new Verdict(slot == 3 ? Prognosis.GAPPED : Prognosis.WHOLE, 60 + slot, List.of("seen")),
                new Content(
                        size,
                        name.substring(name.lastIndexOf('.') + 1),
                        List.of(new Extent((long) slot * SLOT, size)),
                        null,
                        null,
                        about),
                Evidence.NONE);
    }

    private static Finding trashed(Finding f) {
        return f.withRecord(f.record().trashed(Instant.EPOCH, "C:/Band/Parts/horn.pdf"));
    }

    private static JsonNode page(Story of, String question) {
        return of.una
                .get(of.path("/catalogue?q=" + URLEncoder.encode(question, StandardCharsets.UTF_8)))
                .expect(200)
                .json();
    }

    private static Stream<JsonNode> stream(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    /** The numbers of the slots that the findings lie in. */
    private static String found(JsonNode page) {
        return stream(page.get("lines"))
                .map(l -> l.get("extents").get(0).get("offset").asLong() / SLOT)
                .sorted()
                .map(String::valueOf)
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '>', textBlock = """
                    pictures from may 2021 over 1 kb in DCIM, deleted, not from the phone backup > 1
                    pictures from may 2021 > 1 2 3
                    not pictures > 4 5 6 7
                    jpg or pdf > 1 2 3 7 8
                    2021 > 1 2 3 4 5
                    since 2022 > ''
                    not since 2021 > 4 6 7 8
                    in "Tide" > 6
                    in tide > 4 5 6
                    not in tide > 1 2 3 7 8
                    tide 50% > 6
                    IMG_00?1.jpg > 1 3
                    not IMG_*.jpg > 4 5 6 7 8
                    100K2/*.jpg > 1 2
                    horn > 7
                    horn.* > 7
                    in the trash > 7
                    deleted in 1970 > 7
                    deleted since 1971 > ''
                    not deleted in 1970 > 1 2 3 4 5 6 8
                    in Parts > 7
                    without a name > 8
                    found by content > 8
                    taken with Nordlys > 1 2
                    not taken with Nordlys > 3 4 5 6 7 8
                    Nordlys > 1 2 8
                    called 50% > 6
                    called "ga😀ge" > ''
                    damaged > 3
                    between 700 bytes and 1 kb > 2 4 5
                    volume 1 > 1 2 3 4 5 6 7
                    not volume 1 > 8
                    (in DCIM or in tide) and whole, not live > 1
                    everything > 1 2 3 4 5 6 7 8
                    """)
    void sentencesFindWhatTheyMean(String question, String slots) {
        JsonNode page = page(story, question);
        assertThat(found(page)).isEqualTo(slots);
        assertThat(page.get("matching").asInt()).isEqualTo(page.get("lines").size());
        assertThat(page.get("bytes").asLong())
                .isEqualTo(stream(page.get("lines"))
                        .mapToLong(l -> l.get("size").asLong())
                        .sum());
        assertThat(page.get("question").get("problems")).isEmpty();
    }

    @Test
    void likeThisOneIsOfItsKindAndMaker() {
        long line = stream(page(story, "IMG_0002.jpg").get("lines"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(found(page(story, "like #" + line))).isEqualTo("1 2");
        long south = stream(page(story, "south").get("lines"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(found(page(story, "like #" + south))).isEqualTo("4 5");
    }

    @Test
    void whereNamesAloneMayBeSeenContentAnswersNothing() {
        assertThat(found(page(names, "Nordlys"))).isEmpty();
        // By its record it is of January 2022; when it was taken stands in its content.
        assertThat(found(page(names, "pictures from may 2021"))).isEqualTo("3");
        assertThat(page(names, "taken with Nordlys")
                        .get("question")
                        .get("problems")
                        .get(0)
                        .get("sentence")
                        .asString())
                .startsWith("The customer agreed to file names only");
    }

    @Test
    void eachPartSaysWhereItWasRead() {
        JsonNode part =
                page(story, "deleted pictures").get("question").get("parts").get(1);
        assertThat(page(story, "deleted pictures").get("question").get("words").asString())
                .isEqualTo("deleted pictures");
        assertThat(part.get("about").asString()).isEqualTo("kind");
        assertThat(part.get("from").asInt()).isEqualTo(8);
        assertThat(part.get("to").asInt()).isEqualTo(16);
        assertThat(part.get("says").asString()).isEqualTo("any picture");
        assertThat(page(story, "wanted 99")
                        .get("question")
                        .get("problems")
                        .get(0)
                        .get("sentence")
                        .asString())
                .startsWith("This case has no wanted lines.");
        assertThat(page(story, "").hasNonNull("question")).isFalse();
    }

    @Test
    void whatASentenceFindsIsChosenByIt() {
        Map<String, Object> filter = Map.of("q", "deleted pictures, not damaged", "selectedOnly", false);
        Map<String, Object> change = Map.of("ids", List.of(), "filter", filter, "selected", true);
        String path = story.path("/catalogue/selection");
        JsonNode chosen = story.una.put(path, change).expect(200).json();
        assertThat(chosen.get("changed").asInt()).isEqualTo(1);
        assertThat(found(page(story, "chosen"))).isEqualTo("1");
        assertThat(found(page(story, "pictures, not selected"))).isEqualTo("2 3 8");
        story.una.delete(path + "/" + chosen.get("change").asLong()).expect(200);
        assertThat(found(page(story, "chosen"))).isEmpty();
    }

    @Test
    void questionsAreKeptWithTheCase() {
        String path = story.path("/catalogue/questions");
        story.una.post(path, Map.of("words", " deleted pictures ")).expect(200);
        JsonNode kept = lab.as("tom")
                .post(path, Map.of("words", "Deleted pictures"))
                .expect(200)
                .json();
        assertThat(kept).hasSize(1);
        assertThat(kept.get(0).get("words").asString()).isEqualTo("deleted pictures");
        assertThat(kept.get(0).get("keptBy").asString()).startsWith("Una");
        long id = kept.get(0).get("id").asLong();
        assertThat(names.una
                        .delete(names.path("/catalogue/questions/" + id))
                        .expect(200)
                        .json())
                .isEmpty();
        assertThat(story.una.get(path).expect(200).json()).hasSize(1);
        assertThat(story.una.delete(path + "/" + id).expect(200).json()).isEmpty();
        story.una.post(path, Map.of("words", "  ")).expect(400);
    }

    @Test
    void anySignMayBeTyped() {
        assertThat(found(page(story, "tide 50%"))).isEqualTo("6");
        assertThat(story.una.get(story.path("/catalogue?q=tide%00")).expect(400).sentence())
                .contains("U+0000");
        for (String odd : List.of("[", "\\", "'", "a'b*", "(((", "\"", "*[*", "%_", "\u202e*", "😀*.jpg", "called (")) {
            assertThat(page(story, odd).get("matching").asInt()).as(odd).isNotNegative();
        }
    }

    @Test
    void aQuestionIsNoLongerThanASentence() {
        String long10000 = "harbour+".repeat(1250);
        assertThat(story.una
                        .get(story.path("/catalogue?q=" + long10000))
                        .expect(400)
                        .sentence())
                .contains("A question has at most 1,000 signs");
        story.una
                .post(story.path("/catalogue/questions"), Map.of("words", "x".repeat(1001)))
                .expect(400);
    }
}
