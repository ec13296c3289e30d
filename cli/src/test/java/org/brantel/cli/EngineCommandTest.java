package org.brantel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The command line as a person or a script uses it: exit codes, one clear line, JSON on standard output. */
class EngineCommandTest {

    private record Run(int exit, String out, String err) {
        JsonNode json() {
            return JsonMapper.shared().readTree(out);
        }
    }

    @TempDir
    private Path folder;

    private final PrintStream out = System.out;
    private final PrintStream err = System.err;

    @BeforeEach
    @AfterEach
    void restore() {
        System.setOut(out);
        System.setErr(err);
    }

    private Run run(Object... words) {
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        ByteArrayOutputStream complained = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(complained, true, StandardCharsets.UTF_8));
        int exit = EngineCommand.run(Arrays.stream(words).map(String::valueOf).toArray(String[]::new));
        restore();
        return new Run(exit, said.toString(StandardCharsets.UTF_8), complained.toString(StandardCharsets.UTF_8));
    }

    @Test
    void imagesScansExtractsBagsAndVerifies() throws IOException {
        Path source = Corpus.image("d01-fat16", folder);
        Path image = folder.resolve("copy.img");
        Run imaged = run("image", source, image);
        assertThat(imaged.exit()).as(imaged.err()).isZero();
        assertThat(imaged.json().get("sha256").asString())
                .isEqualTo(Corpus.truth("d01-fat16").get("sha256").asString());
        assertThat(imaged.json().get("failedBytes").asLong()).isZero();
        assertThat(Files.mismatch(source, image)).isEqualTo(-1);

        Run scanned = run("scan", image, "--out", folder.resolve("scan"), "--hash");
        assertThat(scanned.exit()).as(scanned.err()).isZero();
        Run extracted = run(
                "extract",
                image,
                folder.resolve("scan/findings.ndjson"),
                folder.resolve("files"),
                "--prognosis",
                "whole");
        assertThat(extracted.exit()).as(extracted.err()).isZero();
        Set<String> written;
        try (Stream<String> lines = Files.lines(folder.resolve("files/results.ndjson"))) {
            written = lines.map(
                            l -> JsonMapper.shared().readTree(l).get("sha256").asString())
                    .collect(Collectors.toSet());
        }
        List<Corpus.TrueFile> expected = Corpus.files("d01-fat16").stream()
                .filter(f -> "whole".equals(f.structure()))
                .toList();
        assertThat(expected).allSatisfy(f -> assertThat(written).as(f.path()).contains(f.sha256()));

        Files.delete(folder.resolve("files/results.ndjson"));
        assertThat(run("bag", folder.resolve("files"), folder.resolve("bag"), "--key", folder.resolve("key.pem"))
                        .exit())
                .isZero();
        assertThat(run("verify", folder.resolve("bag")).out()).contains("signature right");
        try (Stream<Path> data = Files.walk(folder.resolve("bag/data"))) {
            Files.writeString(data.filter(Files::isRegularFile).findFirst().orElseThrow(), "tampered");
        }
        Run torn = run("verify", folder.resolve("bag"));
        assertThat(torn.exit()).isEqualTo(1);
        assertThat(torn.out()).contains("differs from the manifest");
    }

    @Test
    void copiesFilesOfASoundMediumAndSaysWhenItIsNot() throws IOException {
        Path sound = Corpus.image("d12-fat32-healthy", folder);
        Run copied = run("image", sound, folder.resolve("files.img"), "--files");
        assertThat(copied.exit()).as(copied.err()).isZero();
        assertThat(copied.err()).contains("26 files were copied and checked.");
        assertThat(copied.json().get("readBytes").asLong())
                .isLessThan(copied.json().get("size").asLong() / 4);
        Run refused = run("image", Corpus.image("d13-ntfs-truncated", folder), folder.resolve("x.img"), "--files");
        assertRefused(refused, "The records of volume 0 are damaged");
    }

    @Test
    void failedSectorsAreSomethingToKnow() throws IOException {
        Path plan = new SimulatedDevice(folder, 1 << 20, 1).dead(512_000, 1024).write();
        Run run = run("image", "sim:" + plan, folder.resolve("x.img"), "--profile", "failing");
        assertThat(run.exit()).isEqualTo(1);
        assertThat(run.json().get("failedBytes").asLong()).isEqualTo(1024);
        assertThat(run.json().get("passes").size()).isGreaterThan(1);
    }

    @Test
    void badInputIsOneClearLineAndExitTwo() throws IOException {
        Path image = Corpus.image("d10-blank", folder);
        assertRefused(
                run("image", folder.resolve("none.img"), folder.resolve("x.img")), "There is no file or device at");
        assertRefused(run("image", image, image), "is the source itself");
        assertRefused(
                run("image", image, folder.resolve("x.img"), "--profile", "rough"), "There is no care profile 'rough'");
        assertRefused(
                run("scan", image, "--out", folder.resolve("s"), "--method", "guess"),
                "There is no scan method 'guess'");
        assertRefused(run("scan", image, "--out", folder.resolve("s"), "--volume", "2"), "There is no volume 2");
        assertRefused(run("extract", image, folder.resolve("none"), folder.resolve("d")), "There are no findings at");
        assertRefused(run("verify", folder), "is not a bag");
        assertRefused(run("volumes", folder), "is a folder");
    }

    private static void assertRefused(Run run, String words) {
        assertThat(run.exit()).as(run.err()).isEqualTo(2);
        assertThat(run.err()).contains(words).doesNotContain("Exception");
        assertThat(run.err().strip().lines()).hasSize(1);
    }

    @Test
    void wrongUseExplainsItself() {
        Run run = run("image");
        assertThat(run.exit()).isEqualTo(2);
        assertThat(run.err())
                .contains("SOURCE")
                .contains("./brantel engine image --help")
                .hasLineCount(1);
        assertThat(run("mend", "x").exit()).isEqualTo(2);
        assertThat(run("--help").out()).contains("image").contains("scan").contains("verify");
    }

    @Test
    void findingsOfAnotherSourceAreRefused() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        run("scan", image, "--out", folder.resolve("s"), "--method", "structure");
        Path small = Files.write(folder.resolve("small.img"), new byte[4096]);
        assertRefused(
                run("extract", small, folder.resolve("s/findings.ndjson"), folder.resolve("d")),
                "these findings are of another source");
    }

    @Test
    void aBlankMediumIsAResultNotAnError() throws IOException {
        Path image = Corpus.image("d10-blank", folder);
        Run run = run("scan", image, "--out", folder.resolve("s"));
        assertThat(run.exit()).isZero();
        assertThat(Files.size(folder.resolve("s/findings.ndjson"))).isZero();
    }

    @Test
    void kindsAreListedWithTheirBeginnings() throws IOException {
        JsonNode kinds = run("kinds").json();
        assertThat(kinds.size()).isGreaterThan(30);
        assertThat(kinds.get(0).get("codes").toString()).contains("jpg");
        assertThat(kinds.get(0).get("starts").get(0).get("bytes").asString()).startsWith("ffd8ff");
    }

    @Test
    void aSessionIsTakenToAnotherMachine() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        Path packed = folder.resolve("session.gz");
        run("scan", image, "--out", folder.resolve("here"), "--hash");
        assertThat(run("pack", folder.resolve("here"), packed).exit()).isZero();
        assertThat(run("unpack", packed, image, folder.resolve("there")).exit()).isZero();
        assertThat(folder.resolve("there/findings.ndjson"))
                .hasSameTextualContentAs(folder.resolve("here/findings.ndjson"));
        assertThat(run(
                                "scan",
                                image,
                                "--method",
                                "carve",
                                "--after",
                                folder.resolve("there/session.json"),
                                "--out",
                                folder.resolve("more"))
                        .out())
                .startsWith("0 findings");
        assertRefused(
                run("unpack", packed, Corpus.image("d10-blank", folder), folder.resolve("other")), "is of a medium of");
        byte[] bytes = Files.readAllBytes(packed);
        Files.write(packed, Arrays.copyOf(bytes, bytes.length / 2));
        assertRefused(run("unpack", packed, image, folder.resolve("cut")), "is damaged");
        Files.writeString(packed, "no such thing");
        assertRefused(run("unpack", packed, image, folder.resolve("none")), "is no session file");
    }

    @Test
    void aSessionWithoutHashesIsPackedWithSomeOfItsMedium() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        run("scan", image, "--out", folder.resolve("here"));
        assertThat(run("pack", folder.resolve("here"), folder.resolve("bare.gz"))
                        .exit())
                .isZero();
        assertThat(run("unpack", folder.resolve("bare.gz"), image, folder.resolve("bare"))
                        .exit())
                .isZero();
        assertThat(Files.readString(folder.resolve("bare/session.json")))
                .contains("nothing shows that it is of this medium but its size");
        assertThat(run("pack", folder.resolve("here"), folder.resolve("told.gz"), image)
                        .exit())
                .isZero();
        assertThat(run("unpack", folder.resolve("told.gz"), image, folder.resolve("told"))
                        .exit())
                .isZero();
        assertThat(Files.readString(folder.resolve("told/session.json"))).doesNotContain("nothing shows");
        byte[] other = Files.readAllBytes(image);
        for (int i = 64 << 10; i < other.length; i++) {
            other[i] ^= 0x5a;
        }
        Files.write(folder.resolve("other.img"), other);
        assertRefused(
                run("unpack", folder.resolve("told.gz"), folder.resolve("other.img"), folder.resolve("wrong")),
                "is of another medium");
    }

    @Test
    void volumesAreListedAsJson() throws IOException {
        JsonNode volumes =
                run("volumes", Corpus.image("d12-fat32-healthy", folder)).json().get("volumes");
        assertThat(volumes.size()).isEqualTo(1);
        assertThat(volumes.get(0).get("fs").asString()).isEqualTo("fat32");
    }

    @Test
    void earlierVolumesAreListedScannedAndTheirFindingsExplained() throws IOException {
        Path image = Corpus.image("d05-ntfs-reformatted", folder);
        JsonNode volumes = run("volumes", image).json().get("volumes");
        assertThat(volumes).extracting(v -> v.get("state").asString()).containsExactly("live", "earlier");
        assertThat(run("volumes", image, "--quick").json().get("volumes"))
                .as("without the search")
                .hasSize(1);

        Path findings = folder.resolve("scan/findings.ndjson");
        assertThat(run("scan", image, "--out", folder.resolve("scan"), "--method", "structure")
                        .exit())
                .isZero();
        JsonNode earlier = Files.readAllLines(findings).stream()
                .map(l -> JsonMapper.shared().readTree(l))
                .filter(f -> f.get("origin").asString().equals("earlier")
                        && f.get("prognosis").asString().equals("whole"))
                .findFirst()
                .orElseThrow();
        Run explained = run("explain", image, findings, earlier.get("id").asLong());
        assertThat(explained.exit()).as(explained.err()).isZero();
        assertThat(explained.out())
                .startsWith(earlier.get("path").asString())
                .contains(
                        "is ntfs, earlier",
                        "Record of the file table",
                        "46 49 4c 45",
                        "signature: 'FILE'",
                        "Judged whole");
        JsonNode steps = run("explain", image, findings, earlier.get("id").asLong(), "--json")
                .json();
        assertThat(steps.get(1).get("offset").asLong())
                .isEqualTo(earlier.get("recordAt").asLong());
        assertRefused(run("explain", image, findings, 99999), "no finding 99999");

        assertThat(run("scan", image, "--out", folder.resolve("quick"), "--method", "structure", "--quick")
                        .exit())
                .isZero();
        assertThat(Files.readAllLines(folder.resolve("quick/findings.ndjson")))
                .as("records only")
                .hasSize(5);
    }

    @Test
    void triageReadsFactsAndRefusesUnknownOnes() throws IOException {
        Path facts = Files.writeString(
                folder.resolve("facts.json"),
                "{\"facts\":{\"symptom.noise\":\"clicking\",\"loss.event\":[\"dropped\"]},\"observed\":{}}");
        JsonNode ranking = run("triage", facts).json();
        assertThat(ranking.get("ranking").get(0).get("path").asString()).isEqualTo("hardware-work");
        assertThat(ranking.get("ranking").get(0).has("for")).isTrue();
        assertThat(ranking.get("stopRules").get(0).get("code").asString()).isEqualTo("no-power");
        Files.writeString(facts, "{\"facts\":{\"symptom.noise\":\"cliking\"}}");
        assertRefused(run("triage", facts), "the nearest is 'clicking'");
        Files.writeString(facts, "{\"facts\":");
        assertRefused(run("triage", facts), "facts.json");
    }

    @Test
    void listsWhatWasNotReadTakesMapsAlongAndRechecksImages() throws IOException {
        Path plan = new SimulatedDevice(folder, 1 << 20, 3)
                .dead(300_032, 80 * 512)
                .with("\"onFault\":\"stops\"")
                .write();
        Path image = folder.resolve("out.img");
        Run stopped = run("image", "sim:" + plan, image, "--profile", "last-chance", "--stop-at-limits");
        assertThat(stopped.exit()).isEqualTo(1);
        assertThat(stopped.err())
                .contains("Stopped at a limit: 24 faults in a row")
                .contains("the same command goes on");
        Run whole = run("image", "sim:" + plan, image, "--profile", "failing");
        assertThat(whole.json().get("failedBytes").asLong()).isEqualTo(80 * 512);
        Run unread = run("map", "unread", image);
        assertThat(unread.exit()).isEqualTo(1);
        assertThat(unread.json().get("ranges").get(0).get("off").asLong()).isEqualTo(300_032);
        Path sum = folder.resolve("sum.json");
        assertThat(run("map", "export", image, sum).exit()).isZero();
        assertThat(run("map", "import", sum, folder.resolve("other.img")).exit())
                .isZero();
        assertThat(run("map", "unread", folder.resolve("other.img")).out()).isEqualTo(unread.out());
        assertThat(run("map", "import", sum, folder.resolve("other.img")).err()).contains("is there already");
        assertThat(run("recheck", image).exit()).isZero();
        byte[] bytes = Files.readAllBytes(image);
        bytes[9] ^= 1;
        Files.write(image, bytes);
        Run damaged = run("recheck", image);
        assertThat(damaged.exit()).isEqualTo(1);
        assertThat(damaged.json().get("damaged").get(0).get("offset").asLong()).isZero();
    }

    @Test
    void saysWhatFitsAWantedLine() throws IOException {
        Path cases = Files.writeString(folder.resolve("cases.json"), """
                {"cases": [{"id": "a", "why": "a person's words", "line": {"words": "photos of june 2025", "kinds": ["image"],
                 "from": "2025-06-01", "to": "2025-06-30"}, "findings": [
                {"name": "a.jpg", "path": "/a.jpg", "kind": "jpg", "size": 900000,
                  "changed": "2025-06-03T10:00:00Z", "about": {}, "prognosis": "whole"},
                {"name": "at-4096.jpg", "path": null, "kind": "jpg", "size": 900000,
                  "changed": null, "about": {"width": 4000, "height": 3000}, "prognosis": "whole"},
                {"name": "b.pdf", "path": "/b.pdf", "kind": "pdf", "size": 900000,
                  "changed": null, "about": {}, "prognosis": "whole"}]}]}""");
        Run run = run("fits", cases);
        assertThat(run.exit()).isZero();
        assertThat(run.json().get(0).toString())
                .contains("\"fits\":[0]")
                .contains("\"maybe\":[1]")
                .contains("\"no\":[2]");
        Path wrong = Files.writeString(
                folder.resolve("wrong.json"), Files.readString(cases).replace("2025-06-30", "2025-06-31"));
        Run refused = run("fits", wrong);
        assertThat(refused.exit()).isEqualTo(2);
        assertThat(refused.err().strip())
                .contains("'2025-06-31'")
                .contains("'a'")
                .doesNotContain("\n");
        assertThat(run("fits", Files.writeString(folder.resolve("none.json"), "{}"))
                        .err())
                .contains("has no 'cases'");
    }

    @Test
    void aStopRuleOfTheCaseHoldsOnTheCommandLine() throws IOException {
        Path source = Corpus.image("d01-fat16", folder);
        Path facts = Files.writeString(
                folder.resolve("facts.json"),
                "{\"facts\": {\"medium.type\": \"hdd\", \"symptom.noise\": \"clicking\"}}");
        for (Object[] verb : new Object[][] {
            {"image", source, folder.resolve("x.img")},
            {"volumes", source},
            {"scan", source, "--out", folder.resolve("x")}
        }) {
            Object[] asked = Stream.concat(Arrays.stream(verb), Stream.of("--case", facts))
                    .toArray();
            Run refused = run(asked);
            assertThat(refused.exit()).as("%s", verb[0]).isEqualTo(2);
            assertThat(refused.err().strip())
                    .contains("clicks")
                    .contains("--released")
                    .doesNotContain("\n");
        }
        assertThat(Files.exists(folder.resolve("x.img"))).isFalse();
        assertThat(run("image", source, folder.resolve("x.img"), "--case", facts, "--released", " ")
                        .err())
                .contains("needs a reason");
        Run released = run(
                "image",
                source,
                folder.resolve("x.img"),
                "--case",
                facts,
                "--released",
                "The partner changed its heads.");
        assertThat(released.exit()).isZero();
        assertThat(released.err()).contains("The partner changed its heads.");
    }
}
