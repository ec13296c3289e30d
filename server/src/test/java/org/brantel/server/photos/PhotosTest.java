package org.brantel.server.photos;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class PhotosTest {

    private static final byte[] PLACE = "GPSLatitude 57.1 Skerrow".getBytes(StandardCharsets.US_ASCII);
    private final Visitor una = Lab.open().as("una");
    private final String number = new CaseForms().log(una);

    private static byte[] picture(String format, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.setColor(Color.RED);
        g.fillRect(0, 0, width / 2, height / 2);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    /** A JPEG as a camera writes it: an Exif segment with an orientation and with the name of a place. */
    private static byte[] fromCamera(int orientation) throws IOException {
        byte[] plain = picture("jpg", 80, 40);
        ByteBuffer tiff = ByteBuffer.allocate(8 + 2 + 2 * 12 + 4 + PLACE.length);
        tiff.put(new byte[] {'M', 'M', 0, 42}).putInt(8).putShort((short) 2);
        tiff.putShort((short) 0x112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) orientation)
                .putShort((short) 0);
        tiff.putShort((short) 0x10e)
                .putShort((short) 2)
                .putInt(PLACE.length)
                .putInt(8 + 2 + 24 + 4)
                .putInt(0)
                .put(PLACE);
        byte[] exif = tiff.array();
        ByteBuffer out = ByteBuffer.allocate(plain.length + exif.length + 10);
        out.put(plain, 0, 2)
                .putShort((short) 0xffe1)
                .putShort((short) (exif.length + 8))
                .put(new byte[] {'E', 'x', 'i', 'f', 0, 0})
                .put(exif)
                .put(plain, 2, plain.length - 2);
        return out.array();
    }

    private JsonNode add(byte[] picture) {
        return una.postBytes("/api/cases/" + number + "/photos?what=label&name=label.jpg", picture)
                .expect(201)
                .json();
    }

    @Test
    void aPhotoIsKeptAsPixelsAloneAndUpright() throws IOException {
        byte[] camera = fromCamera(6);
        assertThat(new String(camera, StandardCharsets.ISO_8859_1)).contains("GPSLatitude");
        JsonNode photo = add(camera);
        assertThat(photo.get("width").asInt()).as("turned upright").isEqualTo(40);
        assertThat(photo.get("height").asInt()).isEqualTo(80);
        byte[] kept =
                una.get("/api/photos/" + photo.get("id").asInt()).expect(200).body();
        assertThat(new String(kept, StandardCharsets.ISO_8859_1))
                .doesNotContain("Exif")
                .doesNotContain("GPS")
                .doesNotContain("Skerrow");
        Color corner = new Color(ImageIO.read(new ByteArrayInputStream(kept)).getRGB(35, 5));
        assertThat(corner.getRed() - corner.getBlue())
                .as("what was top left is top right now")
                .isGreaterThan(100);
        assertThat(una.get("/api/cases/" + number + "/custody").text())
                .contains("added a photo of the label")
                .contains(photo.get("sha256").asString());
    }

    @Test
    void otherPicturesAreTakenTooAndLargeOnesMadeSmaller() throws IOException {
        assertThat(add(picture("png", 30, 20)).get("width").asInt()).isEqualTo(30);
        assertThat(add(picture("bmp", 30, 20)).get("width").asInt()).isEqualTo(30);
        JsonNode large = add(picture("jpg", 3600, 1200));
        assertThat(large.get("width").asInt()).isEqualTo(2400);
        byte[] small = una.get("/api/photos/" + large.get("id").asInt() + "?small=true")
                .expect(200)
                .body();
        assertThat(ImageIO.read(new ByteArrayInputStream(small)).getWidth()).isEqualTo(320);
    }

    @Test
    void whatIsNoPictureIsRefused() throws IOException {
        for (byte[] bad : new byte[][] {
            "#!/bin/sh\nrm".getBytes(StandardCharsets.UTF_8),
            "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8),
            {(byte) 0xff, (byte) 0xd8, (byte) 0xff}
        }) {
            assertThat(una.postBytes("/api/cases/" + number + "/photos?what=device", bad)
                            .expect(400)
                            .sentence())
                    .contains("no picture that can be shown");
        }
        assertThat(una.postBytes("/api/cases/" + number + "/photos?what=device", new byte[0])
                        .expect(400)
                        .sentence())
                .contains("empty");
        assertThat(una.postBytes("/api/cases/" + number + "/photos?what=device", new byte[(20 << 20) + 1])
                        .expect(413)
                        .sentence())
                .contains("20 MiB");
        byte[] cut = picture("png", 400, 400);
        byte[] half = Arrays.copyOf(cut, 60);
        assertThat(una.postBytes("/api/cases/" + number + "/photos?what=device", half)
                        .expect(400)
                        .sentence())
                .contains("no picture");
    }

    /** A few bytes that claim to be a picture of 60,000 by 60,000. */
    @Test
    void aPictureThatClaimsToBeHugeIsRefusedBeforeItIsDecoded() throws IOException {
        byte[] png = picture("png", 10, 10);
        ByteBuffer.wrap(png).putInt(16, 60_000).putInt(20, 60_000);
        CRC32 crc = new CRC32();
        crc.update(png, 12, 17);
        ByteBuffer.wrap(png).putInt(29, (int) crc.getValue());
        assertThat(una.postBytes("/api/cases/" + number + "/photos?what=device", png)
                        .expect(400)
                        .sentence())
                .contains("80 megapixels");
    }

    /** Nearly as many points as may be, in a small file. */
    @Test
    void aPhotoOfManyPointsIsKeptSmaller() throws IOException {
        BufferedImage wide = new BufferedImage(8900, 8900, BufferedImage.TYPE_BYTE_GRAY);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(wide, "jpg", out);
        int id = add(out.toByteArray()).get("id").asInt();
        BufferedImage kept = ImageIO.read(new ByteArrayInputStream(
                una.get("/api/photos/" + id).expect(200).body()));
        assertThat(kept.getWidth()).isEqualTo(2400);
    }

    @Test
    void aPhotoIsTakenAwayAndPutBack() throws IOException {
        int id = add(picture("png", 12, 12)).get("id").asInt();
        una.delete("/api/photos/" + id).expect(204);
        assertThat(una.get("/api/cases/" + number + "/photos").text()).doesNotContain("\"id\":" + id + ",");
        una.post("/api/photos/" + id + "/back").expect(204);
        assertThat(una.get("/api/cases/" + number + "/photos").text()).contains("\"id\":" + id + ",");
        assertThat(una.postBytes("/api/cases/" + number + "/photos?what=label&device=999999", picture("png", 9, 9))
                        .expect(400)
                        .sentence())
                .contains("does not belong");
    }
}
