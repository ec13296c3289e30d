package org.brantel.server.catalogue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.brantel.server.platform.Refusal;

/** Draws pictures anew from their content, no larger than they are shown: what is more is left out while it is read. */
final class Drawing {

    /** What is drawn. */
    static final Set<String> KINDS = Set.of("jpg", "png", "gif", "bmp");

    private static final long MOST_POINTS = 120_000_000;

    private Drawing() {}

    /**
     * @param edge the longer edge of what is drawn, in points
     * @throws IOException when the content is damaged
     */
    static BufferedImage of(byte[] content, int edge) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw Refusal.missing("its content is not the picture that its name says.");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if ((long) width * height > MOST_POINTS) {
                    throw Refusal.missing("it has more points than are drawn here.");
                }
                ImageReadParam param = reader.getDefaultReadParam();
                // Twice what is shown is enough to draw it well.
                int each = Math.max(1, Math.max(width, height) / (2 * edge));
                param.setSourceSubsampling(each, each, 0, 0);
                return Thumbnails.of(reader.read(0, param))
                        .size(edge, edge)
                        .keepAspectRatio(true)
                        .asBufferedImage();
            } finally {
                reader.dispose();
            }
        }
    }
}
