package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is chosen, how that was changed, and what is kept under a name. */
class SelectionTest {

    private final Lab lab = Lab.open();
    private Story story;
    private List<Long> all;

    @BeforeEach
    void scan() {
        story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");
        all = new ArrayList<>();
        page("").get("lines").forEach(l -> all.add(l.get("id").asLong()));
        assertThat(all).hasSizeGreaterThan(20);
    }

    private JsonNode page(String query) {
        return story.una.get(story.path("/catalogue" + query)).expect(200).json();
    }

    private Set<Long> chosen() {
        return page("?selectedOnly=true")
                .get("lines")
                .valueStream()
                .map(l -> l.get("id").asLong())
                .collect(Collectors.toSet());
    }

    private JsonNode select(List<Long> ids, boolean yes) {
        return story.una
                .put(story.path("/catalogue/selection"), Map.of("ids", ids, "selected", yes))
                .expect(200)
                .json();
    }

    private Visitor.Answer takeBack(long change) {
        return story.una.delete(story.path("/catalogue/selection/" + change));
    }

    private JsonNode kept() {
        return story.una
                .get(story.path("/catalogue/selection/kept"))
                .expect(200)
                .json();
    }

    private JsonNode keep(String name) {
        return story.una
                .post(story.path("/catalogue/selection/kept"), Map.of("name", name, "letGo", false))
                .expect(200)
                .json();
    }

    private JsonNode apply(long kept, String how) {
        return story.una
                .post(story.path("/catalogue/selection/kept/" + kept), Map.of("how", how))
                .expect(200)
                .json();
    }

