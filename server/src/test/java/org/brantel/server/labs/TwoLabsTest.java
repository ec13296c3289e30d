package org.brantel.server.labs;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.casefile.Marks;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.PackedCase;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A case goes from one lab to another and back: everything once, nothing changed on the way, nothing believed blindly. */
class TwoLabsTest {

    private static final String OTHER = "Lab of the salt works";

    private static Lab other;

    private final Visitor una = Lab.open().as("una");
    private final Visitor tom = other.as("tom");

    @TempDir
    Path folder;

    @BeforeAll
    static void openTheOther() throws IOException {
        other = Lab.another(OTHER);
    }

    @AfterAll
    static void closeTheOther() {
        other.stop();
    }

    private static String of(String number) {
        return "/api/cases/" + number;
    }

    private static JsonNode lookAt(Visitor who, byte[] file) {
        return who.postBytes("/api/arrivals?name=from-there.zip", file)
                .expect(201)
                .json();
    }

    private static Visitor.Answer bringIn(Visitor who, JsonNode arrival, String compared) {
        return who.post("/api/arrivals/" + arrival.get("id").asLong() + "/bring-in", Map.of("compared", compared));
    }

    /** @return the number that the case has there */
    private static String brought(Visitor who, byte[] file) {
        String number = bringIn(who, lookAt(who, file), "read to me by their manager on the phone")
                .expect(200)
                .json()
                .get("caseNumber")
                .asString();
        who.await(of(number) + "/scans", s -> s.valueStream().noneMatch(x -> List.of("waiting", "running")
                .contains(x.get("state").asString())));
        return number;
    }

    private static Map<String, Integer> fresh(JsonNode arrival) {
        return arrival.get("says")
                .get("brings")
                .valueStream()
                .collect(Collectors.toMap(
                        b -> b.get("what").asString(), b -> b.get("fresh").asInt()));
    }

    private static List<String> paths(Visitor who, String number) {
        return who.get(of(number) + "/catalogue?size=200")
                .expect(200)
                .json()
                .get("lines")
                .valueStream()
                .map(l ->
                        l.has("path") ? l.get("path").asString() : l.get("name").asString())
                .sorted()
                .toList();
    }

    private static List<String> notes(Visitor who, String number) {
        return who.get(of(number) + "/notes")
                .json()
                .valueStream()
                .map(n -> n.get("words").asString())
                .toList();
    }

    private static List<String> facts(Visitor who, String number) {
        return who.get(of(number))
                .json()
                .get("facts")
                .valueStream()
                .map(f -> f.get("code").asString() + " " + f.get("value").asString() + " "
                        + f.get("source").asString())
                .sorted()
                .toList();
    }

    private static Story scannedCase() {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure", true);
        story.una
                .post(story.path("/notes"), Map.of("kind", "call", "words", "She needs the letters first."))
                .expect(201);
        return story;
    }

