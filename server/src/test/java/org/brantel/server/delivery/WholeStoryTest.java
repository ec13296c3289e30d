package org.brantel.server.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/** One real case, from the counter to the receipt; each step looks at what the one before left. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WholeStoryTest {

    private final Story story = Story.ofD01();
    private JsonNode link;
    private final Visitor customer = story.lab.nobody();

    @Test
    @Order(1)
    void theImageIsTheDeviceByteForByte() throws IOException {
        story.imaged("inbox/d01-fat16.img");
        JsonNode session = story.session();
        assertThat(session.get("sha256").asString())
                .isEqualTo(Corpus.truth("d01-fat16").get("sha256").asString());
        assertThat(session.get("readBytes").asLong())
                .isEqualTo(session.get("size").asLong());
        assertThat(session.get("cells").asString()).matches("r+");
        try (var images = Files.list(story.lab.home().resolve("images").resolve(story.number))) {
            assertThat(images.map(p -> p.getFileName().toString().replaceFirst("-\\d+", "-N")))
                    .contains("image-N.img", "image-N.img.map", "image-N.img.sha256.json");
        }
    }

    @Test
    @Order(2)
    void theCatalogueHoldsEveryFileThatItsTruthCallsWhole() {
        story.scanned("both", true);
        JsonNode page = story.una.get(story.path("/catalogue")).expect(200).json();
        Map<String, JsonNode> byHash = new HashMap<>();
        page.get("lines").forEach(l -> {
            if (l.get("sha256") != null) {
                byHash.put(l.get("sha256").asString(), l);
            }
        });
        assertThat(Corpus.files("d01-fat16").stream().filter(f -> "whole".equals(f.structure())))
                .allSatisfy(f -> {
                    JsonNode line = byHash.get(f.sha256());
                    assertThat(line).as(f.path()).isNotNull();
                    assertThat(line.get("prognosis").asString()).isEqualTo("whole");
                    assertThat(line.get("reasons").size()).isPositive();
                });
        assertThat(page.get("wanted")
                        .get(0)
                        .get("tally")
                        .get("found")
                        .get("whole")
                        .asInt())
                .isPositive();
        assertThat(page.get("all").asInt()).isEqualTo(page.get("lines").size());
    }

    @Test
    @Order(3)
    void aSecondScanAddsNothingTwice() {
        int before = story.una.get(story.path("/catalogue")).json().get("all").asInt();
        story.scanned("structure").scanned("carve");
        JsonNode page = story.una.get(story.path("/catalogue")).json();
        assertThat(page.get("all").asInt()).isEqualTo(before);
        assertThat(page.get("lines").get(0).get("sessions").size()).isGreaterThan(1);
        JsonNode scans = story.una.get(story.path("/scans")).json();
        assertThat(scans.get(1).get("added").asInt()).isZero();
        assertThat(scans.get(2).get("shared").asInt()).isPositive();
    }

    @Test
    @Order(4)
    void theSelectionIsWrittenOutReadBackAndHashedAgain() {
        story.selectedWhole();
        JsonNode run = story.recovered();
        assertThat(run.get("whole").asInt()).isEqualTo(run.get("total").asInt()).isGreaterThan(15);
        JsonNode files = story.una
                .get("/api/recovery/" + run.get("id").asLong() + "/files")
                .json()
                .get("items");
        Path store = story.lab
                .home()
                .resolve("lab-store")
                .resolve(story.number)
                .resolve("run-" + run.get("id").asLong())
                .resolve("files");
        for (JsonNode file : files) {
            assertThat(sha256(store.resolve(file.get("path").asString())))
                    .isEqualTo(file.get("sha256").asString());
        }
        Set<String> hashes = hashes(files);
        assertThat(Corpus.files("d01-fat16").stream().filter(f -> "whole".equals(f.structure())))
                .allMatch(f -> hashes.contains(f.sha256()));
    }

    private static Set<String> hashes(JsonNode files) {
        return java.util.stream.StreamSupport.stream(files.spliterator(), false)
                .map(f -> f.get("sha256").asString())
                .collect(Collectors.toSet());
    }

    private static String sha256(Path file) {
        try {
            byte[] bytes = Files.readAllBytes(file);
            return Hashes.sha256Hex(bytes, 0, bytes.length);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    @Order(5)
    void theBagPassesTheToolsThatAnybodyHas() throws Exception {
        JsonNode delivery = story.sealed();
        assertThat(delivery.get("manifestSha256").asString())
                .isEqualTo(sha256(story.bag().resolve("manifest-sha256.txt")));
        run("sha256sum", "--strict", "-c", "manifest-sha256.txt");
        run("sha512sum", "--strict", "-c", "manifest-sha512.txt");
        run(
                "openssl",
                "pkeyutl",
                "-verify",
                "-pubin",
                "-inkey",
                "lab-key.pem",
                "-rawin",
                "-in",
                "manifest-sha256.txt",
                "-sigfile",
                "manifest-sha256.txt.sig");
        JsonNode account = tools.jackson.databind.json.JsonMapper.shared()
                .readTree(Files.readString(story.bag().resolve("account.json")));
        assertThat(account.get("files").size()).isEqualTo(delivery.get("files").asInt());
        assertThat(account.get("files"))
                .allMatch(f -> f.get("delivered").asString().equals("whole"));
    }

    private void run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(story.bag().toFile())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(output).isZero();
    }

    @Test
    @Order(6)
    void theLinkOpensWithItsPasscodeAloneAndShowsOneCase() {
        link = story.link();
        String path = "/api/portal/" + token();
        assertThat(link.get("passcode").asString()).matches("\\d{4}-\\d{4}");
        assertThat(token()).hasSizeGreaterThanOrEqualTo(32);
        customer.get(path).expect(401);
        assertThat(customer.post(path + "/open", Map.of("passcode", "0000-0001"))
                        .expect(403)
                        .sentence())
                .contains("not the passcode");
        customer.get(path + "/all.zip").expect(401);
        customer.post(
                        path + "/open",
                        Map.of("passcode", link.get("passcode").asString().replace("-", " ")))
                .expect(204);
        JsonNode page = customer.get(path).expect(200).json();
        assertThat(page.get("caseNumber").asString()).isEqualTo(story.number);
        assertThat(page.get("fingerprint").asString()).hasSize(64);
        assertThat(page.get("wanted").size()).isEqualTo(2);
        customer.get("/api/cases/" + story.number).expect(401);
        customer.get("/api/desk?listed=1000").expect(401);
    }

    private int files() {
        return story.una
                .get(story.path("/deliveries"))
                .json()
                .get(0)
                .get("files")
                .asInt();
    }

    private String token() {
        return link.get("path").asString().substring("/d/".length());
    }

    @Test
    @Order(7)
    void oneFileOrAllCanBeDownloadedAndAreTheListedBytes() throws IOException {
        String path = "/api/portal/" + token();
        JsonNode files = customer.get(path).json().get("files");
        JsonNode first = files.get(0);
        Visitor.Answer one =
                customer.get(path + "/files/" + first.get("number").asInt()).expect(200);
        assertThat(Hashes.sha256Hex(one.body(), 0, one.body().length))
                .isEqualTo(first.get("sha256").asString());
        assertThat(one.header("Content-Disposition")).startsWith("attachment");
        assertThat(one.header("Content-Type")).isEqualTo("application/octet-stream");
        assertThat(one.header("X-Content-Type-Options")).isEqualTo("nosniff");
        Map<String, String> inZip = new HashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(
                customer.get(path + "/all.zip").expect(200).body()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                byte[] bytes = zip.readAllBytes();
                inZip.put(
                        entry.getName().substring(entry.getName().indexOf('/') + 1),
                        HexFormat.of().formatHex(Hashes.sha256().digest(bytes)));
            }
        }
        assertThat(files).allSatisfy(f -> assertThat(inZip)
                .containsEntry(f.get("path").asString(), f.get("sha256").asString()));
        assertThat(inZip).containsKeys("manifest-sha256.txt", "manifest-sha256.txt.sig", "READ-ME.txt", "account.json");
        for (String wrong : List.of("0", "99999", "-1")) {
            customer.get(path + "/files/" + wrong).expect(404);
        }
    }

    @Test
    @Order(8)
    void theReceiptClosesTheCaseOnce() {
        String path = "/api/portal/" + token();
        List<Map<String, Object>> seen = Story.seen(customer.get(path).json());
        assertThat(customer.post(path + "/receipt", Map.of("name", " ", "seen", seen))
                        .expect(400)
                        .sentence())
                .contains("your name");
        customer.post(path + "/receipt", Map.of("name", "Hilda Crane", "seen", seen))
                .expect(204);
        customer.post(path + "/receipt", Map.of("name", "Hilda Crane", "seen", seen))
                .expect(409);
        assertThat(story.una.get(story.path("")).json().get("stage").asString())
                .as("nobody noted what became of the device")
                .isEqualTo("handover");
        assertThat(story.una
                        .get(story.path("/questions"))
                        .json()
                        .valueStream()
                        .filter(q -> q.get("caseNumber").asString().equals(story.number))
                        .map(q -> q.get("question").asString()))
                .contains("Close the case?");
        closed();
        assertThat(story.una.get(story.path("")).json().get("stage").asString()).isEqualTo("closed");
        JsonNode ended = story.una.get("/api/day").json().get("ended").get(0);
        assertThat(ended.get("caseNumber").asString()).isEqualTo(story.number);
        assertThat(ended.get("how").asString()).isEqualTo("whole");
        assertThat(ended.get("complete").asBoolean())
                .as("nobody confirmed that these are theirs")
                .isFalse();
    }

    private void closed() {
        story.returned("to Hilda Crane");
        story.una
                .post(story.path("/closing"), Map.of("outcome", "delivered", "words", ""))
                .expect(200);
    }

    @Test
    @Order(9)
    void theCustodyRecordShowsEveryStepAndMeets() {
        JsonNode tape = story.una.get(story.path("/custody")).expect(200).json();
        List<String> steps = java.util.stream.StreamSupport.stream(
                        tape.get("entries").spliterator(), false)
                .map(e -> e.get("what").asString())
                .toList();
        assertThat(tape.get("tears").size()).isZero();
        assertThat(steps)
                .containsSubsequence(
                        "logged the case",
                        "attached a medium",
                        "started an imaging session",
                        "finished imaging",
                        "started a scan",
                        "finished a scan",
                        "started recovery",
                        "finished recovery, read back and hashed again",
                        "ordered a delivery",
                        "sealed a delivery",
                        "made a link for the customer",
                        "opened the delivery",
                        "confirmed receipt");
        assertThat(steps)
                .containsSubsequence(
                        "opened the delivery",
                        "began to download everything, " + files() + " files",
                        "downloaded everything, " + files() + " files");
        assertThat(steps).anyMatch(s -> s.startsWith("downloaded one file"));
    }

    @Test
    @Order(10)
    void anExpiredLinkSaysSoAndANewOneReplacesTheOld() {
        story.lab
                .sql()
                .update("update delivery set expires_at = now() - interval '1 minute' where id = (select "
                        + "max(id) from delivery)");
        assertThat(customer.get("/api/portal/" + token()).expect(410).sentence())
                .contains("expired")
                .contains("Your files are kept");
        String old = token();
        link = story.link();
        story.lab.nobody().get("/api/portal/" + old).expect(404);
        story.lab.nobody().get("/api/portal/" + token()).expect(401);
    }

    @Test
    @Order(11)
    void guessingAPasscodeIsSlowedDown() {
        Visitor guesser = story.lab.nobody();
        for (int i = 0; i < 5; i++) {
            guesser.post("/api/portal/" + token() + "/open", Map.of("passcode", "1111-000" + i))
                    .expect(403);
        }
        assertThat(guesser.post(
                                "/api/portal/" + token() + "/open",
                                Map.of("passcode", link.get("passcode").asString()))
                        .expect(429)
                        .sentence())
                .contains("Too many wrong tries");
    }

    /** More than the pool has connections, and more than it takes to be slowed down. */
    @Test
    @Order(12)
    void thirtyWhoKnowThePasscodeGetInAtOnce() throws Exception {
        link = story.link();
        ExecutorService all = Executors.newFixedThreadPool(31);
        try {
            List<Callable<Integer>> openings = new ArrayList<>();
            for (int i = 0; i < 30; i++) {
                Visitor one = story.lab.nobody();
                openings.add(() -> one.post(
                                "/api/portal/" + token() + "/open",
                                Map.of("passcode", link.get("passcode").asString()))
                        .status());
            }
            openings.add(() -> story.una.get("/api/desk").status());
            for (Future<Integer> status : all.invokeAll(openings)) {
                assertThat(status.get()).isIn(200, 204);
            }
        } finally {
            all.shutdownNow();
        }
    }
}
