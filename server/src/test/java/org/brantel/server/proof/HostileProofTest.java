package org.brantel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Laid;
import org.brantel.server.testing.Recordings;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What claims to be vast, or never ends, is shown as far as it goes or refused in a sentence; the lab goes on. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class HostileProofTest {

    private static final int ROOM = 1 << 20;
    private static final int VAST = 60_000;

    private final Lab lab = Lab.open();
    private final Map<String, byte[]> files = new LinkedHashMap<>();
    private Story story;

    @BeforeAll
    void find(@TempDir Path made) throws IOException, InterruptedException {
        files.put("vast.png", png(VAST));
        files.put("vast.psd", vastPsd());
        files.put(
                "vast.svg",
                text("<svg xmlns='http://www.w3.org/2000/svg' width='6e4' height='6e4'><rect width='9' "
                        + "height='9'/></svg>"));
        files.put("within.svg", text(within(40)));
        files.put("endless.mp4", endless(Recordings.film(made, 20)));
        files.put("round.pdf", round());
        files.put("vast.pdf", onePage("[0 0 18000 18000]"));
        byte[] line = new byte[ROOM];
        Arrays.fill(line, (byte) 'a');
        files.put("line.txt", line);
        story = Laid.on(lab, "hostile.img", ROOM, files).found(new CaseForms());
    }

    /** A grey PNG that claims so many points each way and has none of them (ISO/IEC 15948, 5 and 11). */
    private static byte[] png(int edge) throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        png.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        png.writeBytes(chunk(
                "IHDR",
                ByteBuffer.allocate(13).putInt(edge).putInt(edge).put((byte) 8).array()));
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed)) {
            out.write(new byte[edge]);
        }
        png.writeBytes(chunk("IDAT", packed.toByteArray()));
        png.writeBytes(chunk("IEND", new byte[0]));
        return png.toByteArray();
    }

    private static byte[] chunk(String type, byte[] data) {
        CRC32 sum = new CRC32();
        sum.update(text(type));
        sum.update(data);
        return ByteBuffer.allocate(12 + data.length)
                .putInt(data.length)
                .put(text(type))
                .put(data)
                .putInt((int) sum.getValue())
                .array();
    }

    private static byte[] vastPsd() {
        ByteBuffer psd = ByteBuffer.allocate(1000);
        psd.put(text("8BPS")).putShort((short) 1).put(new byte[6]).putShort((short) 3);
        psd.putInt(VAST).putInt(VAST).putShort((short) 8).putShort((short) 3);
        return psd.array();
    }

    /** Each shows the one before it twice. */
    private static String within(int deep) {
        StringBuilder svg = new StringBuilder("<svg xmlns='http://www.w3.org/2000/svg' "
                + "xmlns:xlink='http://www.w3.org/1999/xlink' width='90' height='90'><defs><rect id='s0' width='9' "
                + "height='9'/>");
        for (int i = 1; i <= deep; i++) {
            svg.append("<g id='s%d'><use xlink:href='#s%d'/><use xlink:href='#s%d'/></g>".formatted(i, i - 1, i - 1));
        }
        return svg + "</defs><use xlink:href='#s" + deep + "'/></svg>";
    }

    /** Its clocks (ISO/IEC 14496-12, 8.2.2 and 8.4.2) tick once a second, so that twenty seconds last for hours. */
    private static byte[] endless(byte[] film) {
        ByteBuffer bytes = ByteBuffer.wrap(film);
        for (int at = 0; at + 24 < film.length; at++) {
            String box = new String(film, at, 4, StandardCharsets.ISO_8859_1);
            if (box.equals("mvhd") || box.equals("mdhd")) {
                bytes.putInt(at + 16, 1);
            }
        }
        return film;
    }

    private static byte[] onePage(String box) {
        return text("%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n"
                + "2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n3 0 obj<</Type/Page/Parent 2 0 R/MediaBox" + box
                + ">>endobj\ntrailer<</Root 1 0 R/Size 4>>\n%%EOF\n");
    }

    /** Its pages hold themselves. */
    private static byte[] round() {
        return text("""
                %PDF-1.4
                1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
                2 0 obj<</Type/Pages/Kids[2 0 R 2 0 R]/Count 2147483647>>endobj
                trailer<</Root 1 0 R/Size 3>>
                %%EOF
                """);
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private String path(String name, String what) {
        JsonNode lines = story.una
                .get(story.path("/catalogue?q=called+" + name))
                .expect(200)
                .json()
                .get("lines");
        return story.path("/catalogue/" + lines.get(0).get("id").asLong() + what);
    }

    private String refused(String name, String what) {
        return story.una.get(path(name, what)).expect(404).sentence();
    }

    @Test
    void picturesThatClaimMorePointsThanAnyoneHasAreRefused() {
        assertThat(refused("vast.png", "/picture")).startsWith("It cannot be drawn: ");
        assertThat(refused("vast.png", "/small")).isNotEmpty();
        assertThat(refused("vast.psd", "/picture")).startsWith("It cannot be drawn: ");
    }

    @Test
    void whatIsVastByItsMeasuresAloneIsDrawnAsSmallAsAnyOther() {
        story.una.get(path("vast.svg", "/picture")).expect(200);
        story.una.get(path("vast.pdf", "/picture")).expect(200);
    }

    @Test
    void aDrawingWithinADrawingWithinADrawingIsEnded() {
        assertThat(refused("within.svg", "/picture")).startsWith("It cannot be drawn: ");
        story.una.get(path("vast.svg", "/picture")).expect(200);
    }

    @Test
    void aFilmThatSaysItLastsForHoursIsShownAsFarAsItGoes() {
        JsonNode film =
                story.una.get(path("endless.mp4", "/preview")).expect(200).json();
        assertThat(film.get("shape").asString()).isEqualTo("film");
        assertThat(film.get("play").get("seconds").asDouble()).isGreaterThan(10_000);
        for (JsonNode at : film.get("play").get("frames")) {
            Visitor.Answer frame = story.una.get(path("endless.mp4", "/frame?at=" + at.asDouble()));
            assertThat(frame.status()).isIn(200, 404);
        }
        Visitor.Answer played = story.una.get(path("endless.mp4", "/play?from=15000"));
        assertThat(played.status()).isIn(200, 404);
    }

    @Test
    void aDocumentWhosePagesHoldThemselvesIsRefused() {
        JsonNode shown =
                story.una.get(path("round.pdf", "/preview")).expect(200).json();
        assertThat(shown.get("words").asString()).startsWith("It cannot be drawn: ");
        assertThat(refused("round.pdf", "/picture")).startsWith("It cannot be drawn: ");
    }

    @Test
    void aLineWithoutEndIsShownFromItsBeginning() {
        JsonNode shown = story.una.get(path("line.txt", "/preview")).expect(200).json();
        assertThat(shown.get("text").asString()).hasSize(16 << 10);
        assertThat(shown.get("words").asString()).isEqualTo("The first 16384 of 1048576 bytes.");
    }
}
