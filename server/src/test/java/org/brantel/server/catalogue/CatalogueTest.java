package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CatalogueTest {

    private Story story;

    @BeforeAll
    void scan() {
        story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");
    }

    private JsonNode page(String query) {
        return story.una.get(story.path("/catalogue" + query)).expect(200).json();
    }

    private static List<JsonNode> lines(JsonNode page) {
        return StreamSupport.stream(page.get("lines").spliterator(), false).toList();
    }

    @Test
    void everyFilterNarrowsToWhatItSays() {
        assertThat(lines(page("?kind=jpg&kind=png"))).isNotEmpty().allMatch(l -> List.of("jpg", "png")
                .contains(l.get("kind").asString()));
        assertThat(lines(page("?origin=deleted")))
                .isNotEmpty()
                .allMatch(l -> l.get("origins").toString().contains("deleted"));
        assertThat(lines(page("?prognosis=overwritten")))
                .isNotEmpty()
                .allMatch(l -> l.get("prognosis").asString().equals("overwritten"));
        assertThat(lines(page("?q=hive")))
                .isNotEmpty()
                .allMatch(l -> l.get("path").asString().toLowerCase(Locale.ROOT).contains("hive"));
        assertThat(lines(page("?q=" + "%25")))
                .as("a percent sign is a letter, not a pattern")
                .isEmpty();
        assertThat(page("?kind=jpg&q=no-such-name").get("matching").asInt()).isZero();
        assertThat(story.una
                        .get(story.path("/catalogue?prognosis=lost"))
                        .expect(400)
                        .sentence())
                .contains("'lost' is not a prognosis");
    }

    @Test
    void countsBesideAConditionLeaveThatConditionOut() {
        JsonNode jpg = page("?kind=jpg");
        assertThat(jpg.get("kinds").get("png")).isNotNull();
        assertThat(jpg.get("origins").properties())
                .allMatch(e -> e.getValue().asInt() <= jpg.get("matching").asInt());
        long all = StreamSupport.stream(page("").get("prognoses").spliterator(), false)
                .mapToLong(JsonNode::asLong)
                .sum();
        assertThat(all).isEqualTo(page("").get("all").asLong());
    }

    @Test
    void theWantedListNarrowsAndFollowsItsOwnChanges() {
        JsonNode docket = story.una.get(story.path("")).json();
        long images = docket.get("wanted").get(0).get("id").asLong();
        assertThat(lines(page("?wanted=" + images))).isNotEmpty().allMatch(l -> List.of("jpg", "png", "gif")
                .contains(l.get("kind").asString()));
        Map<String, Object> form = new CaseForms()
                .told("loss.event", "deleted-directly")
                .wanted("only the portable documents", "pdf", "", 2)
                .version(docket.get("version").asInt())
                .build();
        story.una.put(story.path(""), form).expect(200);
        JsonNode wanted = story.una.get(story.path("/catalogue/wanted")).json();
        assertThat(wanted.size()).isEqualTo(1);
        assertThat(wanted.get(0).get("tally").get("found").get("whole").asInt())
                .isEqualTo(page("?kind=pdf&prognosis=whole").get("matching").asInt());
    }

    @Test
    void picturesComeByWhenTheyWereMade() {
        List<JsonNode> pictures = lines(page("?kind=image&sort=made"));
        assertThat(pictures).hasSizeGreaterThan(3).allMatch(l -> List.of("jpg", "png", "gif", "bmp", "tiff")
                .contains(l.get("kind").asString()));
        assertThat(pictures.stream().filter(l -> l.has("made")).map(l -> l.get("made")
                        .asString()))
                .isNotEmpty()
                .isSorted();
        assertThat(page("?kind=image").get("matching").asInt()).isEqualTo(pictures.size());
    }

    @Test
    void sortsAsAsked() {
        List<Long> sizes = lines(page("?sort=size")).stream()
                .map(l -> l.get("size").asLong())
                .toList();
        assertThat(sizes).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        List<String> names = lines(page("?sort=name")).stream()
                .map(l -> l.get("name").asString())
                .toList();
        assertThat(names).isSorted();
    }

    @Test
    void aSelectionIsMadeAndTakenBack() {
        long id = lines(page("?kind=jpg&prognosis=whole")).get(0).get("id").asLong();
        JsonNode sum = story.una
                .put(story.path("/catalogue/selection"), Map.of("ids", List.of(id), "selected", true))
                .expect(200)
                .json();
        assertThat(sum.get("files").asInt()).isEqualTo(1);
        assertThat(lines(page("?selectedOnly=true")))
                .singleElement()
                .matches(l -> l.get("id").asLong() == id);
        assertThat(story.una
                        .put(story.path("/catalogue/selection"), Map.of("ids", List.of(id), "selected", false))
                        .json()
                        .get("files")
                        .asInt())
                .isZero();
    }

    @Test
    void oneChangeIsTakenBackWithoutWhatWasChosenSince() {
        List<Long> pictures = lines(page("?kind=jpg&prognosis=whole")).stream()
                .map(l -> l.get("id").asLong())
                .toList();
        JsonNode all = select(Map.of(
                "ids",
                List.of(),
                "filter",
                Map.of("kinds", List.of("jpg"), "prognoses", List.of("whole"), "selectedOnly", false),
                "selected",
                true));
        assertThat(all.get("changed").asInt()).isEqualTo(pictures.size());
        JsonNode one = select(Map.of("ids", List.of(pictures.get(0)), "selected", false));
        assertThat(one.get("changed").asInt()).isOne();
        String change = story.path("/catalogue/selection/");
        story.una.delete(change + all.get("change").asLong()).expect(200);
        assertThat(lines(page("?selectedOnly=true"))).isEmpty();
        // The one was given up since: it is no more of that change, and stays given up.
        JsonNode back = story.una
                .delete(change + one.get("change").asLong())
                .expect(200)
                .json();
        assertThat(back.get("files").asInt()).isOne();
        select(Map.of("ids", pictures, "selected", false));
    }

    @Test
    void twoPeopleMayChooseTheSameAtOnce() {
        List<Long> texts =
                lines(page("?kind=txt")).stream().map(l -> l.get("id").asLong()).toList();
        for (boolean yes : new boolean[] {true, false, true, false}) {
            int changed = IntStream.range(0, 6)
                    .parallel()
                    .map(i -> select(Map.of("ids", texts, "selected", yes))
                            .get("changed")
                            .asInt())
                    .sum();
            assertThat(changed).isEqualTo(texts.size());
        }
        assertThat(lines(page("?selectedOnly=true&kind=txt"))).isEmpty();
    }

    private JsonNode select(Map<String, Object> change) {
        return story.una
                .put(story.path("/catalogue/selection"), change)
                .expect(200)
                .json();
    }

    @Test
    void theFindingsOfOneVolumeAreShownAsItsSessionNumbersIt() {
        JsonNode first = lines(page("")).get(0);
        long session = first.get("sessions").get(0).asLong();
        JsonNode here = page("?volumes=" + session + ":0," + session + ":1");
        assertThat(here.get("matching").asInt())
                .isPositive()
                .isLessThanOrEqualTo(page("").get("matching").asInt());
        assertThat(page("?volumes=" + session + ":99").get("matching").asInt()).isZero();
        story.una.get(story.path("/catalogue?volumes=all")).expect(400);
    }

    @Test
    void anImageThatIsGoneIsSaid() throws IOException {
        JsonNode image = story.una.get(story.path("/images")).json().get(0);
        assertThat(image.get("there").asBoolean()).isTrue();
        Path file = Path.of(image.get("file").asString());
        Path aside = file.resolveSibling("aside.img");
        Files.move(file, aside);
        try {
            assertThat(story.una
                            .get(story.path("/images"))
                            .json()
                            .get(0)
                            .get("there")
                            .asBoolean())
                    .isFalse();
        } finally {
            Files.move(aside, file);
        }
    }

    @Test
    void picturesAreDrawnAnewAndTextIsText() {
        JsonNode picture = lines(page("?kind=png&prognosis=whole")).get(0);
        String path = story.path("/catalogue/" + picture.get("id").asLong());
        assertThat(story.una.get(path + "/preview").json().get("shape").asString())
                .isEqualTo("picture");
        Visitor.Answer png = story.una.get(path + "/picture").expect(200);
        assertThat(png.header("Content-Type")).isEqualTo("image/png");
        assertThat(png.body()).startsWith(0x89, 'P', 'N', 'G');
        // Once drawn it is kept, and says nothing that a camera wrote beside it.
        byte[] small = story.una.get(path + "/small").expect(200).body();
        assertThat(small).startsWith(0xff, 0xd8).hasSizeLessThan(40_000);
        assertThat(new String(small, StandardCharsets.ISO_8859_1)).doesNotContain("Exif");
        assertThat(story.una.get(path + "/small").expect(200).body()).isEqualTo(small);
        JsonNode text = lines(page("?kind=txt&prognosis=whole")).get(0);
        assertThat(story.una
                        .get(story.path("/catalogue/" + text.get("id").asLong() + "/small"))
                        .expect(404)
                        .sentence())
                .contains("no small picture");
        JsonNode preview = story.una
                .get(story.path("/catalogue/" + text.get("id").asLong() + "/preview"))
                .json();
        assertThat(preview.get("shape").asString()).isEqualTo("text");
        assertThat(preview.get("text").asString()).isNotBlank();
        assertThat(story.una
                        .get(story.path("/catalogue/" + text.get("id").asLong() + "/picture"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aLineOfAnotherCaseIsNotThere() {
        long id = lines(page("")).get(0).get("id").asLong();
        String other = new CaseForms().log(story.una);
        assertThat(story.una
                        .get("/api/cases/" + other + "/catalogue/" + id + "/preview")
                        .expect(404)
                        .sentence())
                .contains("no line");
        assertThat(story.una
                        .put(
                                "/api/cases/" + other + "/catalogue/selection",
                                Map.of("ids", List.of(id), "selected", true))
                        .json()
                        .get("files")
                        .asInt())
                .isZero();
    }
}
