package org.brantel.core.carve;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.brantel.core.carve.kind.ContentKind;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Content that real encoders wrote, then cut, stretched, damaged and mixed. */
class KindsTest {

    private static BufferedImage picture(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        Random random = new Random(width);
        for (int i = 0; i < 60; i++) {
            g.setColor(new Color(random.nextInt(0xffffff)));
            g.fillOval(random.nextInt(width), random.nextInt(height), 40, 30);
        }
        g.dispose();
        return image;
    }

    private static byte[] png() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture(120, 90), "png", out);
        return out.toByteArray();
    }

    private static byte[] jpeg(boolean progressive) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setProgressiveMode(progressive ? ImageWriteParam.MODE_DEFAULT : ImageWriteParam.MODE_DISABLED);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.setOutput(ImageIO.createImageOutputStream(out));
        writer.write(null, new IIOImage(picture(200, 150), null, null), param);
        ((javax.imageio.stream.ImageOutputStream) writer.getOutput()).flush();
        writer.dispose();
        return out.toByteArray();
    }

    private static byte[] pdf(String more) {
        String body = "%PDF-1.4\n1 0 obj\n<< /Type /Catalog >>\nendobj\n";
        String first = body + "xref\n0 2\n0000000000 65535 f \n0000000009 00000 n \ntrailer\n<< /Size 2 /Root 1 0 R >>\nstartxref\n"
                + body.length() + "\n%%EOF\n";
        return (first + more).getBytes(StandardCharsets.ISO_8859_1);
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
        for (Object[] sample : List.of(new Object[] {"png", png()}, new Object[] {"jpg", jpeg(false)}, new Object[] {"jpg", jpeg(true)},
                new Object[] {"pdf", pdf("")})) {
            byte[] content = (byte[]) sample[1];
            ContentKind.Walk walk = walk(kind((String) sample[0]), followedByJunk(content));
            assertThat(walk.whole()).as("%s: %s", sample[0], walk.words()).isTrue();
            assertThat(walk.length()).as((String) sample[0]).isEqualTo(content.length);
        }
    }

    @Test
    void noTruncationIsWhole() throws IOException {
        for (Object[] sample : List.of(new Object[] {"png", png()}, new Object[] {"jpg", jpeg(false)}, new Object[] {"jpg", jpeg(true)})) {
            byte[] content = (byte[]) sample[1];
            for (int length = 1; length < content.length; length += 37) {
                assertThat(walk(kind((String) sample[0]), Arrays.copyOf(content, length)).whole())
                        .as("%s cut at %d of %d", sample[0], length, content.length).isFalse();
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
                assertThat(walk(kind("jpg"), damaged).whole()).as("round %d", round).isFalse();
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
        String update = "2 0 obj\n<< >>\nendobj\nxref\n2 1\n%010d 00000 n \ntrailer\n<< /Size 3 /Root 1 0 R /Prev 50 >>\nstartxref\n"
                + (first.length + 21) + "\n%%%%EOF\n";
        byte[] updated = pdf(update.formatted(first.length));
        assertThat(walk(kind("pdf"), followedByJunk(updated)).length()).isEqualTo(updated.length);
    }

    @Test
    void anEndMarkThatLeadsNowhereIsNoEnd() {
        byte[] pdf = new String(pdf(""), StandardCharsets.ISO_8859_1).replaceFirst("startxref\n\\d+", "startxref\n9999999")
                .getBytes(StandardCharsets.ISO_8859_1);
        assertThat(walk(kind("pdf"), pdf).whole()).isFalse();
    }

    @Test
    @Timeout(600)
    void noDamageMakesAWalkThrowOrHang() throws IOException {
        Random random = new Random(3);
        for (Object[] sample : List.of(new Object[] {"png", png()}, new Object[] {"jpg", jpeg(false)}, new Object[] {"jpg", jpeg(true)},
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
        List<String> found = new ArrayList<>();
        carver.run(new Range(0, length), new Carver.Listener() {
            @Override
            public void found(Hit hit) {
                found.add(hit.code() + "@" + hit.start() + "+" + hit.walk().length());
            }

            @Override
            public void progressed(long bytes) { }

            @Override
            public boolean isWanted(long offset) {
                return true;
            }
        }, () -> false);
        return found;
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
        Carver carver = new Carver(new FaultySource(disk), new CarvePlan(Kinds.carvable(), false, 512));
        List<String> found = carve(carver, disk.length);
        assertThat(found).containsExactly("png@5120+" + png.length, "jpg@460800+" + jpeg.length);
        assertThat(carver.rejected()).isEqualTo(1);
    }

    @Test
    void contentWithAnUnreadSectorIsNotCarved() throws IOException {
        byte[] disk = Arrays.copyOf(png(), 64 << 10);
        List<String> found = carve(new Carver(new FaultySource(disk, new Range(1024, 512)), new CarvePlan(Kinds.carvable(), false, 512)), disk.length);
        assertThat(found).isEmpty();
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
