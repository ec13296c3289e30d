package org.brantel.server.photos;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.brantel.core.hash.Hashes;
import org.brantel.server.workers.Chore;

/**
 * Draws a picture anew: upright, of a bounded size, and without what a camera wrote into it. What is kept holds pixels
 * and nothing else, so there is no place in it, no time, no name of a device. Asked for nothing, it answers with a JPEG.
 */
public final class Pictures implements Chore {

    /** A picture that may be kept. */
    record Clean(byte[] jpeg, int width, int height, String sha256) {

        /** @param jpeg as it was drawn here */
        static Clean of(byte[] jpeg) throws IOException {
            BufferedImage kept = ImageIO.read(new ByteArrayInputStream(jpeg));
            return new Clean(jpeg, kept.getWidth(), kept.getHeight(), Hashes.sha256Hex(jpeg, 0, jpeg.length));
        }
    }

    static final int LARGEST_UPLOAD = 20 << 20;
    private static final long MOST_PIXELS = 80_000_000;
    private static final int LONGEST_SIDE = 2400;
    private static final String NO_PICTURE =
            "This file is no picture that can be shown; choose a JPEG, PNG, GIF or BMP.";

    @Override
    public byte[] work(String nothing, byte[] given) throws IOException {
        if (given.length == 0) {
            throw new Refused("The file is empty; choose the photo again.");
        }
        try {
            boolean isLarge = longestSide(given) > LONGEST_SIDE;
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            Thumbnails.Builder<? extends InputStream> picture = Thumbnails.of(new ByteArrayInputStream(given));
            (isLarge ? picture.size(LONGEST_SIDE, LONGEST_SIDE) : picture.scale(1))
                    .imageType(BufferedImage.TYPE_INT_RGB)
                    .outputFormat("jpg")
                    .outputQuality(0.88)
                    .toOutputStream(out);
            return out.toByteArray();
        } catch (Refused e) {
            throw e;
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused(NO_PICTURE);
        }
    }

    /** Before a pixel is decoded: a small file can claim to be a huge picture. */
    private static int longestSide(byte[] given) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new Refused(NO_PICTURE);
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw new Refused("The picture has more than 80 megapixels; take it smaller.");
                }
                return Math.max(reader.getWidth(0), reader.getHeight(0));
            } finally {
                reader.dispose();
            }
        }
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