    /** Beside a plain list of who turned what, in any order of choosing and taking back. */
    @Test
    void changesAreTakenBackInAnyOrder() {
        Random random = new Random(16);
        record Turn(long change, Set<Long> turned) {}
        Set<Long> expected = new HashSet<>();
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            if (turns.isEmpty() || random.nextInt(3) > 0) {
                List<Long> some =
                        all.stream().filter(l -> random.nextInt(4) == 0).toList();
                boolean yes = random.nextBoolean();
                Set<Long> turned =
                        some.stream().filter(l -> expected.contains(l) != yes).collect(Collectors.toSet());
                JsonNode changed = select(some, yes);
                assertThat(changed.get("changed").asLong()).isEqualTo(turned.size());
                if (!turned.isEmpty()) {
                    turns.add(new Turn(changed.get("change").asLong(), turned));
                }
                turned.forEach(l -> turn(expected, l));
            } else {
                int which = random.nextInt(turns.size());
                Turn gone = turns.remove(which);
                Set<Long> back = new HashSet<>(gone.turned());
                turns.subList(which, turns.size()).forEach(later -> back.removeAll(later.turned()));
                assertThat(takeBack(gone.change()).expect(200).json().get("files"))
                        .isNotNull();
                back.forEach(l -> turn(expected, l));
            }
            assertThat(chosen()).as("after %d turns", i + 1).isEqualTo(expected);
        }
        JsonNode sum = page("?selectedOnly=true").get("selection");
        assertThat(sum.get("files").asLong()).isEqualTo(expected.size());
        assertThat(sum.get("bytes").asLong())
                .isEqualTo(page("?selectedOnly=true")
                        .get("lines")
                        .valueStream()
                        .mapToLong(l -> l.get("size").asLong())
                        .sum());
    }

    private static void turn(Set<Long> lines, long line) {
        if (!lines.remove(line)) {
            lines.add(line);
        }
    }

    @Test
    void changesStayOnRecordWithWhoMadeThem() {
        long change = select(all.subList(0, 3), true).get("change").asLong();
        JsonNode on = story.una
                .get(story.path("/catalogue/selection/changes"))
                .expect(200)
                .json()
                .get(0);
        assertThat(on.get("what").asString()).isEqualTo("chose 3 findings");
        assertThat(on.get("who").asString()).isEqualTo("Una Farrow");
        assertThat(on.get("chosen").asInt()).isEqualTo(3);
        assertThat(on.has("takenBackBy")).isFalse();
        takeBack(change).expect(200);
        takeBack(change).expect(200);
        assertThat(chosen()).isEmpty();
        assertThat(story.una
                        .get(story.path("/catalogue/selection/changes"))
                        .json()
                        .get(0)
                        .get("takenBackBy")
                        .asString())
                .isEqualTo("Una Farrow");
        assertThat(takeBack(999_999).expect(404).sentence()).contains("not on record any more");
    }

    @Test
    void keptSelectionsAreAddedSubtractedAndPutInPlace() {
        select(all.subList(0, 4), true);
        long four = keep("the parish clerk").get(0).get("id").asLong();
        select(all.subList(0, 2), false);
        select(all.subList(10, 13), true);
        long five = keep("for the band").get(1).get("id").asLong();
        assertThat(kept().get(1).get("files").asLong()).isEqualTo(5);

        assertThat(apply(four, "add").get("files").asInt()).isEqualTo(7);
        assertThat(apply(five, "subtract").get("files").asInt()).isEqualTo(2);
        assertThat(chosen()).isEqualTo(Set.copyOf(all.subList(0, 2)));
        JsonNode only = apply(five, "only");
        assertThat(only.get("files").asInt()).isEqualTo(5);
        assertThat(only.get("changed").asInt()).isEqualTo(7);
        takeBack(only.get("change").asLong()).expect(200);
        assertThat(chosen()).isEqualTo(Set.copyOf(all.subList(0, 2)));
        assertThat(story.una
                        .get(story.path("/catalogue/selection/changes"))
                        .json()
                        .get(0)
                        .get("what")
                        .asString())
                .isEqualTo("chose nothing but “for the band”");
    }

    @Test
    void namesOfKeptSelectionsAreOneEachAndCanBeTakenUpAgain() {
        String path = story.path("/catalogue/selection/kept");
        assertThat(story.una
                        .post(path, Map.of("name", "nothing", "letGo", false))
                        .expect(409)
                        .sentence())
                .contains("choose findings first");
        select(all.subList(0, 4), true);
        long id = keep("letters").get(0).get("id").asLong();
        assertThat(story.una
                        .post(path, Map.of("name", "Letters", "letGo", false))
                        .expect(409)
                        .sentence())
                .contains("“Letters” already");
        assertThat(story.una
                        .post(path, Map.of("name", " ", "letGo", false))
                        .expect(400)
                        .sentence())
                .contains("needs a name");
        story.una.put(path + "/" + id, Map.of("name", "letters", "letGo", true)).expect(200);
        assertThat(kept()).isEmpty();
        story.una
                .put(path + "/" + id, Map.of("name", "letters home", "letGo", false))
                .expect(200);
        assertThat(kept().get(0).get("name").asString()).isEqualTo("letters home");
        assertThat(kept().get(0).get("files").asInt()).isEqualTo(4);
        assertThat(story.una
                        .post(path + "/999999", Map.of("how", "add"))
                        .expect(404)
                        .sentence())
                .contains("no kept selection");
    }

    /** What was chosen weighs what it is found to be, when another session finds more of it. */
    @Test
    void whatIsChosenIsWeighedAnewWithTheNextSession() {
        select(all, true);
        story.scanned("both", true);
        Map<String, Object> counted = lab.sql()
                .queryForMap(
                        "select count(*) as files, sum(l.size) as bytes from catalogue_line l join lab_case c on "
                                + "c.id = l.case_id where c.number = ? and l.merged_into is null and exists (select 1 "
                                + "from selection_block b where b.set_id = -l.case_id and b.block = l.id / 8192 and "
                                + "get_bit(b.bits, (l.id % 8192)::int) = 1)",
                        story.number);
        JsonNode sum = page("").get("selection");
        assertThat(sum.get("files").asLong()).isEqualTo(((Number) counted.get("files")).longValue());
        assertThat(sum.get("bytes").asLong()).isEqualTo(((Number) counted.get("bytes")).longValue());
    }
}
