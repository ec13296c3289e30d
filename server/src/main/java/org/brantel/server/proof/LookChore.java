package org.brantel.server.proof;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.brantel.core.content.PictureLook;
import org.brantel.server.workers.Chore;

/** Says what a small picture looks like, in hexadecimal digits; nothing of one that is too plain. */
public final class LookChore implements Chore {

    @Override
    public byte[] work(String what, byte[] content) throws IOException {
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(content));
        if (drawn == null) {
            throw new IOException("no picture");
        }
        int[] light = new int[drawn.getWidth() * drawn.getHeight()];
        int[] colours = drawn.getRGB(0, 0, drawn.getWidth(), drawn.getHeight(), null, 0, drawn.getWidth());
        for (int i = 0; i < light.length; i++) {
            int c = colours[i];
            // How light the eye takes red, green and blue to be (ITU-R BT.601, 2.5.1).
            light[i] = (299 * (c >> 16 & 0xFF) + 587 * (c >> 8 & 0xFF) + 114 * (c & 0xFF)) / 1000;
        }
        return PictureLook.of(light, drawn.getWidth())
                .map(PictureLook::hex)
                .orElse("")
                .getBytes(StandardCharsets.US_ASCII);
    }
}