    @Test
    void aCaseGoesOverAndComesBackAndNothingIsDoubled() throws IOException {
        other.sql().update("delete from known_lab");
        Story story = scannedCase();
        List<String> found = paths(una, story.number);
        byte[] file = PackedCase.of(una, story.number);

        JsonNode arrival = lookAt(tom, file);
        assertThat(arrival.get("says").get("lab").asString()).isEqualTo("Lab under test");
        assertThat(arrival.get("says").get("number").asString()).isEqualTo(story.number);
        assertThat(arrival.get("says").get("fingerprint"))
                .isEqualTo(una.get(story.path("/labs")).json().get("fingerprint"));
        assertThat(arrival.get("says").has("here")).isFalse();
        assertThat(fresh(arrival))
                .containsEntry("imaging", 1)
                .containsEntry("scans", 1)
                .containsEntry("notes", 1);
        assertThat(arrival.has("caseNumber"))
                .as("nothing of it is in before somebody brings it in")
                .isFalse();
        assertThat(bringIn(tom, arrival, " ").expect(400).sentence())
                .contains("Nobody has compared the key of Lab under test");

        String there = brought(tom, file);
        assertThat(facts(tom, there)).isEqualTo(facts(una, story.number));
        assertThat(notes(tom, there)).isEqualTo(notes(una, story.number));
        assertThat(tom.get(of(there) + "/notes").json().get(0).get("who").asString())
                .endsWith("(Lab under test)");
        assertThat(paths(tom, there)).isEqualTo(found);
        JsonNode read = tom.get(of(there) + "/bench").json().get("elsewhere").get(0);
        assertThat(read.get("elsewhere").asString()).isEqualTo("Lab under test");
        assertThat(read.get("readBytes")).isEqualTo(story.session().get("readBytes"));
        assertThat(read.get("sha256")).isEqualTo(story.session().get("sha256"));
        assertThat(tom.get("/api/imaging/" + read.get("id").asLong() + "/map")
                        .expect(200)
                        .json()
                        .get("ranges"))
                .as("the map tells what was read there")
                .isEqualTo(una.get("/api/imaging/" + story.session().get("id").asLong() + "/map")
                        .json()
                        .get("ranges"));
        JsonNode line =
                tom.get(of(there) + "/catalogue?size=1").json().get("lines").get(0);
        assertThat(line.get("readBytes").asLong()).as("its bytes are not here").isZero();
        assertThat(line.get("elsewhere").asString()).isEqualTo("Lab under test");
        assertThat(recovering(there).expect(409).sentence()).contains("no bytes here: the image is at Lab under test");
        JsonNode elsewhere =
                tom.get(of(there) + "/labs").json().get("elsewhere").get(0);
        assertThat(elsewhere.get("tears")).isEmpty();
        assertThat(elsewhere.get("entries").toString()).contains("logged the case", "finished a scan");
        assertThat(una.get(story.path("/custody")).json().get("tears")).isEmpty();

        // The other lab goes on: it has the device, and reads it anew.
        Corpus.image("d01-fat16", other.inbox());
        tom.post(of(there) + "/notes", Map.of("kind", "note", "words", "Heads swapped."))
                .expect(201);
        tom.post(
                        of(there) + "/bench-check?device="
                                + tom.get(of(there))
                                        .json()
                                        .get("devices")
                                        .get(0)
                                        .get("id")
                                        .asLong(),
                        Map.of("answers", List.of(Map.of("code", "bench.noise", "value", "none", "measured", false))))
                .expect(204);
        decideFirst(there);
        tom.post(of(there) + "/bench/attachment", Map.of("medium", "inbox/d01-fat16.img"))
                .expect(201);
        tom.post(of(there) + "/imaging", Map.of("profile", "healthy")).expect(201);
        tom.await(
                of(there) + "/bench",
                b -> b.get("sessions").get(0).get("state").asString().equals("done"));
        tom.await(of(there) + "/scans", s -> s.valueStream().noneMatch(x -> List.of("waiting", "running")
                .contains(x.get("state").asString())));
        tom.post(of(there) + "/scans", Map.of("method", "structure", "again", true, "hashes", true))
                .expect(201);
        tom.await(of(there) + "/scans", s -> s.valueStream().noneMatch(x -> List.of("waiting", "running")
                .contains(x.get("state").asString())));
        assertThat(paths(tom, there)).as("the same files, found again").isEqualTo(found);
        assertThat(tom.get(of(there) + "/catalogue?size=1")
                        .json()
                        .get("lines")
                        .get(0)
                        .get("readBytes")
                        .asLong())
                .as("now their bytes are there")
                .isPositive();
        recovering(there).expect(201);
        tom.await(of(there) + "/recovery", r -> r.get(0).get("state").asString().equals("done"));

        byte[] back = PackedCase.of(tom, there);
        JsonNode returned = lookAt(una, back);
        assertThat(returned.get("says").get("here").asString()).isEqualTo(story.number);
        assertThat(fresh(returned))
                .containsEntry("devices", 0)
                .containsEntry("notes", 1)
                .containsEntry("facts", 1)
                .containsEntry("imaging", 1)
                .containsEntry("scans", 1);
        assertThat(brought(una, back)).isEqualTo(story.number);
        everythingOnce(story, there, found);

        // The same once more, and what was sent before: nothing is new, nothing is lost.
        assertThat(fresh(lookAt(una, back)).values()).allMatch(n -> n == 0);
        assertThat(brought(una, back)).isEqualTo(story.number);
        everythingOnce(story, there, found);
        byte[] again = PackedCase.of(una, story.number);
        assertThat(brought(tom, again)).isEqualTo(there);
        assertThat(brought(tom, file)).as("an older file brings nothing back").isEqualTo(there);
        assertThat(notes(tom, there)).isEqualTo(notes(una, story.number));
        assertThat(paths(tom, there)).isEqualTo(found);
        assertThat(tom.get(of(there) + "/labs").json().get("elsewhere").get(0).get("tears"))
                .isEmpty();
    }

    private Visitor.Answer recovering(String number) {
        tom.put(
                        of(number) + "/catalogue/selection",
                        Map.of(
                                "ids",
                                List.of(),
                                "selected",
                                true,
                                "filter",
                                Map.of(
                                        "kinds", List.of(),
                                        "origins", List.of(),
                                        "prognoses", List.of("whole"),
                                        "selectedOnly", false)))
                .expect(200);
        return tom.post(of(number) + "/recovery", Map.of());
    }

