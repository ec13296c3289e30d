package org.brantel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Documents;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Laid;
import org.brantel.server.testing.Recordings;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What a finding holds is drawn, written and played anew. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ProofTest {

    private static final int SLOT = 1 << 20;

    private final Lab lab = Lab.open();
    private final Map<String, byte[]> files = new LinkedHashMap<>();
    private Laid laid;
    private Story story;
    private Story glimpses;
    private Story names;

    @BeforeAll
    void find(@TempDir Path made) throws IOException, InterruptedException {
        lay(made);
        // A fourth of it is on the medium.
        long end = (long) SLOT * files.size();
        laid = Laid.on(lab, "proof.img", SLOT, files)
                .with(Laid.finding(files.size() + 1, "torn.png", 8000, end - 2000, Prognosis.GAPPED));
        story = laid.found(new CaseForms());
        glimpses = laid.found(new CaseForms().consent("look", "previews"));
        names = laid.found(new CaseForms().consent("look", "names"));
    }

    private void lay(Path made) throws IOException, InterruptedException {
        files.put("film.mp4", Recordings.film(made, 30));
        files.put("song.mp3", Recordings.song(made, 40));
        files.put("live.webm", Recordings.live(made, 4));
        byte[] broken = files.get("song.mp3").clone();
        Arrays.fill(broken, 0, broken.length, (byte) 0x55);
        files.put("noise.mp3", broken);
        BufferedImage picture = new BufferedImage(900, 300, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = picture.createGraphics();
        g.setColor(Color.ORANGE);
        g.fillRect(0, 0, 450, 300);
        files.put("scan.tiff", written(picture, "tiff"));
        files.put("comb.png", written(picture, "png"));
        files.put("door.webp", Recordings.still(made, "webp"));
        files.put("pier.heic", Recordings.newer(made, "heic"));
        files.put("mole.avif", Recordings.newer(made, "avif"));
        files.put("half.heic", Arrays.copyOf(files.get("pier.heic"), 600));
        ByteArrayOutputStream raw = new ByteArrayOutputStream();
        raw.writeBytes(new byte[900]);
        raw.writeBytes(written(new BufferedImage(16, 8, BufferedImage.TYPE_INT_RGB), "jpg"));
        raw.writeBytes(written(picture, "jpg"));
        raw.writeBytes(new byte[5000]);
        files.put("gull.raf", raw.toByteArray());
        files.put("bare.cr3", new byte[4000]);
        try (InputStream font =
                PDDocument.class.getResourceAsStream("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf")) {
            files.put("plain.ttf", Objects.requireNonNull(font).readAllBytes());
        }
        Documents.all("The gauge stands.").forEach((kind, document) -> files.put("old-" + kind + "." + kind, document));
        files.put("poster.psd", layers());
        files.put(
                "plan.svg",
                text(
                        "<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100'><image href='file:///etc/passwd'/>"
                                + "<rect width='100' height='100' fill='#ff0000'/></svg>"));
        files.put("two.pdf", pdf(2));
        files.put("locked.pdf", Documents.locked(pdf(2)));
        files.put("locked.docx", Documents.lockedOffice(zip(Map.of("word/document.xml", "<w/>"))));
        files.put("hives.zip", zip(Map.of("hive 1.csv", "a,b", "hive 2.csv", "c,d")));
        files.put(
                "letter.docx",
                zip(Map.of(
                        "word/document.xml",
                        "<w:document xmlns:w='w'><w:p><w:t>Dear keeper,</w:t></w:p><w:p><w:t>the hives &amp; combs</w:t>"
                                + "</w:p></w:document>")));
        files.put(
                "bomb.docx",
                zip(Map.of(
                        "word/document.xml", "<!DOCTYPE x [<!ENTITY a SYSTEM 'file:///etc/passwd'>]>" + "<x>&a;</x>")));
        files.put(
                "counts.xlsx",
                zip(Map.of(
                        "xl/sharedStrings.xml",
                        "<sst><si><t>hive</t></si><si><t>north</t></si></sst>",
                        "xl/worksheets/sheet1.xml",
                        "<worksheet><sheetData><row><c t='s'><v>0</v></c><c t='s'><v>1</v></c></row>"
                                + "<row><c><v>12.5</v></c><c><f>A1</f><v>7</v></c></row></sheetData></worksheet>")));
        files.put(
                "note.eml",
                text(
                        "From: Mara Fell <mara@skerrow.example>\r\nTo: lab@skerrow.example\r\nSubject: =?utf-8?q?H=C3=B6he?="
                                + "\r\nContent-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: text/plain\r\n\r\n"
                                + "The gauge stands.\r\n--b\r\nContent-Type: image/png; name=gauge.png\r\n"
                                + "Content-Disposition: attachment; filename=gauge.png\r\n\r\nx\r\n--b--\r\n"));
        files.put(
                "letters.mbox",
                text(
                        "From mara@skerrow.example Tue May  4 09:12:30 2021\nFrom: Mara Fell\nSubject: =?utf-8?q?H=C3=B6he?="
                                + "\n\nIt stands.\n\nFrom lab@skerrow.example Wed May  5 10:00:00 2021\nSubject: Dues\n\nPaid.\n"));
        files.put("odd.xyz", new byte[] {1, 2, 'T', 'i', 'd', 'e'});
    }

    private static byte[] written(BufferedImage picture, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture, format, out);
        return out.toByteArray();
    }

    /** Four by four points of red: a head, three empty sections, and the composite plane by plane, as it stands. */
    private static byte[] layers() {
        ByteBuffer psd = ByteBuffer.allocate(26 + 12 + 2 + 48);
        psd.put(text("8BPS")).putShort((short) 1).put(new byte[6]).putShort((short) 3);
        psd.putInt(4).putInt(4).putShort((short) 8).putShort((short) 3);
        psd.position(psd.position() + 14);
        byte[] red = new byte[16];
        Arrays.fill(red, (byte) 0xff);
        psd.put(red);
        return psd.array();
    }

    private static byte[] pdf(int pages) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < pages; i++) {
                document.addPage(new PDPage());
            }
            document.save(out);
        }
        return out.toByteArray();
    }

    private static byte[] zip(Map<String, String> parts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(text(part.getValue()));
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static long id(Story of, String name) {
        JsonNode lines = of.una
                .get(of.path("/catalogue?q=called+" + name))
                .expect(200)
                .json()
                .get("lines");
        return lines.get(0).get("id").asLong();
    }

    private static String path(Story of, String name, String what) {
        return of.path("/catalogue/" + id(of, name) + what);
    }

    private JsonNode preview(String name) {
        return story.una.get(path(story, name, "/preview")).expect(200).json();
    }

    private BufferedImage drawn(String name, String what) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(
                story.una.get(path(story, name, what)).expect(200).body()));
    }

    @Test
    void aFilmIsAStripOfFramesAndPlays() throws IOException {
        JsonNode film = preview("film.mp4");
        assertThat(film.get("shape").asString()).isEqualTo("film");
        assertThat(film.get("play").get("seconds").asDouble()).isBetween(29.5, 30.5);
        assertThat(film.get("play").get("frames")).hasSize(8);
        assertThat(film.get("play").get("wave")).hasSize(240);
        assertThat(drawn("film.mp4", "/frame?at=12.5").getWidth()).isEqualTo(160);
        byte[] played = story.una
                .get(path(story, "film.mp4", "/play?from=20"))
                .expect(200)
                .body();
        // EBML's signature (RFC 8794, 11.2.4).
        assertThat(Arrays.copyOf(played, 4)).containsExactly(0x1a, 0x45, 0xdf, 0xa3);
        assertThat(lasts(played)).as("it ends where the film does").isBetween(9_500.0, 10_500.0);
    }

    @Test
    void aFilmThatSaysNothingOfItsLengthIsNotSaidToHaveOne() {
        byte[] played =
                story.una.get(path(story, "live.webm", "/play")).expect(200).body();
        assertThat(lasts(played)).isNaN();
    }

    @Test
    void aSoundHasItsWaveAndPlays() {
        JsonNode song = preview("song.mp3");
        assertThat(song.get("shape").asString()).isEqualTo("sound");
        assertThat(song.get("play").get("seconds").asDouble()).isBetween(39.5, 40.5);
        assertThat(song.get("play").get("frames")).isEmpty();
        assertThat(song.get("play").get("wave").get(100).asDouble()).isGreaterThan(0.05);
        story.una.get(path(story, "song.mp3", "/play?from=10")).expect(200);
        story.una.get(path(story, "song.mp3", "/play?from=NaN")).expect(400);
    }

    @Test
    void whoAgreedToPreviewsHearsAGlimpse() {
        int all = story.una.get(path(story, "song.mp3", "/play")).expect(200).body().length;
        int glimpse = glimpses.una
                .get(path(glimpses, "song.mp3", "/play"))
                .expect(200)
                .body()
                .length;
        assertThat(glimpse).isLessThan(all / 2);
        glimpses.una.get(path(glimpses, "song.mp3", "/play?from=15")).expect(423);
        JsonNode said = glimpses.una
                .get(path(glimpses, "song.mp3", "/preview"))
                .expect(200)
                .json();
        assertThat(said.get("play").get("playable").asInt()).isEqualTo(15);
        assertThat(said.get("words").asString()).contains("its first 15 seconds are played");
        for (String what : List.of("/preview", "/play", "/frame?at=1", "/picture", "/small")) {
            names.una.get(path(names, "film.mp4", what)).expect(423);
        }
    }

    @Test
    void whoAgreedToPreviewsShowsTheFirstPage() {
        JsonNode said = glimpses.una
                .get(path(glimpses, "two.pdf", "/preview"))
                .expect(200)
                .json();
        assertThat(said.get("pages").asInt()).isEqualTo(1);
        assertThat(said.get("words").asString()).contains("its first page is shown");
        glimpses.una.get(path(glimpses, "two.pdf", "/picture")).expect(200);
        glimpses.una.get(path(glimpses, "two.pdf", "/picture?page=2")).expect(423);
    }

    @Test
    void whatIsDamagedSaysSo() {
        assertThat(preview("noise.mp3").get("words").asString()).contains("its content is damaged");
        assertThat(story.una.get(path(story, "noise.mp3", "/play")).expect(404).sentence())
                .contains("its content is damaged");
        assertThat(preview("bomb.docx").get("shape").asString()).isEqualTo("none");
        assertThat(story.una
                        .get(path(story, "comb.png", "/frame?at=1"))
                        .expect(404)
                        .sentence())
                .contains("neither heard");
    }

    @Test
    void picturesOfManyKindsAreDrawnAnew() throws IOException {
        assertThat(drawn("scan.tiff", "/picture").getWidth()).isEqualTo(640);
        assertThat(drawn("comb.png", "/small").getWidth()).isEqualTo(240);
        assertThat(drawn("door.webp", "/picture").getHeight()).isEqualTo(480);
        assertThat(new Color(drawn("poster.psd", "/picture").getRGB(300, 300))).isEqualTo(Color.RED);
        BufferedImage plan = drawn("plan.svg", "/picture");
        assertThat(plan.getHeight()).isEqualTo(320);
        assertThat(new Color(plan.getRGB(100, 100))).isEqualTo(Color.RED);
        assertThat(preview("two.pdf").get("pages").asInt()).isEqualTo(2);
        assertThat(drawn("two.pdf", "/picture?page=2").getHeight()).isEqualTo(640);
        assertThat(story.una
                        .get(path(story, "two.pdf", "/picture?page=3"))
                        .expect(404)
                        .sentence())
                .contains("it has no page 3");
    }

    @Test
    void whatWasNeverReadIsToldWithItsPlace() {
        JsonNode unread = preview("torn.png").get("unread");
        assertThat(unread).hasSize(1);
        assertThat(unread.get(0).get("from").asDouble()).isEqualTo(0.25);
        assertThat(unread.get(0).get("to").asDouble()).isEqualTo(1);
        assertThat(preview("comb.png").get("unread")).isEmpty();
    }

    @Test
    void whatAPasswordClosesIsNotCalledDamaged() {
        assertThat(preview("locked.pdf").get("words").asString())
                .isEqualTo("It cannot be drawn: a password closes it.");
        assertThat(story.una
                        .get(path(story, "locked.pdf", "/picture"))
                        .expect(404)
                        .sentence())
                .isEqualTo("It cannot be drawn: a password closes it.");
        assertThat(preview("locked.docx").get("words").asString()).contains("password");
    }

    @Test
    void smallPicturesGoWithTheYesToThem() throws IOException {
        Path store = lab.home().resolve("lab-store").resolve("small");
        Story taken = laid.found(
                new CaseForms().consent("look", "previews"),
                laid.findings().stream()
                        .filter(f -> f.name().equals("comb.png"))
                        .toList());
        taken.una.get(path(taken, "comb.png", "/small")).expect(200);
        assertThat(store.resolve(taken.number)).isNotEmptyDirectory();
        int version =
                taken.una.get(taken.path("")).expect(200).json().get("version").asInt();
        taken.una
                .put(
                        taken.path(""),
                        new CaseForms()
                                .consent("look", "names")
                                .version(version)
                                .build())
                .expect(200);
        assertThat(store.resolve(taken.number)).doesNotExist();
    }

    @Test
    void newerPicturesAreDrawnByTheTool() throws IOException {
        assertThat(preview("pier.heic").get("shape").asString()).isEqualTo("picture");
        assertThat(drawn("pier.heic", "/picture").getWidth()).isEqualTo(640);
        assertThat(drawn("mole.avif", "/small").getWidth()).isEqualTo(240);
        assertThat(story.una
                        .get(path(story, "half.heic", "/picture"))
                        .expect(404)
                        .sentence())
                .contains("its content is damaged");
    }

    @Test
    void rawPicturesShowTheLargestThatIsInThem() throws IOException {
        BufferedImage drawn = drawn("gull.raf", "/picture");
        assertThat(drawn.getWidth()).isEqualTo(640);
        assertThat(new Color(drawn.getRGB(100, 100)).getGreen()).isBetween(150, 230);
        assertThat(story.una
                        .get(path(story, "bare.cr3", "/picture"))
                        .expect(404)
                        .sentence())
                .contains("no picture to look at is in it");
    }

    @Test
    void aFontIsShownByItsLetters() throws IOException {
        BufferedImage letters = drawn("plain.ttf", "/picture");
        assertThat(letters.getWidth()).isEqualTo(640);
        assertThat(IntStream.range(0, 640 * 320)
                        .filter(i -> letters.getRGB(i % 640, i / 640) == Color.BLACK.getRGB())
                        .count())
                .isGreaterThan(1000);
        story.una.get(path(story, "plain.ttf", "/small")).expect(404);
    }

    @Test
    void olderDocumentsAreShownByTheirWords() {
        for (String kind : List.of("xls", "ppt", "rtf")) {
            JsonNode shown = preview("old-" + kind + "." + kind);
            assertThat(shown.get("text").asString()).as(kind).contains("The gauge stands.");
            assertThat(shown.get("words").asString()).as(kind).contains("without their form");
        }
    }

    @Test
    void whatHoldsOthersIsListed() {
        JsonNode zip = preview("hives.zip").get("tables").get(0);
        assertThat(zip.get("rows").asLong()).isEqualTo(2);
        JsonNode cells = preview("counts.xlsx").get("tables").get(0).get("cells");
        assertThat(cells.get(0).get(1).asString()).isEqualTo("north");
        assertThat(cells.get(1).get(0).asString()).isEqualTo("12.5");
        assertThat(cells.get(1).get(1).asString()).isEqualTo("7");
    }

    @Test
    void aMailboxIsTheListOfItsMessages() {
        JsonNode messages = preview("letters.mbox").get("tables").get(0);
        assertThat(messages.get("rows").asLong()).isEqualTo(2);
        assertThat(messages.get("cells").toString()).isEqualTo("[[\"Mara Fell\",\"\",\"Höhe\"],[\"\",\"\",\"Dues\"]]");
    }

    @Test
    void wordsAreShownAsWords() {
        assertThat(preview("letter.docx").get("text").asString()).isEqualTo("Dear keeper,\nthe hives & combs");
        assertThat(preview("note.eml").get("text").asString())
                .startsWith("From: Mara Fell")
                .contains("Subject: Höhe")
                .contains("The gauge stands.")
                .endsWith("attached: gauge.png");
        assertThat(preview("odd.xyz").get("text").asString())
                .startsWith("000000  01 02 54 69 64 65")
                .contains("··Tide");
    }

    /** The milliseconds that a piece says it lasts: Duration of RFC 9559, 5.1.2.10, a float of eight bytes. */
    private static double lasts(byte[] webm) {
        ByteBuffer bytes = ByteBuffer.wrap(webm);
        for (int at = 0; at + 11 <= webm.length; at++) {
            if (bytes.getShort(at) == 0x4489 && webm[at + 2] == (byte) 0x88) {
                return bytes.getDouble(at + 3);
            }
        }
        return Double.NaN;
    }
}
