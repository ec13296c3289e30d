package org.brantel.core.casefile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import org.brantel.core.source.Identity;
import org.brantel.core.source.SourceException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CaseBagTest {

    private static final String NUMBER = "BR-2612-0007";
    private static final Instant NOON = Instant.parse("2026-12-01T12:00:00Z");
    private static final long ROOM = 16 << 20;

    @TempDir
    Path folder;

    private LabKey key;

    @BeforeEach
    void makeAKey() throws IOException {
        key = LabKey.at(folder.resolve("key.pem"));
    }

    private CaseFile.Home home() {
        return new CaseFile.Home("Lab of the north quay", key.fingerprint(), NUMBER);
    }

    private String mark(long id) {
        return Marks.of(key.fingerprint(), id);
    }

    private static List<CustodyEntry> record() {
        List<CustodyEntry> entries = new ArrayList<>();
        String previous = CustodyEntry.START;
        for (int i = 1; i <= 3; i++) {
            CustodyEntry e = CustodyEntry.next(NUMBER, i, previous, NOON, "Una Brandt", "did " + i, "");
            entries.add(e);
            previous = e.hash();
        }
        return entries;
    }

    private CaseFile file() {
        return CaseFile.of(
                new CaseFile.Origin(home(), List.of(), NOON, "Una Brandt", "the lab in Harnhaven", "a head swap"),
                new CaseFile.Told(
                        new CaseFile.Customer(
                                "person", "Ada Quill", "phone", List.of(new CaseFile.Way("phone", "555 010"))),
                        "",
                        "It fell.",
                        LocalDate.of(2026, 12, 24),
                        null,
                        new CaseFile.Consent("names", "", true, true),
                        List.of(new CaseFile.Wanted("photos", List.of("image"), "", 100, 0, null, null, false, true))),
                List.of(new CaseFile.Device(
                        mark(1),
                        "hdd",
                        new CaseFile.Label("Sturm", "B2", "S-1", 1 << 20),
                        "",
                        "",
                        "",
                        new CaseFile.Member("", null),
                        new CaseFile.Entitlement("", null),
                        null,
                        null)),
                new CaseFile.Said(
                        List.of(new CaseFile.Fact(
                                mark(1),
                                mark(1),
                                "symptom.noise",
                                "clicking",
                                "told",
                                false,
                                "Una Brandt",
                                NOON,
                                null)),
                        List.of(new CaseFile.Note(mark(1), "call", "She rang.", "Una Brandt", NOON))),
                List.of(new CaseFile.Imaging(
                        mark(1),
                        mark(1),
                        new CaseFile.Work("Lab of the north quay", "Una Brandt", NOON, NOON),
                        Identity.ofSize(1 << 20),
                        new CaseFile.Sum(1 << 20, 1 << 19, 512, 0, 1, 1),
                        new CaseFile.How("gentle", 1000, null, true, "", null),
                        null,
                        "images/imaging-1.json")),
                List.of(new CaseFile.Scan(
                        mark(1),
                        mark(1),
                        new CaseFile.Work("Lab of the north quay", "Una Brandt", NOON, NOON),
                        true,
                        1 << 19,
                        "scans/scan-1.gz")),
                List.of(new CaseFile.Ledger(home(), 3, record().get(2).hash(), "custody/record-1.ndjson")));
    }

    private Path data(UnaryOperator<String> document) throws IOException {
        Path data = Files.createDirectories(folder.resolve("data"));
        CaseBag.record(record(), data.resolve("custody/record-1.ndjson"));
        Files.createDirectories(data.resolve("scans"));
        Files.writeString(data.resolve("scans/scan-1.gz"), "a session");
        Files.createDirectories(data.resolve("images"));
        Files.writeString(data.resolve("images/imaging-1.json"), "a map");
        CaseBag.document(file(), data);
        String text = Files.readString(data.resolve("case.json"));
        Files.writeString(data.resolve("case.json"), document.apply(text));
        return data;
    }

    private Path packed(UnaryOperator<String> document) throws IOException {
        return pack(data(document));
    }

    private Path pack(Path data) throws IOException {
        Path zip = folder.resolve(NUMBER + "-case-1.zip");
        CaseBag.pack(
                data,
                zip,
                new BagInfo("Lab of the north quay", NUMBER, "a case", LocalDate.of(2026, 12, 1), "a case"),
                key);
        return zip;
    }

    private CaseBag.Opened open(Path zip) throws IOException {
        return CaseBag.open(zip, folder.resolve("opened"), ROOM);
    }

    @Test
    void comesOutAsItWentIn() throws IOException {
        CaseBag.Opened opened = open(packed(t -> t));
        assertThat(opened.file()).isEqualTo(file());
        assertThat(opened.data().resolve("scans/scan-1.gz")).hasContent("a session");
        assertThat(opened.custody()).singleElement().satisfies(tape -> {
            assertThat(tape.entries()).isEqualTo(record());
            assertThat(tape.tears()).isEmpty();
        });
        assertThat(folder.resolve(NUMBER + "-case-1"))
                .as("the bag itself is not kept twice")
                .doesNotExist();
    }

    @Test
    void aRecordThatWasTornSaysWhere() throws IOException {
        Path data = data(t -> t);
        List<CustodyEntry> torn = new ArrayList<>(record());
        torn.remove(1);
        Files.delete(data.resolve("custody/record-1.ndjson"));
        CaseBag.record(torn, data.resolve("custody/record-1.ndjson"));
        assertThat(open(pack(data)).custody().get(0).tears()).singleElement().satisfies(t -> assertThat(t.words())
                .contains("2 is missing"));
    }

    /** Each byte that is not as it was signed is noticed, or makes it no bag at all; nothing passes. */
    @Test
    void everyChangeOfWhatWasSignedIsNoticed() throws IOException {
        Path zip = packed(t -> t);
        Path bag = Zipped.read(zip, folder.resolve("by-hand"), ROOM);
        List<Path> files;
        try (Stream<Path> walk = Files.walk(bag)) {
            files = walk.filter(Files::isRegularFile).toList();
        }
        assertThat(files).hasSizeGreaterThan(8);
        int tried = 0;
        for (Path file : files) {
            byte[] was = Files.readAllBytes(file);
            byte[] changed = was.clone();
            changed[changed.length / 2] ^= 1;
            Files.write(file, changed);
            Path other = folder.resolve("changed-" + tried + ".zip");
            Zipped.write(bag, other);
            Path into = folder.resolve("changed-" + tried++);
            assertThatThrownBy(() -> CaseBag.open(other, into, ROOM))
                    .as("%s", file.getFileName())
                    .isInstanceOf(IOException.class);
            Files.write(file, was);
        }
    }

    /** What fills up the last letters stands among them. */
    @Test
    void aKeyThatBreaksOffIsRefused() throws IOException {
        Path bag = Zipped.read(packed(t -> t), folder.resolve("by-hand"), ROOM);
        Path pem = bag.resolve("lab-key.pem");
        Files.writeString(pem, Files.readString(pem).replaceFirst("(KEY-----\n.{10}).", "$1="));
        Zipped.write(bag, folder.resolve("short.zip"));
        assertThatThrownBy(() -> CaseBag.open(folder.resolve("short.zip"), folder.resolve("short"), ROOM))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("damaged");
    }

    @Test
    void whatIsSignedByAnotherThanItSaysIsRefused() throws IOException {
        String other = LabKey.at(folder.resolve("other.pem")).fingerprint();
        Path zip = packed(t -> t.replace(key.fingerprint(), other));
        assertThatThrownBy(() -> open(zip)).hasMessageContaining("but is signed with " + key.fingerprint());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"version\" : 1→\"version\" : 2→version 2",
                "\"brantel-case\"→\"brantel-other\"→brantel-other",
                "scans/scan-1.gz→scans/scan-2.gz→does not hold",
                "scans/scan-1.gz→../scan-1.gz→does not hold",
                "\"readBytes\" : 524288→\"readBytes\" : 99999999→do not come to its size",
                "\"It fell.\"→null→a part of it is missing",
                "It fell.→It \\u0000 fell.→no text (NUL)",
                "\"notes\" : [ {→\"notes\" : [ null, {→notes is empty",
                "\"symptom.noise\"→null→text that is missing",
            })
    void aDocumentThatDoesNotHoldTogetherIsRefusedInASentence(String change) throws IOException {
        String[] parts = change.split("→");
        Path zip = packed(t -> {
            assertThat(t).contains(parts[0]);
            return t.replace(parts[0], parts[1]);
        });
        assertThatThrownBy(() -> open(zip))
                .isInstanceOf(IOException.class)
                .hasMessageContaining(parts[2])
                .message()
                .endsWith(".");
    }

    @Test
    void marksOfTwoThingsMayNotBeOne() throws IOException {
        Path zip = packed(t -> t.replace(
                "\"notes\" : [ {",
                "\"notes\" : [ {\"mark\":\"" + mark(1)
                        + "\",\"kind\":\"note\",\"words\":\"\",\"who\":\"\",\"at\":\"2026-12-01T12:00:00Z\"}, {"));
        assertThatThrownBy(() -> open(zip)).hasMessageContaining("two of its parts have the mark");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"../out.txt", "/etc/out.txt", "bag/../../out.txt", "bag/a\\b", "bag/a/b/c/d/e", "alone.txt"})
    void nothingIsUnpackedThatWeWouldNotPack(String name) throws IOException {
        Path zip = folder.resolve("strange.zip");
        try (OutputStream out = Files.newOutputStream(zip);
                ZipOutputStream to = new ZipOutputStream(out)) {
            to.putNextEntry(new ZipEntry(name));
            to.write("text".getBytes(StandardCharsets.UTF_8));
        }
        assertThatThrownBy(() -> open(zip)).isInstanceOf(SourceException.class).hasMessageContaining(name);
        try (Stream<Path> walk = Files.walk(folder)) {
            assertThat(walk.map(p -> p.getFileName().toString())).doesNotContain("out.txt");
        }
    }

    @Test
    void whatUnpacksToMoreThanThereIsRoomForIsStopped() throws IOException {
        Path zip = folder.resolve("large.zip");
        try (OutputStream out = Files.newOutputStream(zip);
                ZipOutputStream to = new ZipOutputStream(out)) {
            to.putNextEntry(new ZipEntry("bag/bagit.txt"));
            to.write(new byte[(int) ROOM + 1]);
        }
        assertThat(Files.size(zip)).as("a small file").isLessThan(ROOM / 100);
        assertThatThrownBy(() -> open(zip)).hasMessageContaining("more than there is room for");
    }

    @Test
    void whatIsNoArchiveOrADeliverySaysSo() throws IOException {
        Path text = Files.writeString(folder.resolve("text.zip"), "no archive");
        assertThatThrownBy(() -> open(text)).isInstanceOf(SourceException.class).hasMessageContaining("no case file");
        Path data = Files.createDirectories(folder.resolve("files"));
        Files.writeString(data.resolve("a.txt"), "a recovered file");
        Path zip = pack(data);
        assertThatThrownBy(() -> CaseBag.open(zip, folder.resolve("delivery"), ROOM))
                .hasMessageContaining("holds no case.json");
    }

    @Test
    void aMarkIsKnownAgainByItsOwnLabAlone() {
        assertThat(Marks.own(mark(17), key.fingerprint())).contains(17L);
        assertThat(Marks.own(mark(17), "0".repeat(64))).isEmpty();
        assertThat(Marks.own("17", key.fingerprint())).isEmpty();
    }
}
