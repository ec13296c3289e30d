package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.NbdServer;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.BenchRules;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What happens to a session while it lasts: limits, rests, other profiles, devices that go and come. */
class SteeringTest {

    private static final int SIZE = 4 << 20;
    private static final Map<String, Object> NO_LIMITS =
            Map.of("faultsInRow", 0, "faultsInAll", 0, "celsius", 0, "growth", 0, "minutes", 0);

    private final Lab lab = Lab.open();

    private SimulatedDevice sim() throws IOException {
        return BenchDevices.device(lab, SIZE);
    }

    private Story at(String name, SimulatedDevice device) throws IOException {
        return Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(BenchDevices.put(lab, name, device));
    }

    private static Map<String, Object> limit(String what, int bound) {
        Map<String, Object> limits = new HashMap<>(NO_LIMITS);
        limits.put(what, bound);
        return limits;
    }

    private List<String> kinds(Story story, long id) {
        return StreamSupport.stream(
                        story.una
                                .get("/api/imaging/" + id + "/events")
                                .expect(200)
                                .json()
                                .get("events")
                                .spliterator(),
                        false)
                .map(e -> e.get("kind").asString())
                .toList();
    }

    private JsonNode decision(Story story, String kind) {
        JsonNode desk = lab.as("tom").await("/api/desk?listed=1000", d -> find(d, story.number + "-" + kind) != null);
        return find(desk, story.number + "-" + kind);
    }

    private static JsonNode find(JsonNode desk, String key) {
        return StreamSupport.stream(desk.get("decisions").spliterator(), false)
                .filter(d -> d.get("key").asString().equals(key))
                .findFirst()
                .orElse(null);
    }

    @Test
    void aLimitStopsTheSessionAndPutsItsNumbersOnTheDesk() throws IOException {
        Story story = at("limited", sim().dead(1 << 20, 40 * 512).with("\"onFault\":\"stops\""));
        long id = story.una
                .post(
                        story.path("/imaging"),
                        Map.of("profile", "failing", "limits", limit("faultsInAll", 5), "mibPerSecond", 0))
                .expect(201)
                .json()
                .get("id")
                .asLong();
        JsonNode stopped = story.awaitImaging("paused");
        assertThat(stopped.get("reached").asString()).isEqualTo("faults-in-all");
        assertThat(stopped.get("faults").asInt()).isEqualTo(5);
        JsonNode question = decision(story, "Limit");
        assertThat(story.una.get(story.path("/questions")).json().get(0)).isEqualTo(question);
        assertThat(question.get("harm").asString()).isEqualTo("device");
        assertThat(question.get("reason").asString()).contains("5 faults in all, the limit is 5");
        assertThat(question.get("actions").get(0).get("call").get("path").asString())
                .endsWith("/resume");
        assertThat(question.get("actions").get(1).get("call").get("path").asString())
                .endsWith("/enough");
        story.una
                .post("/api/imaging/" + id + "/bounds", Map.of("limits", NO_LIMITS, "mibPerSecond", 0))
                .expect(200);
        story.una.post("/api/imaging/" + id + "/resume").expect(200);
        JsonNode done = story.awaitImaging("done");
        assertThat(done.get("failedBytes").asLong()).isEqualTo(40 * 512);
        assertThat(done.has("reached")).isFalse();
        assertThat(kinds(story, id)).contains("limit", "fault", "pass", "began", "finished");
        assertThat(story.una.get(story.path("/custody")).text())
                .contains("stopped imaging at a limit")
                .contains("set the limits of imaging");
    }