    private void decideFirst(String number) {
        JsonNode docket = tom.get(of(number)).json();
        String first = tom.get(of(number) + "/triage")
                .json()
                .get("ranking")
                .get(0)
                .get("path")
                .asString();
        tom.post(
                        of(number) + "/triage/decision",
                        Map.of("path", first, "version", docket.get("version").asInt()))
                .expect(200);
    }

    private void everythingOnce(Story story, String there, List<String> found) {
        assertThat(paths(una, story.number)).isEqualTo(found);
        assertThat(notes(una, story.number))
                .containsExactlyInAnyOrder("She needs the letters first.", "Heads swapped.");
        assertThat(facts(una, story.number)).isEqualTo(facts(tom, there)).doesNotHaveDuplicates();
        JsonNode bench = una.get(story.path("/bench")).json();
        assertThat(bench.get("sessions")).hasSize(1);
        assertThat(bench.get("elsewhere")).hasSize(1);
        assertThat(una.get(story.path("/scans")).json()).hasSize(2);
        JsonNode elsewhere = una.get(story.path("/labs")).json().get("elsewhere");
        assertThat(elsewhere).hasSize(1);
        assertThat(elsewhere.get(0).get("lab").asString()).isEqualTo(OTHER);
        assertThat(elsewhere.get(0).get("tears")).isEmpty();
        assertThat(una.get(story.path("/custody")).json().get("tears")).isEmpty();
        assertThat(una.get(story.path("/catalogue?size=1"))
                        .json()
                        .get("lines")
                        .get(0)
                        .get("readBytes")
                        .asLong())
                .as("our own bytes stay ours")
                .isPositive();
    }

    @Test
    void whatIsNotAsItWasSignedIsRefusedInASentence() {
        Story story = Story.of(new CaseForms());
        byte[] file = PackedCase.of(una, story.number);
        byte[] cut = Arrays.copyOf(file, file.length - 40);
        assertThat(tom.postBytes("/api/arrivals?name=cut.zip", cut).expect(400).sentence())
                .startsWith("cut.zip: ");
        assertThat(tom.postBytes("/api/arrivals?name=note.txt", "text".getBytes(StandardCharsets.UTF_8))
                        .expect(400)
                        .sentence())
                .contains("no case file");
        assertThat(una.postBytes("/api/arrivals?name=own.zip", file).expect(409).sentence())
                .contains("packed the file itself");
    }

    /** A lab may sign what it likes; what another lab wrote down before cannot be rewritten by it. */
    @Test
    void aRecordThatWasRewrittenOnTheWayIsRefused() throws IOException {
        Story story = Story.of(new CaseForms());
        String there = brought(tom, PackedCase.of(una, story.number));
        byte[] forged = repacked(PackedCase.of(tom, there), text -> text, true);
        JsonNode arrival = lookAt(una, forged);
        assertThat(arrival.get("says").get("custody").toString()).contains("From entry 1 on it is another record");
        assertThat(bringIn(una, arrival, "by phone").expect(409).sentence()).contains("one of the two was changed");
        una.delete("/api/arrivals/" + arrival.get("id").asLong()).expect(200);
        assertThat(bringIn(una, arrival, "by phone").expect(409).sentence()).contains("was put aside by");
    }

    /** A file speaks of its own case: what it claims of another one of ours changes nothing there. */
    @Test
    void nothingOfAnotherCaseIsTouched() throws IOException {
        Story story = Story.of(new CaseForms().told("loss.event", "deleted-directly"));
        Story another = Story.of(new CaseForms().told("loss.event", "deleted-directly"));
        List<String> before = facts(una, another.number);
        assertThat(before).isNotEmpty();
        String there = brought(tom, PackedCase.of(una, story.number));
        long own = factOf(story.number);
        long other = factOf(another.number);
        byte[] forged = repacked(
                PackedCase.of(tom, there),
                text -> text.replaceFirst("(\"facts\" : \\[ \\{\\s*\"mark\" : \"[0-9a-f]{16}-)" + own, "$1" + other)
                        .replaceFirst(
                                "(?s)(\"facts\" : .*?\"withdrawn\" : )null",
                                "$1{\"who\":\"Tom\",\"at\":\"2026-12-01T12:00:00Z\"}"),
                false);
        assertThat(Marks.own(markOf(forged), ownFingerprint(story))).contains(other);
        JsonNode arrival = lookAt(una, forged);
        bringIn(una, arrival, "by phone").expect(200);
        assertThat(facts(una, another.number)).isEqualTo(before);
    }

    private String ownFingerprint(Story story) {
        return una.get(story.path("/labs")).json().get("fingerprint").asString();
    }

