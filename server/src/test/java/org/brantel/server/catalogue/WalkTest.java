package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
import tools.jackson.databind.JsonNode;

/** A catalogue is walked by its folders, and read page by page. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WalkTest {

    private static final int SLOT = 1024;
    private static final int MANY = 430;

    private final Lab lab = Lab.open();
    private final Catalogues catalogues = lab.bean(Catalogues.class);
    private long imaging;
    private Story story;

    @BeforeAll
    void find() throws IOException {
        byte[] medium = new byte[SLOT * (MANY + 100)];
        new Random(3).nextBytes(medium);
        Files.write(lab.inbox().resolve("walk.img"), medium);
        imaging = Story.of(new CaseForms())
                .imaged("inbox/walk.img")
                .session()
                .get("id")
                .asLong();
        story = Story.of(new CaseForms());
        catalogues.merge(
                story.number,
                3,
                imaging,
                List.of(
                        named(1, "/Band/march.mp3", Prognosis.WHOLE),
                        named(2, "/Band/Parts/cornet.pdf", Prognosis.WHOLE),
                        named(3, "/Band/Parts/tuba.pdf", Prognosis.GAPPED),
                        named(4, "/Tide/gauge.log", Prognosis.WHOLE),
                        trashed(5, "/$Recycle.Bin/S-1/$RX.pdf", "C:/Band/Parts/horn.pdf"),
                        named(6, "/read me.txt", Prognosis.WHOLE),
                        nameless(7),
                        nameless(8)));
        // Another session has one file more of the same volume, which it numbers differently.
        catalogues.merge(story.number, 4, imaging, List.of(named(9, "/Band/Parts/drum.pdf", Prognosis.WHOLE)));
    }

    private static Finding named(int slot, String path, Prognosis prognosis) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        return new Finding(
                slot,
                0,
                Origin.LIVE,
                Named.of(path, name),
                slot % 5 == 0 ? Times.NONE : new Times(null, Instant.ofEpochSecond(1_700_000_000L + slot % 7), null),
                new Verdict(prognosis, 60 + slot % 30, List.of("seen")),
                Content.of(200 + slot % 9, name.substring(name.lastIndexOf('.') + 1), List.of(place(slot))),
                Evidence.NONE);
    }

    private static Extent place(int slot) {
        return new Extent((long) slot * SLOT, 200 + slot % 9);
    }

    private static Finding trashed(int slot, String path, String from) {
        Finding f = named(slot, path, Prognosis.WHOLE);
        return f.withRecord(f.record().trashed(Instant.EPOCH, from));
    }

    private static Finding nameless(int slot) {
        return new Finding(
                slot,
                null,
                Origin.CARVED,
                Named.of(null, "at-" + slot * SLOT + ".jpg"),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 80, List.of("seen")),
                Content.of(200 + slot % 9, "jpg", List.of(place(slot))),
                Evidence.NONE);
    }

    private JsonNode get(String query) {
        return story.una.get(story.path("/catalogue" + query)).expect(200).json();
    }

    private static Stream<JsonNode> stream(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    private static String shelf(JsonNode s) {
        JsonNode holds = s.get("holds");
        return s.get("name").asString() + " " + holds.get("lines") + " lines " + holds.get("whole") + " whole";
    }

    /** The numbers of a folder, as an address takes them. */
    private String folder(String query, String name) {
        return stream(get("/place" + query).get("shelves"))
                .filter(s -> s.get("name").asString().equals(name))
                .flatMap(s -> stream(s.get("folders")))
                .map(f -> "folder=" + f.asLong())
                .collect(Collectors.joining("&", "?", ""));
    }

    private String names(String query) {
        return String.join(
                ", ",
                stream(get(query).get("lines"))
                        .map(l -> l.get("stands").get("name").asString())
                        .sorted()
                        .toList());
    }

    @Test
    void aCaseOpensIntoItsVolumesAndWhatNoRecordNames() {
        JsonNode top = get("/place");
        assertThat(stream(top.get("shelves")).map(s -> s.get("volume").asString() + shelf(s)))
                .containsExactly("3:0 6 lines 5 whole", "4:0 1 lines 1 whole");
        assertThat(top.get("nameless").get("jpg").get("lines").asInt()).isEqualTo(2);
        assertThat(get("?nameless=true").get("matching").asInt()).isEqualTo(2);
    }

    @Test
    void whatNoRecordNamesStandsByItsDays() {
        long dated = get("?nameless=true").get("lines").get(0).get("id").asLong();
        lab.sql().update("update catalogue_line set made = '2021-05-04 23:30' where id = ?", dated);
        JsonNode top = get("/place");
        assertThat(top.get("days")).hasSize(1);
        assertThat(top.get("days").get(0).get("from").asString()).isEqualTo("2021-05-04");
        assertThat(top.get("days").get(0).get("to").asString()).isEqualTo("2021-05-04");
        assertThat(top.get("days").get(0).get("holds").get("lines").asInt()).isEqualTo(1);
        assertThat(top.get("undated").get("lines").asInt()).isEqualTo(1);
        assertThat(get("?nameless=true&q=on+2021-05-04").get("matching").asInt())
                .isEqualTo(1);
    }

    @Test
    void theSameFolderOfTwoSessionsIsOnePlace() {
        String volumes = folder("", "");
        assertThat(stream(get("/place" + volumes).get("shelves")).map(WalkTest::shelf))
                .containsExactly("Band 5 lines 4 whole", "Tide 1 lines 1 whole");
        assertThat(get("/place" + volumes).get("own").get("lines").asInt()).isOne();
        JsonNode band = get("/place" + folder(volumes, "Band"));
        assertThat(stream(band.get("shelves")).map(WalkTest::shelf)).containsExactly("Parts 4 lines 3 whole");
        assertThat(band.get("own").get("lines").asInt()).isOne();
        assertThat(band.get("path").asString()).isEqualTo("/Band");
        assertThat(stream(band.get("behind"))
                        .map(b -> b.get("name").asString() + b.get("folders").size()))
                .containsExactly("2", "Band2");
    }

    @Test
    void aPlaceIsListedWithWhatLiesBelowOrWithout() {
        String band = folder(folder("", ""), "Band");
        assertThat(names(band)).isEqualTo("march.mp3");
        assertThat(names(band + "&below=true")).isEqualTo("cornet.pdf, drum.pdf, horn.pdf, march.mp3, tuba.pdf");
        assertThat(names(band + "&below=true&prognosis=gapped")).isEqualTo("tuba.pdf");
        assertThat(names(folder("", ""))).as("the volume, nothing below").isEqualTo("read me.txt");
        assertThat(names(folder("", "") + "&below=true"))
                .as("the volume as a whole")
                .isEqualTo("cornet.pdf, drum.pdf, gauge.log, horn.pdf, march.mp3, read me.txt, tuba.pdf");
    }

    @Test
    void whatIsInTheTrashStandsWhereItWasDeletedFromAndIsFoundByEitherName() {
        JsonNode horn = get("?q=horn").get("lines").get(0);
        assertThat(horn.get("stands").get("folder").asString()).isEqualTo("/Band/Parts");
        assertThat(horn.get("stands").get("trashed").asBoolean()).isTrue();
        assertThat(horn.get("path").asString()).isEqualTo("/$Recycle.Bin/S-1/$RX.pdf");
        assertThat(names("?q=$RX")).isEqualTo("horn.pdf");
    }

    @Test
    void aTextFindsNamesAndFolders() {
        assertThat(names("?q=TUBA")).isEqualTo("tuba.pdf");
        assertThat(names("?q=parts")).isEqualTo("cornet.pdf, drum.pdf, horn.pdf, tuba.pdf");
        assertThat(names("?q=Parts/tu")).isEqualTo("tuba.pdf");
        assertThat(get("?q=%25").get("matching").asInt()).isZero();
        assertThat(get("?q=_").get("matching").asInt()).isZero();
    }

    @Test
    void placesThatAreNotThereAreSaid() {
        assertThat(story.una
                        .get(story.path("/catalogue/place?folder=999999999"))
                        .expect(404)
                        .sentence())
                .contains("no such folder");
        String volumes = folder("", "");
        String two = folder(volumes, "Band") + folder(volumes, "Tide").replace('?', '&');
        assertThat(story.una
                        .get(story.path("/catalogue/place" + two))
                        .expect(400)
                        .sentence())
                .contains("different folders");
        assertThat(Story.of(new CaseForms())
                        .una
                        .get(story.path("/catalogue?after=999999999"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatIsTooMuchOrMalformedIsRefusedInASentence() {
        List<Integer> many = IntStream.range(0, 20_001).boxed().toList();
        assertThat(refused(Map.of("ids", many, "selected", true))).contains("At most 20,000 lines");
        assertThat(refusedFilter("in", Map.of("folders", many, "below", true, "nameless", false)))
                .contains("one folder");
        assertThat(refusedFilter("by", Map.of("volumes", List.of("all")))).contains("like 3:1");
        String address = "/catalogue/place?folder=" + "1,".repeat(501) + "1";
        assertThat(story.una.get(story.path(address)).expect(400).sentence()).contains("one folder");
    }

    private String refusedFilter(String part, Map<String, Object> value) {
        return refused(
                Map.of("ids", List.of(), "filter", Map.of("selectedOnly", false, part, value), "selected", true));
    }

    private String refused(Map<String, Object> change) {
        return story.una
                .put(story.path("/catalogue/selection"), change)
                .expect(400)
                .sentence();
    }

    /** Whatever the order, each line comes once, and none is left out. */
    @Test
    void pagesFollowEachOtherWithoutGapOrRepeat() throws IOException {
        Story many = Story.of(new CaseForms());
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < MANY; i++) {
            findings.add(
                    i % 3 == 0
                            ? nameless(i + 20)
                            : named(i + 20, "/d" + i % 4 + "/f" + i % 50 + "." + i % 6, Prognosis.WHOLE));
        }
        catalogues.merge(many.number, 1, imaging, findings);
        Map<String, Comparator<JsonNode>> orders = Map.of(
                "path", Comparator.comparing(l -> l.has("path") ? l.get("path").asString() : "\uffff"),
                "name", Comparator.comparing(l -> l.get("name").asString()),
                "made", Comparator.comparing(l -> l.has("made") ? l.get("made").asString() : "\uffff"),
                "size", Comparator.comparing(l -> -l.get("size").asLong()),
                "score", Comparator.comparing(l -> -l.get("score").asInt()),
                "modified",
                        Comparator.comparing(
                                (JsonNode l) ->
                                        l.has("modified") ? l.get("modified").asString() : "",
                                Comparator.reverseOrder()));
        orders.forEach((sort, order) -> {
            List<JsonNode> all = new ArrayList<>();
            String after = "";
            for (List<JsonNode> page = List.of(); after.isEmpty() || !page.isEmpty(); ) {
                page = stream(many.una
                                .get(many.path("/catalogue?sort=" + sort + after))
                                .expect(200)
                                .json()
                                .get("lines"))
                        .toList();
                all.addAll(page);
                after = "&after=" + all.get(all.size() - 1).get("id").asLong();
            }
            assertThat(new HashSet<>(all.stream().map(l -> l.get("id").asLong()).toList()))
                    .as(sort)
                    .hasSize(MANY);
            assertThat(all).as(sort).hasSize(MANY).isSortedAccordingTo(order);
        });
    }

    @Test
    void foldersAndNamesWithoutEndAreKept() throws IOException {
        Story deep = Story.of(new CaseForms());
        String longName = "n".repeat(4000) + ".txt";
        catalogues.merge(
                deep.number,
                1,
                imaging,
                List.of(
                        named(1, "/d".repeat(3000) + "/x.txt", Prognosis.WHOLE),
                        named(2, "/" + "ü".repeat(5000) + "/" + longName, Prognosis.WHOLE)));
        JsonNode page = deep.una.get(deep.path("/catalogue?q=nnnn")).expect(200).json();
        assertThat(page.get("lines").get(0).get("name").asString()).isEqualTo(longName);
        assertThat(deep.una
                        .get(deep.path("/catalogue"))
                        .expect(200)
                        .json()
                        .get("matching")
                        .asInt())
                .isEqualTo(2);
    }
}
