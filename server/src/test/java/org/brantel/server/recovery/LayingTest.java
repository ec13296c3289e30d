package org.brantel.server.recovery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.brantel.core.testing.Corpus;
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