    @Test
    void enoughEndsASessionWithAHashedImage() throws IOException {
        Story story = at("enough", sim().dead(1 << 20, 400 * 512).with("\"onFault\":\"stops\""));
        long id = story.una
                .post(
                        story.path("/imaging"),
                        Map.of("profile", "failing", "limits", limit("faultsInAll", 5), "mibPerSecond", 0))
                .expect(201)
                .json()
                .get("id")
                .asLong();
        JsonNode stopped = story.awaitImaging("paused");
        story.una.post("/api/imaging/" + id + "/enough").expect(200);
        JsonNode done = story.awaitImaging("done");
        assertThat(done.get("endedEarly").asBoolean()).isTrue();
        assertThat(done.get("readBytes").asLong())
                .isEqualTo(stopped.get("readBytes").asLong())
                .isLessThan(SIZE);
        byte[] image = Files.readAllBytes(lab.home()
                .resolve("images")
                .resolve(story.number)
                .resolve(done.get("image").asString()));
        assertThat(image).hasSize(SIZE);
        assertThat(done.get("sha256").asString()).isEqualTo(Hashes.sha256Hex(image, 0, image.length));
        assertThat(story.una
                        .post("/api/imaging/" + id + "/profile", Map.of("profile", "ageing"))
                        .expect(409)
                        .sentence())
                .contains("nothing left to change");
    }

    /** Bytes of the attached device that are not in an image yet, as the bench says. */
    private static long left(Story story) {
        return story.una
                .get(story.path("/bench"))
                .json()
                .get("earlier")
                .get("left")
                .asLong();
    }

    @Test
    void theSameDeviceIsReadOnFromWhereItsReadingEndedEarly() throws IOException {
        String medium =
                BenchDevices.put(lab, "reads-on", sim().dead(1 << 20, 64 * 512).with("\"onFault\":\"stops\""));
        Story story = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(medium);
        long first = story.readUntilFaults(1).get("id").asLong();
        story.una.post("/api/imaging/" + first + "/enough").expect(200);
        JsonNode ended = story.awaitImaging("done");
        long read = ended.get("readBytes").asLong();
        assertThat(read).isLessThan(SIZE - 64 * 512);
        story.una.delete(story.path("/bench/attachment")).expect(204);
        story.attached(medium);
        assertThat(left(story))
                .isEqualTo(SIZE - read - ended.get("failedBytes").asLong())
                .isPositive();

        long second = story.imaging("healthy");
        JsonNode done = story.awaitImaging("done");
        assertThat(done.get("id").asLong()).isEqualTo(second).isNotEqualTo(first);
        assertThat(done.get("goesOnFrom").asLong()).isEqualTo(first);
        assertThat(done.get("image")).isEqualTo(ended.get("image"));
        assertThat(done.get("readBytes").asLong()).isEqualTo(SIZE - 64 * 512);
        long readNow = 0;
        for (JsonNode pass : done.get("passes")) {
            readNow += pass.get("readBytes").asLong();
        }
        assertThat(readNow).as("nothing is read twice").isEqualTo(SIZE - 64 * 512 - read);
        byte[] image = Files.readAllBytes(lab.home()
                .resolve("images")
                .resolve(story.number)
                .resolve(done.get("image").asString()));
        assertThat(done.get("sha256").asString())
                .isEqualTo(Hashes.sha256Hex(image, 0, image.length))
                .isNotEqualTo(ended.get("sha256").asString());
        assertThat(story.una.get(story.path("/custody")).text()).contains("goes on from session " + first);

        JsonNode report =
                story.una.get("/api/imaging/" + first + "/report").expect(200).json();
        assertThat(report.get("wentOn").asLong()).isEqualTo(second);
        assertThat(report.at("/session/readBytes").asLong()).isEqualTo(read);
        assertThat(report.get("unread"))
                .as("what is unread now is not what was unread at its end")
                .isEmpty();
        assertThat(story.una
                        .post("/api/imaging/" + first + "/recheck")
                        .expect(409)
                        .sentence())
                .contains("Session " + second + " went on in this image");
        story.una.post("/api/imaging/" + second + "/recheck").expect(200);
        assertThat(story.una
                        .await(
                                story.path("/bench"),
                                b -> b.at("/sessions/0/recheck").asString().contains(":"))
                        .at("/sessions/0/recheck")
                        .asString())
                .contains("Every byte is what it was");
    }

