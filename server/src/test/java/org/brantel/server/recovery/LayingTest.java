package org.brantel.server.recovery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.manifest.BagCheck;
import org.brantel.core.testing.Corpus;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A selection is laid out before it is written, and is written as it was shown. */
class LayingTest {

    private static JsonNode look(Story story, String query) {
        return story.una.get(story.path("/recovery/layout" + query)).expect(200).json();
    }

    private static List<String> names(JsonNode list) {
        return list.valueStream().map(f -> f.get("name").asString()).toList();
    }

    /** All paths below a folder, as they are shown. */
    private static Stream<String> shown(Story story, String laying, String folder) {
        JsonNode here = look(story, laying + "&folder=" + folder.replace(" ", "%20"));
        String within = folder.isEmpty() ? "" : folder + "/";
        return Stream.concat(
                names(here.get("files")).stream().map(within::concat),
                names(here.get("folders")).stream().flatMap(f -> shown(story, laying, within + f)));
    }

    @Test
    void aSelectionIsWrittenAsItWasShown() {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        JsonNode byKind = look(story, "?layout=by-kind&opensOn=windows");
        assertThat(byKind.get("layout").asString()).isEqualTo("by-kind");
        assertThat(names(byKind.get("folders"))).contains("pictures", "documents");
        JsonNode sum = byKind.get("sum");
        assertThat(sum.get("files").asLong())
                .isEqualTo(byKind.get("folders")
                        .valueStream()
                        .mapToLong(f -> f.get("files").asLong())
                        .sum());
        assertThat(sum.get("room").asLong()).isPositive();
        TreeSet<String> shown = new TreeSet<>(
                shown(story, "?layout=by-kind&opensOn=windows", "").toList());
        assertThat(shown).hasSize(sum.get("files").asInt());

        story.una
                .post(story.path("/recovery"), Map.of("layout", "by-kind", "opensOn", "windows"))
                .expect(201);
        JsonNode run = story.una
                .await(
                        story.path("/recovery"),
                        r -> r.get(0).get("state").asString().equals("done"))
                .get(0);
        assertThat(run.get("layout").asString()).isEqualTo("by-kind");
        assertThat(run.get("opensOn").asString()).isEqualTo("windows");
        TreeSet<String> written = new TreeSet<>();
        story.una
                .get("/api/recovery/" + run.get("id").asLong() + "/files")
                .json()
                .get("items")
                .forEach(f -> written.add(f.get("path").asString()));
        assertThat(written).isEqualTo(shown);
    }

    @Test
    void namesThatCouldNotStayAreShownWithWhatWasChanged() {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        JsonNode byDay = look(story, "?layout=by-day");
        assertThat(names(byDay.get("folders"))).allMatch(n -> n.matches("\\d{4}|day not known"));
        assertThat(story.una
                        .get(story.path("/recovery/layout?layout=by-moon"))
                        .expect(400)
                        .sentence())
                .contains("no layout 'by-moon'");
    }

    /** A run that was stopped goes on over what is chosen then; what was given up is neither counted nor delivered. */
    @Test
    void aRunGoesOnWithWhatIsChosenThen() throws IOException {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        JsonNode run = story.recovered();
        long id = run.get("id").asLong();
        Lab.open().sql().update("update recovery_run set state = 'PAUSED', ended_at = null where id = ?", id);
        JsonNode given = story.una
                .get("/api/recovery/" + id + "/files")
                .json()
                .get("items")
                .get(0);
        story.una
                .put(
                        story.path("/catalogue/selection"),
                        Map.of("ids", List.of(given.get("line").asLong()), "selected", false))
                .expect(200);
        story.una.post("/api/recovery/" + id + "/resume").expect(200);
        JsonNode fewer = story.una
                .await(
                        story.path("/recovery"),
                        r -> r.get(0).get("state").asString().equals("done"))
                .get(0);
        assertThat(fewer.get("total").asInt()).isEqualTo(run.get("total").asInt() - 1);
        assertThat(fewer.get("done").asInt()).isEqualTo(fewer.get("total").asInt());
        assertThat(story.una
                        .get("/api/recovery/" + id + "/files")
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(fewer.get("total").asInt());
        assertThat(story.sealed().get("state").asString()).isEqualTo("sealed");
        assertThat(story.bag().resolve("data").resolve(given.get("path").asString()))
                .doesNotExist();
    }

    /** Names of a system that holds nearly any sign are sealed, checked and handed over as they are. */
    @Test
    void namesWithSignsThatOneSystemAloneHoldsAreSealed() throws IOException {
        byte[] log = "north 31.5 kg\n".getBytes(StandardCharsets.US_ASCII);
        Files.write(Lab.open().inbox().resolve("signs.img"), Arrays.copyOf(log, 1 << 20));
        Story story = Story.of(new CaseForms()).decided().imaged("inbox/signs.img");
        String name = "Weights: \"north\" <a|b>? c\\d*.txt";
        Finding odd = new Finding(
                1,
                0,
                Origin.LIVE,
                Named.of("/Logs/" + name, name),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 90, List.of("seen")),
                Content.of(log.length, "txt", List.of(new Extent(0, log.length))),
                Evidence.NONE);
        Lab.open()
                .bean(Catalogues.class)
                .merge(story.number, 1, story.session().get("id").asLong(), List.of(odd));
        story.selectedWhole();
        story.una
                .post(story.path("/recovery"), Map.of("layout", "as-it-stood", "opensOn", "linux"))
                .expect(201);
        story.una.await(
                story.path("/recovery"), r -> r.get(0).get("state").asString().equals("done"));
        assertThat(story.sealed().get("state").asString()).isEqualTo("sealed");
        assertThat(story.bag().resolve("data").resolve("Logs").resolve(name)).hasBinaryContent(log);
        BagCheck check = BagCheck.of(story.bag());
        assertThat(check.problems()).isEmpty();
    }

    /** Files of two images that have the same names are all written, sealed, and found in the bag. */
    @Test
    void filesOfTwoImagesAreSealedTogether() throws IOException {
        Corpus.image("d07-mbr-zeroed", Lab.open().inbox());
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure");
        long files = story.una.get(story.path("/catalogue")).json().get("all").asLong();
        story.attached("inbox/d07-mbr-zeroed.img").imaging("healthy");
        story.awaitImaging("done");
        story.scanned("structure");
        assertThat(story.una.get(story.path("/catalogue")).json().get("all").asLong())
                .as("files that only one card has")
                .isGreaterThan(files);
        story.selectedWhole();
        story.recovered();
        JsonNode sealed = story.sealed();
        assertThat(sealed.get("state").asString()).isEqualTo("sealed");
        Path bag = story.bag();
        assertThat(bag.resolve("data").resolve("image 2")).isDirectory();
    }
}
