package org.brantel.core.testing;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;

/**
 * A medium without any records, with pictures one after the other that say themselves when they were taken, or do not.
 */
public final class DatedPictures {

    private static final int CLUSTER = 4096;
    private static final int APP1 = 0xE1;
    private static final int EXIF_IFD = 0x8769;
    private static final int DATE_TIME_ORIGINAL = 0x9003;

    private DatedPictures() {}

    /**
     * @param taken the day of each picture, like {@code 2024:03:09}; empty for one that says none
     * @param small further pictures that are no more than small copies
     */
    public static Path write(Path file, List<String> taken, int small) throws IOException {
        ByteArrayOutputStream medium = new ByteArrayOutputStream();
        medium.write(new byte[CLUSTER]);
        for (int i = 0; i < taken.size(); i++) {
            append(medium, dated(jpeg(1280, 960, i), taken.get(i)));
        }
        for (int i = 0; i < small; i++) {
            append(medium, jpeg(120, 90, 1000 + i));
        }
        medium.write(new byte[CLUSTER * 16]);
        return Files.write(file, medium.toByteArray());
    }

    private static void append(ByteArrayOutputStream medium, byte[] content) throws IOException {
        medium.write(content);
        medium.write(new byte[CLUSTER - content.length % CLUSTER + CLUSTER]);
    }

    private static byte[] jpeg(int width, int height, int seed) throws IOException {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = picture.createGraphics();
        g.setPaint(new GradientPaint(
                0,
                0,
                new Color(seed * 37 % 256, seed * 91 % 256, 120),
                width,
                height,
                new Color(40, seed * 53 % 256, seed * 17 % 256)));
        g.fillRect(0, 0, width, height);
        for (int i = 0; i < 400; i++) {
            g.setColor(new Color((seed * 131 + i * 97) % 256, (seed * 71 + i * 31) % 256, i % 256));
            g.fillOval((seed * 211 + i * 173) % width, (seed * 89 + i * 61) % height, 4 + i % 40, 4 + i % 30);
        }
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpg", out);
        return out.toByteArray();
    }

    /**
     * Puts the capture time in, behind the picture's first marker. Layout: TIFF 6.0 section 2, Exif 2.32 sections 4.5.4
     * and 4.6.5.
     */
    private static byte[] dated(byte[] jpeg, String day) {
        if (day.isEmpty()) {
            return jpeg;
        }
        byte[] time = (day + " 10:15:00\0").getBytes(StandardCharsets.US_ASCII);
        ByteBuffer tiff = ByteBuffer.allocate(44 + time.length).order(ByteOrder.LITTLE_ENDIAN);
        tiff.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(8);
        tiff.putShort((short) 1)
                .putShort((short) EXIF_IFD)
                .putShort((short) 4)
                .putInt(1)
                .putInt(26)
                .putInt(0);
        tiff.putShort((short) 1)
                .putShort((short) DATE_TIME_ORIGINAL)
                .putShort((short) 2)
                .putInt(time.length)
                .putInt(44)
                .putInt(0);
        tiff.put(time);
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + 10 + tiff.capacity());
        out.put(jpeg, 0, 2)
                .put((byte) 0xFF)
                .put((byte) APP1)
                .putShort((short) (8 + tiff.capacity()))
                .put("Exif\0\0".getBytes(StandardCharsets.US_ASCII))
                .put(tiff.array());
        return out.put(jpeg, 2, jpeg.length - 2).array();
    }
}