    /** The mark of the file's first fact, which is withdrawn there. */
    private String markOf(byte[] file) throws IOException {
        Path zip = Files.write(folder.resolve("forged.zip"), file);
        CaseFile.Fact first = CaseBag.open(zip, folder.resolve("forged"), 1 << 30)
                .file()
                .facts()
                .get(0);
        assertThat(first.withdrawn()).isNotNull();
        return first.mark();
    }

    private static long factOf(String number) {
        return Lab.open()
                .sql()
                .queryForObject(
                        "select min(f.id) from fact f join lab_case c on c.id = f.case_id where c.number = ?",
                        Long.class,
                        number);
    }

    @Test
    void whatThisVersionDoesNotKnowLeavesNothingHalfBroughtIn() throws IOException {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img");
        String there = brought(tom, PackedCase.of(una, story.number));
        tom.post(of(there) + "/notes", Map.of("kind", "note", "words", "From there."))
                .expect(201);
        Set<String> before = Set.copyOf(notes(una, story.number));
        byte[] newer = repacked(
                PackedCase.of(tom, there),
                text -> text.replace("\"healthy\"", "\"velvet\"")
                        .replaceAll("(\"imaging\" : \\[ \\{\\s*\"mark\" : \")[0-9a-f]{16}-", "$1aaaaaaaaaaaaaaaa-"),
                false);
        JsonNode arrival = lookAt(una, newer);
        assertThat(bringIn(una, arrival, "by phone").expect(400).sentence()).contains("care profile 'velvet'");
        assertThat(Set.copyOf(notes(una, story.number))).isEqualTo(before);
        assertThat(una.get(story.path("/labs")).json().get("elsewhere")).isEmpty();
        assertThat(una.get("/api/arrivals/" + arrival.get("id").asLong())
                        .json()
                        .get("state")
                        .asString())
                .isEqualTo("looked-at");
    }

    @Test
    void contentsGoAlongOnlyAsFarAsTheCustomerLetsALabLook() throws IOException {
        Corpus.image("d01-fat16", Lab.open().inbox());
        Story story = Story.of(new CaseForms().consent("look", "names").told("loss.event", "deleted-directly"))
                .imaged("inbox/d01-fat16.img")
                .scanned("both");
        Path zip = Files.write(folder.resolve("names.zip"), PackedCase.of(una, story.number));
        CaseBag.Opened opened = CaseBag.open(zip, folder.resolve("names"), 1 << 30);
        try (GZIPInputStream in = new GZIPInputStream(Files.newInputStream(
                opened.data().resolve(opened.file().scans().get(0).file())))) {
            String session = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            assertThat(session).contains("\"path\":").doesNotContain("\"about\":{\"");
        }
    }

    /** As the other lab could send it: changed, and signed by its own key. */
    private byte[] repacked(byte[] file, UnaryOperator<String> document, boolean rewriteTheOthersRecord)
            throws IOException {
        Path zip = Files.write(folder.resolve("before.zip"), file);
        CaseBag.Opened opened = CaseBag.open(zip, folder.resolve("before"), 1 << 30);
        Path data = opened.data();
        Path text = data.resolve("case.json");
        String packed = Files.readString(text);
        String changed = document.apply(packed);
        assertThat(rewriteTheOthersRecord || !changed.equals(packed))
                .as("something is forged")
                .isTrue();
        Files.writeString(text, changed);
        if (rewriteTheOthersRecord) {
            CaseBag.Tape tape = opened.custody().get(1);
            List<CustodyEntry> rewritten = new ArrayList<>();
            String previous = CustodyEntry.START;
            for (CustodyEntry e : tape.entries()) {
                CustodyEntry other = CustodyEntry.next(
                        e.caseNumber(), e.number(), previous, e.at(), "Somebody else", e.what(), e.detail());
                rewritten.add(other);
                previous = other.hash();
            }
            String last = tape.entries().get(tape.entries().size() - 1).hash();
            String hash = previous;
            Files.writeString(text, Files.readString(text).replace(last, hash));
            Path record = data.resolve(opened.file().custody().get(1).file());
            Files.delete(record);
            CaseBag.record(rewritten, record);
        }
        Path copy = folder.resolve("data");
        try (var walk = Files.walk(data)) {
            for (Path p : walk.toList()) {
                Files.copy(p, copy.resolve(data.relativize(p)), StandardCopyOption.REPLACE_EXISTING);
            }
        }
        Path out = folder.resolve("after.zip");
        CaseBag.pack(
                copy,
                out,
                new BagInfo(OTHER, "x", "x", LocalDate.of(2026, 12, 1), "a case"),
                LabKey.at(other.home().resolve("lab-key.pem")));
        return Files.readAllBytes(out);
    }
}