    @Test
    void anImageIsNotCalledDoneWhileALaterSessionFillsIt() throws IOException {
        String medium = BenchDevices.put(
                lab,
                "shared-image",
                sim().serial("SHARED-1").dead(1 << 20, 64 * 512).with("\"onFault\":\"stops\""));
        Story story = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(medium);
        long first = story.readUntilFaults(1).get("id").asLong();
        story.una.post("/api/imaging/" + first + "/enough").expect(200);
        story.awaitImaging("done");
        ImagingRecords records = lab.own(ImagingRecords.class);
        assertThat(records.image(first).filling()).isFalse();
        story.una.delete(story.path("/bench/attachment")).expect(204);
        story.attached(BenchDevices.put(
                lab,
                "shared-slow",
                sim().serial("SHARED-1").dead(1 << 20, 64 * 512).slow(0, SIZE, 400)));
        long second = story.imaging("healthy");
        story.una.await(
                story.path("/bench"), b -> b.at("/sessions/0/state").asString().equals("running"));
        assertThat(records.image(first).filling()).isTrue();
        assertThat(records.isFilling(first)).isTrue();
        assertThat(story.una
                        .post(story.path("/scans"), Map.of("method", "both"))
                        .expect(409)
                        .sentence())
                .contains("still being written");
        story.una.post("/api/imaging/" + second + "/pause").expect(200);
        story.awaitImaging("paused");
    }

    @Test
    void whatWasReadIsReadAfreshOnlyForAReason() throws IOException {
        String medium = BenchDevices.put(lab, "afresh", sim());
        Story story =
                Story.of(new CaseForms().told("loss.event", "deleted-directly")).imaged(medium);
        story.una.delete(story.path("/bench/attachment")).expect(204);
        story.attached(medium);
        assertThat(left(story)).isZero();
        String again = story.una
                .post(story.path("/imaging"), Map.of("profile", "healthy"))
                .expect(400)
                .sentence();
        assertThat(again).contains("read all of this device").contains("write down why");
        story.una
                .post(story.path("/imaging"), Map.of("profile", "healthy", "afresh", "The cable was bad."))
                .expect(201);
        JsonNode done = story.awaitImaging("done");
        assertThat(done.has("goesOnFrom")).isFalse();
        JsonNode sessions = story.una.get(story.path("/bench")).json().get("sessions");
        assertThat(sessions.get(0).get("image")).isNotEqualTo(sessions.get(1).get("image"));
        assertThat(story.una.get(story.path("/custody")).text()).contains("read afresh: The cable was bad.");
    }

    @Test
    void aPausedSessionIsResumedWhereItsDeviceStandsNow() throws IOException {
        String medium = BenchDevices.put(lab, "moved", sim().serial("MOVED-1").slow(0, SIZE, 200));
        Story story = Story.of(new CaseForms().told("loss.event", "deleted-directly"))
                .decided()
                .attached(medium);
        long id = story.imaging("healthy");
        story.una.await(
                story.path("/bench"),
                b -> b.get("sessions").get(0).get("readBytes").asLong() > 0);
        story.una.post("/api/imaging/" + id + "/pause").expect(200);
        story.awaitImaging("paused");
        story.una.delete(story.path("/bench/attachment")).expect(204);
        story.attached(BenchDevices.put(lab, "moved-elsewhere", sim().serial("MOVED-1")));
        assertThat(story.una
                        .post(story.path("/imaging"), Map.of("profile", "healthy"))
                        .expect(409)
                        .sentence())
                .contains("is paused; resume it");
        story.una.post("/api/imaging/" + id + "/resume").expect(200);
        assertThat(story.awaitImaging("done").get("id").asLong()).isEqualTo(id);
    }

