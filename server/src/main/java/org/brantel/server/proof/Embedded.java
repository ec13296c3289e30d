package org.brantel.server.proof;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.brantel.server.workers.Chore;

/** Pictures that stand within other content, whatever is around them: each begins as a JPEG does (ITU-T T.81 B.1.1.3). */
final class Embedded {

    private static final int MOST = 64;

    /** Draws the bytes that begin with a picture. */
    interface Drawer {
        BufferedImage draw(byte[] picture) throws IOException;
    }

    private record Found(int at, long points) {}

    private Embedded() {}

    /**
     * The largest of them that can be drawn.
     *
     * @throws Chore.Refused when none can
     */
    static BufferedImage largest(byte[] content, Drawer drawer) throws IOException {
        List<Found> found = IntStream.range(0, content.length - 3)
                .filter(at ->
                        content[at] == (byte) 0xff && content[at + 1] == (byte) 0xd8 && content[at + 2] == (byte) 0xff)
                .limit(MOST)
                .mapToObj(at -> new Found(at, points(content, at)))
                .filter(f -> f.points() > 0)
                .sorted(Comparator.comparing(Found::points).reversed())
                .toList();
        for (Found f : found) {
            try {
                return drawer.draw(Arrays.copyOfRange(content, f.at(), content.length));
            } catch (IOException | RuntimeException broken) {
                // A smaller one may be whole.
            }
        }
        throw new Chore.Refused("no picture to look at is in it.");
    }

    /** How large a picture says that it is; 0 for what is none. */
    private static long points(byte[] content, int at) {
        try (ImageInputStream in =
                ImageIO.createImageInputStream(new ByteArrayInputStream(content, at, content.length - at))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("jpeg");
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return (long) reader.getWidth(0) * reader.getHeight(0);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException none) {
            return 0;
        }
    }
}
