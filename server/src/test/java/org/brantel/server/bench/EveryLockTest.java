package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.awaitility.Awaitility;
import org.brantel.core.testing.Corpus;
import org.brantel.server.media.Media;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.BenchRules;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;

/** Every operation of the API, as the server describes it, against every lock: a new one is tried as well. */
class EveryLockTest {

    private final Lab lab = Lab.open();

    private record Operation(String method, String path) {}

    private List<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        lab.as("una")
                .get("/api/openapi")
                .expect(200)
                .json()
                .get("paths")
                .properties()
                .forEach(path ->
                        path.getValue().properties().forEach(m -> all.add(new Operation(m.getKey(), path.getKey()))));
        assertThat(all).hasSizeGreaterThan(100);
        return all;
    }

    /** What opens a lock again, or takes the case elsewhere, is tried last of all and on a case of its own. */
    private static boolean endsTheLock(Operation o) {
        return o.path().endsWith("/wake")
                || o.method().equals("delete") && o.path().endsWith("/hold")
                || o.path().endsWith("/locks/releases")
                || o.path().endsWith("/triage/decision")
                || o.path().endsWith("/triage/undo")
                || o.path().endsWith("/bench-check")
                || o.method().equals("put") && o.path().equals("/api/cases/{number}")
                || o.path().endsWith("/consent")
                || o.method().equals("delete") && o.path().endsWith("/bench/attachment")
                || o.path().equals("/api/session");
    }

    private Visitor.Answer ask(Visitor by, Operation o, Map<String, String> places, Map<String, Object> body) {
        String url = o.path();
        for (Map.Entry<String, String> place : places.entrySet()) {
            url = url.replace(place.getKey(), place.getValue());
        }
        url = url.replaceAll("\\{[a-z]+}", "1");
        String filled = o.path().endsWith("/bench/identity") ? url + "?medium=" + body.get("medium") : url;
        return switch (o.method()) {
            case "get" -> by.get(filled);
            case "post" -> by.post(filled, body);
            case "put" -> by.put(filled, body);
            default -> by.delete(filled);
        };
    }

    /** A case with a medium attached and a paused session, before anything locks it. */
    private Story attached(String medium) {
        Path image = Corpus.image("d01-fat16", lab.inbox());
        try {
            Files.copy(image, lab.inbox().resolve(medium));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        Story story = Story.of(new CaseForms()
                        .told("loss.event", "deleted-directly")
                        .device("type", "hdd")
                        .wanted("the pictures", "image", "", 6))
                .imaged("inbox/" + medium);
        // As after a stop in the middle: there is something to resume.
        lab.sql()
                .update(
                        "update imaging_session set state = 'PAUSED' where case_id = (select id from lab_case "
                                + "where number = ?)",
                        story.number);
        return story;
    }

    private static final Map<String, Consumer<Story>> LOCKS = new LinkedHashMap<>();

    static {
        LOCKS.put("a stop rule that forbids power", s -> s.una.post(
                        s.path("/bench-check"),
                        Map.of(
                                "answers",
                                List.of(Map.of("code", "bench.noise", "value", "clicking", "measured", false))))
                .expect(204));
        LOCKS.put("a hold", s -> s.una.post(
                        s.path("/hold"),
                        Map.of(
                                "reason",
                                "Waits for a part.",
                                "until",
                                LocalDate.now(ZoneId.systemDefault())
                                        .plusDays(3)
                                        .toString()))
                .expect(200));
        LOCKS.put("a case that is declined", s -> s.una.post(
                        s.path("/triage/decision"),
                        Map.of(
                                "path",
                                "decline",
                                "reason",
                                "Not worth the work.",
                                "version",
                                s.una.get(s.path("")).json().get("version").asInt()))
                .expect(200));
        LOCKS.put(
                "a case that is closed",
                s -> Lab.open().sql().update("update lab_case set stage = 'CLOSED' where number = ?", s.number));
    }

    @TestFactory
    Stream<DynamicTest> noOperationTouchesADeviceThatMustNotBeTouched() {
        List<Operation> operations = operations();
        new BenchRules().with("healthSeconds", 1).set(lab.as("petra"));
        return LOCKS.entrySet().stream()
                .map(lock -> DynamicTest.dynamicTest(lock.getKey(), () -> {
                    String medium = "locked-" + System.nanoTime() + ".img";
                    Story story = attached(medium);
                    lock.getValue().accept(story);
                    long session = story.session().get("id").asLong();
                    Map<String, Object> body = Map.of(
                            "medium",
                            "inbox/" + medium,
                            "decision",
                            "all the same",
                            "profile",
                            "healthy",
                            "rule",
                            "none",
                            "reason",
                            "r",
                            "method",
                            "structure");
                    Map<String, String> places =
                            Map.of("{number}", story.number, "/api/imaging/{id}", "/api/imaging/" + session);
                    Media media = lab.own(Media.class);
                    // A reading that began before the lock may still go on.
                    lab.own(IdleHealth.class).look();
                    long before = media.opened("inbox/" + medium);
                    List<String> refused = new ArrayList<>();
                    for (Operation o : operations) {
                        if (!endsTheLock(o)
                                && !o.path().startsWith("/api/portal/")
                                && !o.path().equals("/api/events")
                                && (o.path().contains("{number}") || o.path().contains("/imaging/"))) {
                            Visitor.Answer answer = ask(story.una, o, places, body);
                            if (answer.status() == 423) {
                                refused.add(o.method() + " " + o.path());
                                assertThat(answer.sentence()).isNotBlank().endsWith(".");
                            }
                            assertThat(media.opened("inbox/" + medium))
                                    .as("%s %s touched the device", o.method(), o.path())
                                    .isEqualTo(before);
                        }
                    }
                    assertThat(refused)
                            .contains(
                                    "post /api/cases/{number}/bench/attachment",
                                    "post /api/cases/{number}/bench-check/measure",
                                    "post /api/cases/{number}/imaging",
                                    "post /api/cases/{number}/health/read",
                                    "post /api/imaging/{id}/resume");
                    Awaitility.await("nor does a job touch it")
                            .during(Duration.ofMillis(1500))
                            .until(() -> media.opened("inbox/" + medium), opened -> opened == before);
                    lab.own(IdleHealth.class).look();
                    assertThat(media.opened("inbox/" + medium))
                            .as("nor does the schedule of readings, which are due every second")
                            .isEqualTo(before);
                }));
    }

    /** An image may be searched whatever became of its case; that does not open the device's lock. */
    @TestFactory
    Stream<DynamicTest> workOnTheImageLeavesTheLockOfItsDevice() {
        return LOCKS.entrySet().stream()
                .map(lock -> DynamicTest.dynamicTest(lock.getKey(), () -> {
                    String medium = "searched-" + System.nanoTime() + ".img";
                    Story story = attached(medium);
                    lab.sql().update("update imaging_session set state = 'DONE' where state = 'PAUSED'");
                    lock.getValue().accept(story);
                    JsonNode locked = story.una.get(story.path("")).json();
                    story.scanned("structure").selectedWhole().recovered();
                    JsonNode worked = story.una.get(story.path("")).json();
                    assertThat(worked.at("/hold/reason")).isEqualTo(locked.at("/hold/reason"));
                    if (!lock.getKey().startsWith("a stop rule")) {
                        assertThat(worked.get("stage")).isEqualTo(locked.get("stage"));
                    }
                    story.una
                            .post(story.path("/bench/attachment"), Map.of("medium", "inbox/" + medium))
                            .expect(423);
                    if (lock.getKey().equals("a hold")) {
                        story.una.post(story.path("/wake")).expect(200);
                        assertThat(story.una
                                        .get(story.path(""))
                                        .json()
                                        .get("stage")
                                        .asString())
                                .as("taken up where its work is")
                                .isEqualTo("recovery");
                    }
                }));
    }

    /** The texts, in any writing, that a case's content holds and no name does. */
    private List<String> secrets(Story story) {
        List<String> secrets = new ArrayList<>();
        for (JsonNode line : story.una.get(story.path("/catalogue")).json().get("lines")) {
            String path = story.path("/catalogue/" + line.get("id").asLong());
            JsonNode preview = story.una.get(path + "/preview").json();
            if (preview.has("text") && preview.get("text").asString().strip().length() > 40) {
                String piece = preview.get("text").asString().strip().substring(0, 24);
                secrets.add(piece);
                secrets.add(HexFormat.of().formatHex(piece.getBytes(StandardCharsets.UTF_8)));
            }
            line.get("about").properties().stream()
                    .filter(e -> List.of("title", "author", "subject", "device", "taken")
                            .contains(e.getKey()))
                    .forEach(e -> secrets.add("\"" + e.getValue().asString() + "\""));
        }
        assertThat(secrets).hasSizeGreaterThan(4);
        return secrets;
    }

    @Test
    void noOperationShowsContentWhereTheCustomerAllowedNamesOnly() {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");
        List<String> secrets = secrets(story);
        story.selectedWhole().recovered();
        long picture = story.una
                .get(story.path("/catalogue?kind=jpg&prognosis=whole"))
                .json()
                .get("lines")
                .get(0)
                .get("id")
                .asLong();
        long scan =
                Story.last(story.una.get(story.path("/scans")).json()).get("id").asLong();
        long run =
                story.una.get(story.path("/recovery")).json().get(0).get("id").asLong();
        Map<String, Object> form = new CaseForms()
                .consent("look", "names")
                .told("loss.event", "deleted-directly")
                .told("since.use", "none")
                .wanted("the pictures", "image", "", 6)
                .wanted("letters and notes", "document", "", 3)
                .version(story.una.get(story.path("")).json().get("version").asInt())
                .build();
        story.una.put(story.path(""), form).expect(200);
        Map<String, String> places = new HashMap<>(Map.of(
                "{number}",
                story.number,
                "/api/scans/{id}",
                "/api/scans/" + scan,
                "/api/recovery/{id}",
                "/api/recovery/" + run,
                "catalogue/{id}",
                "catalogue/" + picture,
                "catalogue/{line}",
                "catalogue/" + picture));
        List<String> refused = new ArrayList<>();
        for (Operation o : operations()) {
            if (o.method().equals("get")
                    && !o.path().startsWith("/api/portal/")
                    && !o.path().equals("/api/events")
                    && !o.path().startsWith("/api/photos/")) {
                Visitor.Answer answer = ask(story.una, o, places, Map.of("medium", "inbox/d01-fat16.img"));
                String text = answer.text();
                assertThat(secrets).as("%s shows content", o.path()).noneMatch(text::contains);
                assertThat(answer.header("Content-Type")).as(o.path()).doesNotStartWith("image/");
                if (answer.status() == 423) {
                    refused.add(o.path());
                    assertThat(answer.sentence()).contains("file names");
                }
            }
        }
        assertThat(refused)
                .contains(
                        "/api/cases/{number}/catalogue/{id}/preview",
                        "/api/cases/{number}/catalogue/{id}/picture",
                        "/api/scans/{id}/file");
        for (JsonNode line : story.una.get(story.path("/catalogue")).json().get("lines")) {
            String evidence = story.una
                    .get(story.path("/catalogue/" + line.get("id").asLong() + "/explanation"))
                    .expect(200)
                    .text();
            assertThat(secrets).noneMatch(evidence::contains);
        }
    }

    @Test
    void onlyTheCustomersDatedYesOpensMore() {
        Story story = Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both");
        JsonNode line = story.una
                .get(story.path("/catalogue?kind=txt&prognosis=whole"))
                .json()
                .get("lines")
                .get(0);
        String preview = story.path("/catalogue/" + line.get("id").asLong() + "/preview");
        String said = story.una
                .get(story.path("/catalogue"))
                .json()
                .get("lines")
                .valueStream()
                .flatMap(l -> Stream.of("title", "author", "device")
                        .map(fact -> l.get("about").path(fact).asString("")))
                .filter(text -> text.length() > 4)
                .findFirst()
                .orElseThrow();
        String search = story.path("/catalogue?q=" + URLEncoder.encode(said, StandardCharsets.UTF_8));
        assertThat(story.una.get(search).json().get("lines"))
                .as("found by what it says of itself")
                .isNotEmpty();
        edit(story, "names").expect(200);
        assertThat(story.una.get(search).json().get("lines"))
                .as("names alone are searched")
                .isEmpty();
        assertThat(story.una.get(preview).expect(423).sentence()).contains("record their yes");
        assertThat(edit(story, "contents").expect(400).sentence()).contains("takes their yes");
        String today = LocalDate.now(ZoneOffset.UTC).toString();
        assertThat(story.una
                        .post(
                                story.path("/consent"),
                                Map.of("look", "previews", "saidBy", "Hilda Crane", "how", " ", "saidOn", today))
                        .expect(400)
                        .sentence())
                .contains("how they said it");
        assertThat(story.una
                        .post(
                                story.path("/consent"),
                                Map.of(
                                        "look",
                                        "previews",
                                        "saidBy",
                                        "Hilda Crane",
                                        "how",
                                        "by phone",
                                        "saidOn",
                                        "2020-01-01"))
                        .expect(400)
                        .sentence())
                .contains("2020-01-01");
        story.una
                .post(
                        story.path("/consent"),
                        Map.of("look", "previews", "saidBy", "Hilda Crane", "how", "by phone", "saidOn", today))
                .expect(200);
        story.una.get(preview).expect(200);
        JsonNode custody = story.una.get(story.path("/custody")).json().get("entries");
        assertThat(custody.valueStream().map(e -> e.get("what").asString()))
                .contains("recorded the customer's yes to previews");
        assertThat(story.una
                        .post(
                                story.path("/consent"),
                                Map.of("look", "names", "saidBy", "Hilda Crane", "how", "by phone", "saidOn", today))
                        .expect(409)
                        .sentence())
                .contains("as much already");
        assertThat(story.una
                        .get(story.path("/catalogue/" + line.get("id").asLong() + "/explanation"))
                        .expect(200)
                        .text())
                .contains("has not agreed to a look at the bytes");
    }

    private Visitor.Answer edit(Story story, String look) {
        Map<String, Object> form = new CaseForms()
                .consent("look", look)
                .told("loss.event", "deleted-directly")
                .version(story.una.get(story.path("")).json().get("version").asInt())
                .build();
        return story.una.put(story.path(""), form);
    }

    @Test
    void aReleaseHasAReasonIsOnRecordAndEndsWithItsFacts() {
        String medium = "released-" + System.nanoTime() + ".img";
        Story story = attached(medium);
        String resume = "/api/imaging/" + story.session().get("id").asLong() + "/resume";
        check(story, "bench.noise", "clicking");
        assertThat(story.una.post(resume, Map.of()).expect(423).sentence())
                .contains("clicks")
                .contains("release");
        assertThat(story.una
                        .post(story.path("/locks/releases"), Map.of("rule", "no-power", "reason", "  "))
                        .expect(400)
                        .sentence())
                .contains("reason");
        assertThat(story.una
                        .post(story.path("/locks/releases"), Map.of("rule", "no-format", "reason", "r"))
                        .expect(409)
                        .sentence())
                .contains("does not hold");
        JsonNode state = story.una
                .post(
                        story.path("/locks/releases"),
                        Map.of("rule", "no-power", "reason", "The partner changed its heads."))
                .expect(201)
                .json();
        assertThat(state.get("untouchable").size()).isZero();
        assertThat(lab.as("tom")
                        .post(story.path("/locks/releases"), Map.of("rule", "no-power", "reason", "Me too."))
                        .expect(409)
                        .sentence())
                .contains("already")
                .contains("Una");
        assertThat(story.una
                        .get(story.path("/custody"))
                        .json()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("detail").asString()))
                .anyMatch(d -> d.contains("The partner changed its heads."));
        // Another noise is another reason; what was released was the first one.
        check(story, "bench.noise", "scratching");
        story.una.post(resume, Map.of()).expect(423);
        // What the bench saw ends the rule itself.
        check(story, "bench.noise", "none");
        assertThat(story.una.get(story.path("/locks")).json().get("untouchable").size())
                .isZero();
    }

    @Test
    void twoPeopleWhoReleaseAtOnceMakeOneRelease() throws Exception {
        Story story = Story.of(new CaseForms().told("symptom.noise", "clicking").device("type", "hdd"));
        List<Thread> all = new ArrayList<>();
        List<Integer> answers = Collections.synchronizedList(new ArrayList<>());
        for (String who : List.of("una", "tom", "petra")) {
            Visitor visitor = lab.as(who);
            all.add(new Thread(() -> answers.add(
                    visitor.post(story.path("/locks/releases"), Map.of("rule", "no-power", "reason", "By " + who))
                            .status())));
        }
        all.forEach(Thread::start);
        for (Thread t : all) {
            t.join();
        }
        assertThat(answers).containsOnlyOnce(201).allMatch(s -> s == 201 || s == 409);
    }

    @Test
    void aSessionThatRunsPausesWhenTheDeviceMustNotBeTouchedAnyMore() throws IOException {
        Story story = Story.of(
                        new CaseForms().told("loss.event", "deleted-directly").device("type", "hdd"))
                .decided();
        story.attached(BenchDevices.put(
                lab,
                "lock-slow-" + story.number,
                BenchDevices.device(lab, 4 << 20).slow(0, 4 << 20, 1500)));
        story.imaging("healthy");
        story.awaitImaging("running");
        story.una
                .post(
                        story.path("/hold"),
                        Map.of(
                                "reason",
                                "The customer asked us to wait.",
                                "until",
                                LocalDate.now(ZoneId.systemDefault())
                                        .plusDays(3)
                                        .toString()))
                .expect(200);
        JsonNode session = story.awaitImaging("paused");
        assertThat(session.get("trouble").asString()).contains("on hold");
    }

    private void check(Story story, String code, String value) {
        story.una
                .post(
                        story.path("/bench-check"),
                        Map.of("answers", List.of(Map.of("code", code, "value", value, "measured", false))))
                .expect(204);
    }
}