    @Test
    void itRestsWhenAskedAndChangesItsProfileWhileItRuns() throws IOException {
        Story story = at("rests", sim().slow(0, SIZE, 400));
        long id = story.imaging("healthy");
        story.una.await(
                story.path("/bench"),
                b -> b.get("sessions").get(0).get("readBytes").asLong() > 0);
        story.una.post("/api/imaging/" + id + "/rest").expect(200);
        JsonNode resting = story.una
                .await(story.path("/bench"), b -> b.get("sessions").get(0).has("resting"))
                .get("sessions")
                .get(0);
        assertThat(resting.get("state").asString()).isEqualTo("running");
        assertThat(decision(story, "Rest").get("reason").asString()).contains("asked to rest");
        story.una
                .post("/api/imaging/" + id + "/profile", Map.of("profile", "failing"))
                .expect(200);
        assertThat(story.una
                        .post("/api/imaging/" + id + "/profile", Map.of("profile", "rough"))
                        .expect(400)
                        .sentence())
                .contains("no care profile 'rough'");
        story.una.post("/api/imaging/" + id + "/work").expect(200);
        JsonNode done = story.awaitImaging("done");
        assertThat(done.get("profile").asString()).isEqualTo("failing");
        assertThat(done.get("passes").get(0).get("requests").asInt())
                .as("smaller requests after the change")
                .isGreaterThan(SIZE >> 20);
        assertThat(kinds(story, id)).contains("rest", "work", "profile");
        assertThat(story.una.post("/api/imaging/" + id + "/rest").expect(409).sentence())
                .contains("done");
    }

    @Test
    void aWarmDeviceIsNotSentBackToWorkButByRaisingItsLimit() throws IOException {
        Story story = at("warm", sim().with("\"health\":{\"celsius\":60,\"celsiusMost\":60}"));
        long id = story.imaging("failing");
        story.una.await(story.path("/bench"), b -> b.get("sessions").get(0).has("resting"));
        assertThat(decision(story, "Rest").get("reason").asString()).contains("60 degrees Celsius, the limit is 55");
        assertThat(story.una.post("/api/imaging/" + id + "/work").expect(409).sentence())
                .contains("too warm")
                .contains("raise its temperature limit");
        story.una
                .post("/api/imaging/" + id + "/bounds", Map.of("limits", limit("celsius", 70), "mibPerSecond", 0))
                .expect(200);
        story.awaitImaging("done");
    }

    @Test
    void quietHoursRestASessionUntilSomebodySaysOtherwise() throws IOException {
        JsonNode before = lab.as("petra").get("/api/settings").json().get("bench");
        try {
            Story story = at("quiet", sim());
            new BenchRules().with("quietTo", "23:59:59").set(lab.as("petra"));
            pause(2500);
            long id = story.imaging("healthy");
            story.una.await(story.path("/bench"), b -> b.get("sessions").get(0).has("resting"));
            assertThat(story.session().get("readBytes").asLong()).isZero();
            assertThat(decision(story, "Rest").get("reason").asString()).contains("Quiet hours until 23:59");
            story.una.post("/api/imaging/" + id + "/work").expect(200);
            story.awaitImaging("done");
        } finally {
            lab.as("petra").put("/api/settings/bench", before.toString()).expect(200);
            pause(2500);
        }
    }

    private static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aDeviceThatComesBackByItselfIsReadOn() throws IOException {
        SimulatedDevice device = sim().with("\"dropOut\":{\"afterReads\":40,\"backSeconds\":1}");
        Story story = at("back", device);
        long id = story.imaging("failing");
        JsonNode done = story.awaitImaging("done");
        assertThat(kinds(story, id)).contains("vanished", "back", "finished");
        assertThat(Files.readAllBytes(lab.home()
                        .resolve("images")
                        .resolve(story.number)
                        .resolve(done.get("image").asString())))
                .isEqualTo(device.content());
        assertThat(story.una.get(story.path("/custody")).text()).contains("the same device is back");
    }

