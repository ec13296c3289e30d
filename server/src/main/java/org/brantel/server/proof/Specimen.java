package org.brantel.server.proof;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Letters of a font as a person looks at them: its name, the alphabet and figures, a sentence in three sizes. */
final class Specimen {

    private static final int MARGIN = 14;
    private static final int SHOWN = 48;
    private static final List<String> LINES = List.of(
            "ABCDEFGHIJKLMNOPQRSTUVWXYZ",
            "abcdefghijklmnopqrstuvwxyz",
            "0123456789 & ? ! % ( ) @",
            "The tide turns at Skerrow by half past nine.");
    private static final float[] SIZES = {30, 22, 22, 17};

    private Specimen() {}

    static BufferedImage of(byte[] content, int edge) throws IOException {
        Font font;
        try {
            font = Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(content));
        } catch (FontFormatException e) {
            throw new IOException(e);
        }
        BufferedImage paper = new BufferedImage(edge, edge / 2, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = paper.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, paper.getWidth(), paper.getHeight());
        g.setColor(Color.BLACK);
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        float y = MARGIN;
        List<String> lines = lines(font);
        for (int i = 0; i < lines.size(); i++) {
            Font sized = font.deriveFont(fitting(font.deriveFont(SIZES[i] * edge / 640), lines.get(i), g, edge));
            g.setFont(sized);
            y += g.getFontMetrics().getAscent();
            g.drawString(lines.get(i), MARGIN, y);
            y += g.getFontMetrics().getDescent() + MARGIN / 2f;
        }
        g.dispose();
        return paper;
    }

    private static float fitting(Font font, String line, Graphics2D g, int edge) {
        double width = Math.max(1, g.getFontMetrics(font).stringWidth(line));
        return (float) (font.getSize2D() * Math.min(1, (edge - 2.0 * MARGIN) / width));
    }

    /** The lines that it has letters for; of a font of other letters, those that it has. */
    private static List<String> lines(Font font) {
        List<String> lines = new ArrayList<>(
                LINES.stream().filter(l -> font.canDisplayUpTo(l) < 0).toList());
        if (lines.isEmpty()) {
            List<String> own = IntStream.rangeClosed(0x21, 0xffff)
                    .filter(c -> !Character.isSurrogate((char) c) && font.canDisplay(c))
                    .limit(SHOWN)
                    .mapToObj(Character::toString)
                    .toList();
            for (int from = 0; from < own.size(); from += SHOWN / 4) {
                lines.add(String.join("", own.subList(from, Math.min(own.size(), from + SHOWN / 4))));
            }
        }
        return lines.stream().limit(SIZES.length).collect(Collectors.toList());
    }
}
