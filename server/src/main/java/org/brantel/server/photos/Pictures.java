package org.brantel.server.photos;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.brantel.core.hash.Hashes;
import org.brantel.server.platform.Refusal;

/**
 * Draws a picture anew: upright, of a bounded size, and without what a camera wrote into it. What is kept holds pixels
 * and nothing else, so there is no place in it, no time, no name of a device.
 */
final class Pictures {

    /** A picture that may be kept. */
    record Clean(byte[] jpeg, int width, int height, String sha256) {}

    static final int LARGEST_UPLOAD = 20 << 20;
    private static final long MOST_PIXELS = 80_000_000;
    private static final int LONGEST_SIDE = 2400;

    private Pictures() {}

    static Clean clean(byte[] given) {
        if (given.length == 0) {
            throw Refusal.badInput("photo", "The file is empty; choose the photo again.");
        }
        try {
            checkSize(given);
            BufferedImage upright = Thumbnails.of(new ByteArrayInputStream(given))
                    .scale(1)
                    .imageType(BufferedImage.TYPE_INT_RGB)
                    .asBufferedImage();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            double scale = Math.min(1, (double) LONGEST_SIDE / Math.max(upright.getWidth(), upright.getHeight()));
            Thumbnails.of(upright)
                    .scale(scale)
                    .outputFormat("jpg")
                    .outputQuality(0.88)
                    .toOutputStream(out);
            byte[] jpeg = out.toByteArray();
            BufferedImage kept = ImageIO.read(new ByteArrayInputStream(jpeg));
            return new Clean(jpeg, kept.getWidth(), kept.getHeight(), Hashes.sha256Hex(jpeg, 0, jpeg.length));
        } catch (IOException | IllegalArgumentException e) {
            throw noPicture();
        }
    }

    /** Before a pixel is decoded: a small file can claim to be a huge picture. */
    private static void checkSize(byte[] given) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw noPicture();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw Refusal.badInput("photo", "The picture has more than 80 megapixels; take it smaller.");
                }
            } finally {
                reader.dispose();
            }
        }
    }

    private static Refusal noPicture() {
        return Refusal.badInput("photo", "This file is no picture that can be shown; choose a JPEG, PNG, GIF or BMP.");
    }

    /** @param side longest side in pixels */
    static byte[] small(byte[] jpeg, int side) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Thumbnails.of(new ByteArrayInputStream(jpeg))
                .size(side, side)
                .outputFormat("jpg")
                .outputQuality(0.8)
                .toOutputStream(out);
        return out.toByteArray();
    }
}