    @Test
    void theReportIsOnTheCustodyRecordAndSaysWhatWasNotRead() throws IOException {
        Story story = at(
                "report",
                sim().dead(2 << 20, 2048)
                        .with("\"health\":{\"celsius\":31,\"celsiusMost\":31,\"pending\":3,"
                                + "\"perFault\":{\"reallocated\":0,\"pending\":1,\"uncorrectable\":0}}"));
        long id = story.imaging("ageing");
        story.awaitImaging("done");
        story.una.await(story.path("/custody"), c -> c.toString().contains("kept the report of imaging"));
        JsonNode report =
                story.una.get("/api/imaging/" + id + "/report").expect(200).json();
        assertThat(report.get("unreadRanges").asInt()).isEqualTo(1);
        assertThat(report.get("unread").get(0).get("off").asLong()).isEqualTo(2 << 20);
        assertThat(report.get("unread").get(0).get("len").asLong()).isEqualTo(2048);
        assertThat(report.get("profile").get("blockBytes").asInt()).isEqualTo(256 << 10);
        assertThat(report.get("chunks").asInt()).isEqualTo(1);
        JsonNode points = report.get("health").get("points");
        assertThat(points.get(0).get("reading").get("pending").asInt()).isEqualTo(3);
        assertThat(Story.last(points).get("reading").get("pending").asInt())
                .as("after the session")
                .isGreaterThan(3);
        byte[] kept = Files.readAllBytes(
                lab.home().resolve("images").resolve(story.number).resolve("session-" + id + ".report.json"));
        assertThat(story.una.get(story.path("/custody")).text()).contains(Hashes.sha256Hex(kept, 0, kept.length));
    }

    @Test
    void anImageIsRecheckedAndItsMapTakenAlong() throws IOException {
        Story story = at("recheck", sim().dead(1 << 20, 1024));
        long id = story.imaging("failing");
        assertThat(story.una.post("/api/imaging/" + id + "/recheck").expect(409).sentence())
                .contains("not finished");
        JsonNode done = story.awaitImaging("done");
        story.una.post("/api/imaging/" + id + "/recheck").expect(200);
        story.una.await(
                story.path("/bench"),
                b -> b.get("sessions").get(0).get("recheck").asString().contains("Every byte is what it was"));
        var image = lab.home()
                .resolve("images")
                .resolve(story.number)
                .resolve(done.get("image").asString());
        byte[] bytes = Files.readAllBytes(image);
        bytes[7] ^= 1;
        Files.write(image, bytes);
        story.una.post("/api/imaging/" + id + "/recheck").expect(200);
        story.una.await(story.path("/bench"), b -> b.get("sessions")
                .get(0)
                .get("recheck")
                .asString()
                .contains("1 stretches are not what they were, the first at 0"));
        assertThat(story.una.get(story.path("/custody")).text()).contains("rechecked the image");
        JsonNode map = story.una.get("/api/imaging/" + id + "/map").expect(200).json();
        assertThat(map.get("format").asString()).isEqualTo("brantel-map-sum");
        assertThat(map.get("ranges").get(1).get("state").asString()).isEqualTo("failed");
    }

    @Test
    void aBoxElsewhereInTheLabIsAStation() throws IOException {
        JsonNode before = lab.as("petra").get("/api/settings").json().get("bench");
        byte[] content = sim().content();
        var disk = Files.write(Files.createTempFile(lab.home(), "box", ".bin"), content);
        try (NbdServer server = NbdServer.start(
                lab.home(),
                "-r",
                "--filter=exportname",
                "file",
                disk.toString(),
                "exportname-list=explicit",
                "exportname=bay1",
                "exportdesc=fixed:make=Mossbank; model=Delve; serial=MD2-77")) {
            new BenchRules().box("Box 2", server.port()).box("Box 3", 1).set(lab.as("petra"));
            JsonNode bench = lab.as("tom")
                    .await(
                            "/api/bench",
                            b -> b.toString().contains("box/Box 2/bay1")
                                    && !b.get("silent").isEmpty());
            assertThat(bench.get("silent").get(0).get("box").asString()).isEqualTo("Box 3");
            assertThat(bench.get("silent").get(0).get("sentence").asString()).contains("no export server");
            Story story = Story.of(new CaseForms()
                            .told("loss.event", "deleted-directly")
                            .device("serial", "MD2-77")
                            .device("capacity", "4 MiB"))
                    .decided()
                    .attached("box/Box 2/bay1");
            story.imaging("failing");
            JsonNode done = story.awaitImaging("done");
            assertThat(done.get("sha256").asString()).isEqualTo(Hashes.sha256Hex(content, 0, content.length));
        } finally {
            lab.as("petra").put("/api/settings/bench", before.toString()).expect(200);
        }
    }

