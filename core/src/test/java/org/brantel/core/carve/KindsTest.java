package org.brantel.core.carve;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Content that real encoders wrote, then cut, stretched, damaged and mixed. */
class KindsTest {

    private static final Map<String, byte[]> SAMPLES = KindSamples.all();

    private static byte[] png() throws IOException {
        return KindSamples.written("png");
    }

    private static byte[] jpeg(boolean progressive) throws IOException {
        return KindSamples.jpeg(progressive, 200, 150);
    }

    private static byte[] pdf(String more) {
        return KindSamples.pdf(more);
    }

    private static ContentKind.Walk walk(ContentKind kind, byte[] bytes) {
        try {
            return kind.walk(ByteView.of(new FaultySource(bytes), new Range(0, bytes.length)));
        } catch (ByteView.End e) {
            return ContentKind.Walk.broken(bytes.length, "the content ends first");
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static byte[] followedByJunk(byte[] content) {
        byte[] more = Arrays.copyOf(content, content.length + 5000);
        for (int i = content.length; i < more.length; i++) {
            more[i] = (byte) (i * 131);
        }
        return more;
    }

    private static ContentKind kind(String code) {
        return Kinds.byCode(code).orElseThrow();
    }

    @Test
    void eachKindEndsAtItsOwnEndWhateverFollows() throws IOException {
        for (Object[] sample : List.of(
                new Object[] {"png", png()},
                new Object[] {"jpg", jpeg(false)},
                new Object[] {"jpg", jpeg(true)},
                new Object[] {"pdf", pdf("")})) {
            byte[] content = (byte[]) sample[1];
            ContentKind.Walk walk = walk(kind((String) sample[0]), followedByJunk(content));
            assertThat(walk.whole()).as("%s: %s", sample[0], walk.words()).isTrue();
            assertThat(walk.length()).as((String) sample[0]).isEqualTo(content.length);
        }
    }

    @Test
    void noTruncationIsWhole() throws IOException {
        for (Object[] sample : List.of(
                new Object[] {"png", png()}, new Object[] {"jpg", jpeg(false)}, new Object[] {"jpg", jpeg(true)})) {
            byte[] content = (byte[]) sample[1];
            for (int length = 1; length < content.length; length += 37) {
                assertThat(walk(kind((String) sample[0]), Arrays.copyOf(content, length))
                                .whole())
                        .as("%s cut at %d of %d", sample[0], length, content.length)
                        .isFalse();
            }
        }
    }

    @Test
    void anyChangedByteOfAPngIsNoticed() throws IOException {
        byte[] png = png();
        for (int at = 0; at < png.length; at += 3) {
            byte[] damaged = png.clone();
            damaged[at] ^= 0x10;
            assertThat(walk(kind("png"), damaged).whole()).as("byte %d", at).isFalse();
        }
    }

    @Test
    void foreignBytesInTheMiddleOfAJpegAreNoticed() throws IOException {
        for (byte[] jpeg : List.of(jpeg(false), jpeg(true))) {
            Random random = new Random(2);
            for (int round = 0; round < 40; round++) {
                byte[] damaged = jpeg.clone();
                int at = jpeg.length / 3 + random.nextInt(jpeg.length / 3);
                byte[] foreign = new byte[1024];
                random.nextBytes(foreign);
                System.arraycopy(foreign, 0, damaged, at, Math.min(1024, damaged.length - at - 2));
                assertThat(walk(kind("jpg"), damaged).whole())
                        .as("round %d", round)
                        .isFalse();
            }
        }
    }

    @Test
    void zerosInTheMiddleOfAJpegAreNoticed() throws IOException {
        byte[] jpeg = jpeg(false);
        byte[] damaged = jpeg.clone();
        Arrays.fill(damaged, jpeg.length / 2, jpeg.length / 2 + 512, (byte) 0);
        assertThat(walk(kind("jpg"), damaged).whole()).isFalse();
    }

    @Test
    void aPdfTakesItsUpdatesWithIt() {
        byte[] first = pdf("");
        String update = "2 0 obj\n<< >>\nendobj\nxref\n2 1\n%010d 00000 n \ntrailer\n<< /Size 3 /Root 1 0 R /Prev 50 "
                + ">>\nstartxref\n"
                + (first.length + 21) + "\n%%%%EOF\n";
        byte[] updated = pdf(update.formatted(first.length));
        assertThat(walk(kind("pdf"), followedByJunk(updated)).length()).isEqualTo(updated.length);
    }

    @Test
    void anEndMarkThatLeadsNowhereIsNoEnd() {
        byte[] pdf = new String(pdf(""), StandardCharsets.ISO_8859_1)
                .replaceFirst("startxref\n\\d+", "startxref\n9999999")
                .getBytes(StandardCharsets.ISO_8859_1);
        assertThat(walk(kind("pdf"), pdf).whole()).isFalse();
    }

    @Test
    @Timeout(600)
    void noDamageMakesAWalkThrowOrHang() throws IOException {
        Random random = new Random(3);
        for (Object[] sample : List.of(
                new Object[] {"png", png()},
                new Object[] {"jpg", jpeg(false)},
                new Object[] {"jpg", jpeg(true)},
                new Object[] {"pdf", pdf("")})) {
            byte[] content = (byte[]) sample[1];
            for (int round = 0; round < 300; round++) {
                byte[] damaged = content.clone();
                for (int i = 1 + random.nextInt(20); i > 0; i--) {
                    damaged[random.nextInt(damaged.length)] = (byte) random.nextInt();
                }
                ContentKind.Walk walk = walk(kind((String) sample[0]), damaged);
                assertThat(walk.length()).isBetween(0L, (long) damaged.length);
                assertThat(walk.words()).isNotBlank();
            }
        }
    }

    /** @return each find as kind, place and length */
    private static List<String> carve(Carver carver, long length) throws IOException {
        List<Hit> hits = new ArrayList<>();
        carve(carver, length, hits);
        return hits.stream().map(KindsTest::words).toList();
    }

    private static String words(Hit h) {
        return h.code() + "@" + h.start() + "+" + h.walk().length();
    }

    static void carve(Carver carver, long length, List<Hit> found) throws IOException {
        carve(carver, length, found, new ArrayList<>());
    }

    private static void carve(Carver carver, long length, List<Hit> found, List<Failed> failed) throws IOException {
        carver.run(
                new Range(0, length),
                new Carver.Listener() {
                    @Override
                    public void found(Hit hit) {
                        found.add(hit);
                    }

                    @Override
                    public void failed(Failed start) {
                        failed.add(start);
                    }

                    @Override
                    public void progressed(long bytes) {}

                    @Override
                    public boolean isWanted(long offset) {
                        return true;
                    }
                },
                () -> false);
    }

    @Test
    void theCarverFindsEachAtItsSectorAndNothingInside() throws IOException {
        byte[] disk = new byte[1 << 20];
        byte[] png = png();
        byte[] jpeg = jpeg(false);
        System.arraycopy(png, 0, disk, 512 * 10, png.length);
        System.arraycopy(jpeg, 0, disk, 512 * 900, jpeg.length);
        // A start that leads nowhere.
        System.arraycopy(jpeg, 0, disk, 512 * 1500, 300);
        Carver carver = new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, false, 512));
        List<Failed> failed = new ArrayList<>();
        List<Hit> hits = new ArrayList<>();
        carve(carver, disk.length, hits, failed);
        List<String> found = hits.stream().map(KindsTest::words).toList();
        assertThat(found).containsExactly("png@5120+" + png.length, "jpg@460800+" + jpeg.length);
        assertThat(failed)
                .extracting(Failed::offset, Failed::kind)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(768000L, "jpg"));
        assertThat(carver.looked()).containsExactly(new Range(0, disk.length));
    }

    @Test
    void contentWithAnUnreadSectorIsNotCarved() throws IOException {
        byte[] disk = Arrays.copyOf(png(), 64 << 10);
        Carver carver = new Carver(
                new FaultySource(disk, new Range(1024, 512)), new CarvePlan(Kinds.carvable(), false, false, 512));
        assertThat(carve(carver, disk.length)).isEmpty();
        // Neither what was not read nor where a start leads into it need not be looked at again.
        assertThat(carver.looked()).containsExactly(new Range(512, 512), new Range(1536, disk.length - 1536));
    }

    @Test
    void textEndsForNowWhereItWasNotRead() throws IOException {
        byte[] disk = "All quiet on the Skerrow coast, wind from the south west. "
                .repeat(400)
                .getBytes(StandardCharsets.US_ASCII);
        int size = disk.length / 512 * 512;
        Carver carver = new Carver(
                new FaultySource(Arrays.copyOf(disk, size), new Range(10 * 512, 512)),
                new CarvePlan(Kinds.carvable(), false, false, 512));
        assertThat(carve(carver, size)).containsExactly("txt@0+5120", "txt@5632+" + (size - 5632));
        assertThat(carver.looked()).doesNotContain(new Range(0, 512));
    }

    static Set<String> codes() {
        return SAMPLES.keySet();
    }

    @ParameterizedTest
    @MethodSource("codes")
    void eachKindEndsWhereItEndsAndIsToldApart(String code) {
        byte[] content = SAMPLES.get(code);
        ContentKind.Walk walk = walk(kind(code), followedByJunk(content));
        assertThat(walk.whole()).as("%s", walk).isTrue();
        assertThat(walk.length()).as("%s", walk).isEqualTo(content.length);
        assertThat(walk.code() == null ? kind(code).code() : walk.code()).isEqualTo(code);
    }

    @ParameterizedTest
    @MethodSource("codes")
    void cutAnywhereNoKindIsWhole(String code) {
        byte[] content = SAMPLES.get(code);
        Random random = new Random(code.hashCode());
        for (int round = 0; round < 25; round++) {
            // The last bytes may be a line end, or padding, that a file can do without.
            int length = random.nextInt(Math.max(1, content.length - (code.equals("tar") ? 9000 : 8)));
            ContentKind.Walk walk = walk(kind(code), Arrays.copyOf(content, length));
            assertThat(walk.whole() && walk.length() > length)
                    .as("cut at %d: %s", length, walk)
                    .isFalse();
            boolean partsAreFiles = Set.of("vcf", "mp3", "mkv").contains(code);
            assertThat(walk.whole() && !partsAreFiles)
                    .as("cut at %d: %s", length, walk)
                    .isFalse();
        }
    }

    /** Among other content at sector starts, each is found once, with its own code and length. */
    @ParameterizedTest
    @MethodSource("codes")
    void eachKindIsFoundOnAMedium(String code) throws IOException {
        byte[] content = SAMPLES.get(code);
        byte[] disk = new byte[(content.length + (3 << 20)) / 512 * 512];
        System.arraycopy(content, 0, disk, 512 * 777, content.length);
        List<String> found = carve(
                new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, false, 512)), disk.length);
        assertThat(found).containsExactly(code + "@" + 512 * 777 + "+" + content.length);
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png", "pdf", "zip", "flac", "sqlite", "gz", "ttf", "mid"})
    void atEveryByteItIsFoundAnywhere(String code) throws IOException {
        byte[] content = SAMPLES.get(code);
        byte[] disk = new byte[content.length + (2 << 20)];
        System.arraycopy(content, 0, disk, 300_007, content.length);
        List<String> found = carve(
                new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), true, false, 512)), disk.length);
        assertThat(found).contains(code + "@300007+" + content.length);
    }

    private static byte[] zipOfNoise() throws IOException {
        Random random = new Random(11);
        StringBuilder text = new StringBuilder();
        random.ints(30_000, 'a', 'z').forEach(c -> text.append((char) c));
        return KindSamples.zip(
                "one.txt",
                text.substring(0, 9000),
                "two.txt",
                text.substring(9000, 28_000),
                "three.txt",
                text.substring(28_000));
    }

    /** A stretch of junk in the middle, at cluster edges; the junk is of several sorts. */
    @ParameterizedTest
    @ValueSource(strings = {"jpg", "progressive", "png", "docx", "zip"})
    void twoPiecesAreJoined(String code) throws IOException {
        byte[] content = code.equals("jpg")
                ? KindSamples.grainyJpeg(500, 400)
                : code.equals("progressive")
                        ? KindSamples.jpeg(true, 900, 700)
                        : code.equals("zip") ? zipOfNoise() : SAMPLES.get(code);
        int cluster = content.length > 10_000 ? 4096 : 512;
        Random random = new Random(code.hashCode());
        for (int round = 0; round < 6; round++) {
            int edge = (1 + random.nextInt((content.length - 1) / cluster)) * cluster;
            int gap = (1 + random.nextInt(40)) * cluster;
            byte[] disk = new byte[content.length + gap + (2 << 20)];
            byte[] junk = new byte[gap];
            if (round % 3 == 0) {
                random.nextBytes(junk);
            } else if (round % 3 == 1) {
                Arrays.fill(junk, (byte) 'w');
            }
            int at = 512 * 64;
            System.arraycopy(content, 0, disk, at, edge);
            System.arraycopy(junk, 0, disk, at + edge, gap);
            System.arraycopy(content, edge, disk, at + edge + gap, content.length - edge);
            List<Hit> hits = new ArrayList<>();
            carve(
                    new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, false, 512)),
                    disk.length,
                    hits);
            assertThat(hits)
                    .as("edge %d, gap %d", edge, gap)
                    .filteredOn(h -> h.start() == at)
                    .hasSize(1)
                    .first()
                    .satisfies(h -> {
                        assertThat(h.code()).isEqualTo(code.equals("progressive") ? "jpg" : code);
                        assertThat(h.pieces())
                                .containsExactly(
                                        new Range(at, edge), new Range(at + edge + gap, content.length - edge));
                    });
        }
    }

    /** Real documents and films: wherever the pieces meet, they are joined right, or doubted, or not at all. */
    @ParameterizedTest
    @CsvSource({
        "d09-raw-card,pdf",
        "d12-fat32-healthy,pdf",
        "d02-fat32-reformatted,pdf",
        "d09-raw-card,mp4",
        "d09-raw-card,mov"
    })
    void whatIsInTwoPiecesIsNeverJoinedWrongly(String image, String code) throws IOException {
        Random random = new Random(image.hashCode());
        int joined = 0;
        int tried = 0;
        for (byte[] content : KindSamples.live(image, code)) {
            for (int edge = 4096; edge < content.length; edge += 4096 * (content.length / 40_000 + 1)) {
                byte[] junk = new byte[4096 * (1 + random.nextInt(30))];
                if (tried % 2 == 0) {
                    random.nextBytes(junk);
                }
                byte[] disk = inTwoPieces(content, edge, junk);
                List<Hit> hits = new ArrayList<>();
                carve(
                        new Carver(new FaultySource(disk), new CarvePlan(List.of(kind(code)), false, false, 512)),
                        disk.length,
                        hits);
                tried++;
                joined += hits.size();
                List<Range> right =
                        List.of(new Range(AT, edge), new Range(AT + edge + junk.length, content.length - edge));
                assertThat(hits)
                        .as("edge %d of %d, gap %d", edge, content.length, junk.length)
                        .allSatisfy(h -> assertThat(h.doubts().isEmpty() ? h.pieces() : right)
                                .isEqualTo(right));
            }
        }
        // A long stream without a checksum does not tell where its pieces meet.
        assertThat(joined).isGreaterThan(tried / 3);
    }

    private static final int AT = 512 * 64;

    private static byte[] inTwoPieces(byte[] content, int edge, byte[] junk) {
        byte[] disk = new byte[content.length + junk.length + (2 << 20)];
        System.arraycopy(content, 0, disk, AT, edge);
        System.arraycopy(junk, 0, disk, AT + edge, junk.length);
        System.arraycopy(content, edge, disk, AT + edge + junk.length, content.length - edge);
        return disk;
    }

    /** With its index first, nothing says how much stands in between: it is searched for. */
    @Test
    void aFilmWhoseIndexComesFirstIsJoinedByItsPictures() throws IOException {
        byte[] film = indexFirst(KindSamples.live("d09-raw-card", "mov").get(0));
        assertThat(walk(kind("mov"), film).outcome()).isEqualTo(ContentKind.Outcome.FITTING);
        int sure = 0;
        for (int edge = 40_960; edge < film.length - 4096; edge += 20_480) {
            byte[] disk = inTwoPieces(film, edge, new byte[8192]);
            List<Hit> hits = new ArrayList<>();
            carve(
                    new Carver(new FaultySource(disk), new CarvePlan(List.of(kind("mov")), false, false, 512)),
                    disk.length,
                    hits);
            List<Range> right = List.of(new Range(AT, edge), new Range(AT + edge + 8192, film.length - edge));
            assertThat(hits).as("edge %d", edge).allSatisfy(h -> assertThat(
                            h.doubts().isEmpty() ? h.pieces() : right)
                    .isEqualTo(right));
            sure += (int) hits.stream().filter(h -> h.doubts().isEmpty()).count();
        }
        assertThat(sure).isPositive();
    }

    /** The same boxes with the index before the data, and its places moved along. */
    private static byte[] indexFirst(byte[] mov) {
        java.nio.ByteBuffer b = java.nio.ByteBuffer.wrap(mov);
        int data = 20 + 8;
        int index = data + b.getInt(data);
        byte[] moved = new byte[mov.length];
        System.arraycopy(mov, 0, moved, 0, data);
        System.arraycopy(mov, index, moved, data, mov.length - index);
        System.arraycopy(mov, data, moved, data + mov.length - index, index - data);
        java.nio.ByteBuffer m = java.nio.ByteBuffer.wrap(moved);
        for (int at = data; at < data + mov.length - index; at++) {
            if (m.getInt(at) == 0x7374636f) {
                for (int i = 0; i < m.getInt(at + 8); i++) {
                    m.putInt(at + 12 + i * 4, m.getInt(at + 12 + i * 4) + mov.length - index);
                }
            }
        }
        return moved;
    }

    /** What is written to keep a reader busy is passed by. */
    @Test
    @Timeout(60)
    void hostileDocumentsAndFilmsAreDoneWithSoon() throws IOException {
        for (String hostile : List.of(
                "xref\n" + "0 0\n".repeat(500_000),
                "1 0 obj\n<< >>\nendobj\n?" + "startxref\n7\n%%EOF\n".repeat(300_000),
                "1 0 obj\n<< /Length 9 0 R >>\nstream\n" + "endstream ".repeat(200_000))) {
            byte[] bytes = ("%PDF-1.4\n" + hostile).getBytes(StandardCharsets.US_ASCII);
            assertThat(carve(
                            new Carver(
                                    new FaultySource(Arrays.copyOf(bytes, (bytes.length / 512 + 2) * 512)),
                                    new CarvePlan(List.of(kind("pdf")), false, false, 512)),
                            bytes.length))
                    .isEmpty();
        }
        // Every picture of the film is the same million bytes, in units of one byte each.
        byte[] film = KindSamples.live("d09-raw-card", "mp4").get(0);
        java.nio.ByteBuffer b = java.nio.ByteBuffer.wrap(film);
        for (int at = 0; at < film.length - 16; at++) {
            if (b.getInt(at) == 0x7374737a && b.getInt(at + 8) == 0) {
                for (int i = 0; i < b.getInt(at + 12); i++) {
                    b.putInt(at + 16 + i * 4, 60_000);
                }
            }
        }
        assertThat(walk(kind("mp4"), film).outcome()).isEqualTo(ContentKind.Outcome.BROKEN);
    }

    @Test
    void whatHasNoCheckIsDoubtedWhenOtherContentStandsInIt() throws IOException {
        byte[] bmp = SAMPLES.get("bmp");
        byte[] disk = new byte[1 << 20];
        System.arraycopy(bmp, 0, disk, 512 * 10, bmp.length);
        byte[] png = KindSamples.written("png");
        System.arraycopy(png, 0, disk, 512 * 20, png.length);
        List<Hit> hits = new ArrayList<>();
        carve(
                new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, false, 512)),
                disk.length,
                hits);
        assertThat(hits).extracting(Hit::code).containsExactlyInAnyOrder("bmp", "png");
        assertThat(hits).filteredOn(h -> h.code().equals("bmp")).first().satisfies(h -> assertThat(h.doubts())
                .singleElement()
                .asString()
                .contains("other content begins (png)"));
    }

    @Test
    void contentSaysWhatItIsAbout() {
        assertThat(walk(kind("epub"), SAMPLES.get("epub")).about().facts())
                .containsEntry("title", "Bog and tide")
                .containsEntry("author", "Ada Marr");
        assertThat(walk(kind("png"), SAMPLES.get("png")).about().facts())
                .containsEntry("width", "120")
                .containsEntry("height", "90");
        assertThat(walk(kind("eml"), SAMPLES.get("eml")).about().facts()).containsEntry("subject", "Parts for May");
        assertThat(SuggestedNames.USUAL.of(
                        "eml", walk(kind("eml"), SAMPLES.get("eml")).about()))
                .isEqualTo("[Mon, 4 May 2026 09 12 00 +0000 Parts for May].eml");
        assertThat(SuggestedNames.USUAL.of("jpg", org.brantel.core.kind.About.NONE))
                .isNull();
        assertThat(SuggestedNames.USUAL.of(
                        "jpg",
                        org.brantel.core.kind.About.NONE
                                .with("taken", "2026-05-04T09:12:30")
                                .with("device", "Tern/20")))
                .isEqualTo("[2026-05-04 09.12 Tern 20].jpg");
    }

    @Test
    void aPatternOfTheLabsOwnFillsInWhatIsSaid() {
        var about = org.brantel.core.kind.About.NONE
                .with("title", "Tide/table")
                .with("width", 640)
                .with("height", 480);
        assertThat(new SuggestedNames("{title}, {width} x {height}").of("png", about))
                .isEqualTo("[Tide table, 640 x 480].png");
        assertThat(new SuggestedNames("scan of {author}").of("png", about)).isNull();
        for (String none : List.of("no blank", "{nothing}", "{title}" + "x".repeat(200))) {
            org.assertj.core.api.Assertions.assertThatThrownBy(() -> new SuggestedNames(none))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("{");
        }
    }

    @Test
    void namesAreTakenForWhatTheirExtensionSays() {
        assertThat(Kinds.ofName("Harbour.JPEG")).isEqualTo("jpg");
        assertThat(Kinds.ofName("no extension")).isEqualTo("other");
        assertThat(Kinds.ofName("archive.")).isEqualTo("other");
        assertThat(Kinds.ofName("weird.<script>")).isEqualTo("other");
        assertThat(Kinds.isMeantBy("csv", "sheet")).isTrue();
        assertThat(Kinds.isMeantBy("csv", "image")).isFalse();
    }
}
