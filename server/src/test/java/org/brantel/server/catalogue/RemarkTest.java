package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What the lab remarks on findings, how they are asked for by it, and what becomes of it in a delivery. */
class RemarkTest {

    private Story story;
    private List<Long> all;

    @BeforeEach
    void scan() {
        story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");
        all = asked("");
        assertThat(all).hasSizeGreaterThan(20);
    }

    private List<Long> asked(String question) {
        return page(question)
                .get("lines")
                .valueStream()
                .map(l -> l.get("id").asLong())
                .toList();
    }

    private JsonNode page(String question) {
        return story.una
                .get(story.path("/catalogue?q=" + URLEncoder.encode(question, StandardCharsets.UTF_8)))
                .expect(200)
                .json();
    }

    private Visitor.Answer remark(List<Long> lines, Map<String, String> what) {
        Map<String, Object> body = new HashMap<>(what);
        body.put("lines", lines);
        body.put("chosen", false);
        return story.una.post(story.path("/catalogue/remarks"), body);
    }

    private JsonNode remarkOn(long line) {
        return page("").get("lines")
                .valueStream()
                .filter(l -> l.get("id").asLong() == line)
                .findFirst()
                .orElseThrow()
                .path("remark");
    }

    @Test
    void questionsFindWhatWasRemarked() {
        List<Long> theirs = all.subList(0, 3);
        List<Long> strange = all.subList(3, 5);
        remark(theirs, Map.of("whose", "theirs", "tag", "First dance")).expect(200);
        remark(strange, Map.of("whose", "not-theirs", "note", "came with the 100 % free player"))
                .expect(200);
        remark(List.of(all.get(1)), Map.of("called", "Pier at dusk.jpg")).expect(200);
        assertThat(asked("theirs")).containsExactlyInAnyOrderElementsOf(theirs);
        assertThat(asked("not theirs")).containsExactlyInAnyOrderElementsOf(strange);
        assertThat(asked("theirs or not theirs")).hasSize(5);
        assertThat(asked("tagged \"first dance\"")).containsExactlyInAnyOrderElementsOf(theirs);
        assertThat(asked("tagged first")).isEmpty();
        assertThat(asked("not tagged")).hasSize(all.size() - 3).doesNotContainAnyElementsOf(theirs);
        assertThat(asked("with a note")).containsExactlyInAnyOrderElementsOf(strange);
        assertThat(asked("\"100 % free\"")).containsExactlyInAnyOrderElementsOf(strange);
        assertThat(asked("not \"100 % free\"")).hasSize(all.size() - 2).doesNotContainAnyElementsOf(strange);
        assertThat(asked("renamed")).containsExactly(all.get(1));
        assertThat(asked("\"at dusk\"")).containsExactly(all.get(1));
        assertThat(asked("Pier*.jpg")).contains(all.get(1));
        JsonNode tags = story.una.get(story.path("/catalogue/remarks/tags")).json();
        assertThat(tags.get(0).get("tag").asString()).isEqualTo("First dance");
        assertThat(tags.get(0).get("files").asInt()).isEqualTo(3);
        remark(theirs, Map.of("untag", "FIRST dance")).expect(200);
        assertThat(asked("tagged")).isEmpty();
    }

    /** A change is taken back as a whole, but for what somebody else said since. */
    @Test
    void aRemarkIsTakenBackUnlessSomebodySaidMoreSince() {
        List<Long> three = all.subList(0, 3);
        remark(three.subList(0, 1), Map.of("whose", "not-theirs", "note", "an icon"))
                .expect(200);
        JsonNode change = remark(three, Map.of("whose", "theirs")).expect(200).json();
        assertThat(change.get("before")).hasSize(3);
        remark(three.subList(2, 3), Map.of("tag", "boat")).expect(200);
        story.una.put(story.path("/catalogue/remarks"), change).expect(200);
        assertThat(asked("not theirs")).containsExactly(all.get(0));
        assertThat(remarkOn(all.get(0)).get("note").asString()).isEqualTo("an icon");
        assertThat(asked("theirs")).containsExactly(all.get(2));
        assertThat(remarkOn(all.get(1)).isMissingNode()).isTrue();
        assertThat(story.una
                        .put(story.path("/catalogue/remarks"), change)
                        .expect(409)
                        .sentence())
                .contains("since");
        assertThat(remark(three.subList(2, 3), Map.of("tag", "Boat"))
                        .expect(200)
                        .json()
                        .get("before"))
                .as("what is so already")
                .isEmpty();
    }

    @Test
    void whatCannotBeMeantIsRefusedInASentence() {
        List<Long> one = all.subList(0, 1);
        assertThat(remark(one, Map.of("called", "a/b.jpg")).expect(400).sentence())
                .contains("no '/'");
        assertThat(remark(one, Map.of("called", "x".repeat(256))).expect(400).sentence())
                .contains("255");
        assertThat(remark(one, Map.of("note", "x".repeat(2001))).expect(400).sentence())
                .contains("2,000");
        assertThat(remark(all, Map.of("called", "Boat.jpg")).expect(400).sentence())
                .contains("one finding at a time");
        assertThat(remark(List.of(), Map.of("tag", "x")).expect(404).sentence()).contains("None of these findings");
        assertThat(story.una
                        .post(story.path("/catalogue/remarks"), Map.of("lines", List.of(), "chosen", true, "tag", "x"))
                        .expect(404)
                        .sentence())
                .contains("Nothing is chosen");
        assertThat(remark(List.of(Long.MAX_VALUE), Map.of("tag", "x"))
                        .expect(404)
                        .sentence())
                .contains("None of these findings");
        remark(one, Map.of("whose", "mine")).expect(400);
        for (int i = 0; i < 20; i++) {
            remark(one, Map.of("tag", "tag " + i)).expect(200);
        }
        assertThat(remark(one, Map.of("tag", "one more")).expect(409).sentence())
                .contains("at most 20 tags");
    }

    /** The delivery has the new name; what it was called stays in its account. */
    @Test
    void aNameThatTheLabGaveIsDeliveredBesideTheOneItHad() throws IOException {
        story.selectedWhole();
        JsonNode named = page("").get("lines")
                .valueStream()
                .filter(l -> l.get("selected").asBoolean() && l.hasNonNull("path"))
                .findFirst()
                .orElseThrow();
        String was = named.get("path").asString();
        remark(List.of(named.get("id").asLong()), Map.of("called", "What Mara asked for.bin"))
                .expect(200);
        JsonNode run = story.recovered();
        JsonNode file = story.una
                .get("/api/recovery/" + run.get("id").asLong() + "/files")
                .json()
                .get("items")
                .valueStream()
                .filter(f -> f.get("line").asLong() == named.get("id").asLong())
                .findFirst()
                .orElseThrow();
        assertThat(file.get("path").asString()).endsWith("What Mara asked for.bin");
        assertThat(story.sealed().get("state").asString()).isEqualTo("sealed");
        assertThat(story.bag().resolve("data").resolve(file.get("path").asString()))
                .exists();
        assertThat(Files.readString(story.bag().resolve("account.json")))
                .contains(was)
                .contains("What Mara asked for.bin");
    }
}