    @Test
    void aBoxThatWasOffIsReadOnWhenItIsBack() throws IOException {
        JsonNode before = lab.as("petra").get("/api/settings").json().get("bench");
        byte[] content = sim().content();
        var disk = Files.write(Files.createTempFile(lab.home(), "box", ".bin"), content);
        try (NbdServer server = NbdServer.start(
                lab.home(),
                "-r",
                "--filter=exportname",
                "--filter=rate",
                "file",
                disk.toString(),
                "rate=8M",
                "exportname-list=explicit",
                "exportname=bay2",
                "exportdesc=fixed:serial=MD2-78")) {
            new BenchRules().box("Box 4", server.port()).set(lab.as("petra"));
            lab.as("tom").await("/api/bench", b -> b.toString().contains("box/Box 4/bay2"));
            Story story = Story.of(new CaseForms()
                            .told("loss.event", "deleted-directly")
                            .device("serial", "MD2-78")
                            .device("capacity", "4 MiB"))
                    .decided()
                    .attached("box/Box 4/bay2");
            long id = story.imaging("failing");
            story.una.await(
                    story.path("/bench"),
                    b -> b.get("sessions").get(0).get("readBytes").asLong() > 0);
            server.kill();
            JsonNode away = story.awaitImaging("paused");
            assertThat(away.has("vanishedAt")).isTrue();
            assertThat(decision(story, "Imaging").get("question").asString()).isEqualTo("Is its device back?");
            server.startAgain();
            assertThat(story.awaitImaging("done").get("sha256").asString())
                    .isEqualTo(Hashes.sha256Hex(content, 0, content.length));
            assertThat(kinds(story, id)).contains("vanished", "back");
        } finally {
            lab.as("petra").put("/api/settings/bench", before.toString()).expect(200);
        }
    }

    @Test
    void readingsByHandAndFromAFileBecomeAnObservedFact() throws IOException {
        Story story = at("health", sim().with("\"health\":{\"celsius\":31,\"celsiusMost\":31,\"reallocated\":700}"));
        JsonNode good = story.una
                .post(story.path("/health"), Map.of("celsius", 30, "pending", 0))
                .expect(200)
                .json();
        assertThat(good.get("judgement").get("grade").asString()).isEqualTo("GOOD");
        JsonNode read = story.una.post(story.path("/health/read")).expect(200).json();
        assertThat(read.get("judgement").get("grade").asString()).isEqualTo("FAILING");
        assertThat(read.get("words").asString()).contains("reallocated sectors 700");
        String docket = story.una.get(story.path("")).text();
        assertThat(docket).contains("\"bench.health\"").contains("failing");
        assertThat(story.una
                        .get(story.path("/bench"))
                        .json()
                        .get("advice")
                        .get("profile")
                        .asString())
                .isEqualTo("last-chance");
        assertThat(story.una
                        .postBytes(story.path("/health/file?kind=ata"), new byte[100])
                        .expect(400)
                        .sentence())
                .contains("512");
        assertThat(story.una.post(story.path("/health"), Map.of()).expect(400).sentence())
                .contains("Nothing was filled in");
        byte[] log = new byte[512];
        log[1] = (byte) 0x3a;
        log[2] = 1;
        log[3] = 100;
        log[4] = 10;
        assertThat(story.una
                        .postBytes(story.path("/health/file?kind=nvme"), log)
                        .expect(200)
                        .text())
                .contains("\"NVME\"")
                .contains("41");
    }

    @Test
    void rulesOfTheBenchAreCheckedAndAManagersBusiness() {
        assertThat(lab.as("petra")
                        .get("/api/settings")
                        .expect(200)
                        .json()
                        .get("bench")
                        .get("namePattern")
                        .asString())
                .isEqualTo("{taken} {said}");
        Map<String, Object> rules = new HashMap<>(Map.of(
                "mibPerSecond",
                0,
                "quietFrom",
                "22:00",
                "quietTo",
                "06:30",
                "healthSeconds",
                60,
                "scanRecords",
                false,
                "boxes",
                List.of()));
        assertThat(lab.as("tom").put("/api/settings/bench", rules).expect(403).sentence())
                .contains("manager");
        rules.put("quietTo", "half past six");
        assertThat(lab.as("petra").put("/api/settings/bench", rules).expect(400).sentence())
                .contains("22:00 and 06:30");
        rules.put("quietTo", "06:30");
        rules.put("boxes", List.of(Map.of("name", "Box", "address", "somewhere")));
        assertThat(lab.as("petra").put("/api/settings/bench", rules).expect(400).sentence())
                .contains("nbd://HOST:PORT");
        rules.put("boxes", List.of());
        rules.put("healthSeconds", 0);
        assertThat(lab.as("petra").put("/api/settings/bench", rules).expect(400).sentence())
                .contains("Health");
        rules.put("healthSeconds", 60);
        rules.put("namePattern", "{nothing}");
        assertThat(lab.as("petra").put("/api/settings/bench", rules).expect(400).sentence())
                .contains("{nothing}", "{taken}");
    }

    /**
     * A device that stands attached and idle is read on the bench's schedule, and the Desk says when it is not well.
     */
    @Test
    void anIdleDeviceIsReadOnScheduleAndAlarmsTheDesk() throws IOException {
        Story story = at("idle", sim().with("\"health\":{\"celsius\":31,\"celsiusMost\":31,\"pending\":900}"));
        JsonNode series =
                story.una.await(story.path("/health"), s -> s.get("points").size() > 0);
        assertThat(series.get("words").asString()).isEqualTo("It is failing: pending sectors 900 (from 500).");
        assertThat(series.get("points").get(0).get("who").asString()).isEqualTo("Brantel");
        JsonNode alarm = story.una
                .get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .filter(d -> d.get("caseNumber").asString().equals(story.number)
                        && d.get("kind").asString().equals("Health"))
                .findFirst()
                .orElseThrow();
        assertThat(alarm.get("reason").asString())
                .contains("pending sectors 900")
                .contains("attached and idle");
        story.una.delete(story.path("/bench/attachment")).expect(204);
        assertThat(story.una
                        .get("/api/desk?listed=1000")
                        .json()
                        .get("decisions")
                        .valueStream())
                .noneMatch(d -> d.get("caseNumber").asString().equals(story.number)
                        && d.get("kind").asString().equals("Health"));
    }

    /** What it says may change what is proposed, so nothing is proposed before; one that says nothing is not waited for. */
    @Test
    void nothingIsProposedBeforeTheDeviceSaidHowItIs() throws IOException {
        IdleHealth schedule = lab.own(IdleHealth.class);
        Map<String, SimulatedDevice> devices = Map.of(
                "Its own health readings say that it is failing.",
                sim().with("\"health\":{\"celsius\":31,\"celsiusMost\":31,\"pending\":900}"),
                "Nothing that is known speaks for damage, but it has given no health reading that could.",
                sim());
        for (Map.Entry<String, SimulatedDevice> device : devices.entrySet()) {
            Story story;
            synchronized (schedule) {
                story = at("awaited" + device.getKey().hashCode(), device.getValue());
                JsonNode now = story.una.get(story.path("/bench")).json();
                assertThat(now.get("healthAwaited").asBoolean()).isTrue();
            }
            JsonNode bench = story.una.await(
                    story.path("/bench"), b -> !b.get("healthAwaited").asBoolean());
            assertThat(bench.get("advice").get("why").asString()).isEqualTo(device.getKey());
        }
    }
}
