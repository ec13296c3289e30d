package org.brantel.server.papers;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * A PDF that is written from top to bottom, and goes on on a new page by itself. Measures are points, from the top
 * left.
 */
final class Paper implements Closeable {

    private static final String FONTS = "/net/sf/jasperreports/fonts/dejavu/";
    private static final float LEADING = 1.4f;
    private static final float OVERLAP = 0.04f;

    private final PDDocument document = new PDDocument();
    private final PDRectangle size;
    private final float margin;
    private final PDFont regular;
    private final PDFont bold;
    private PDPageContentStream page;
    private float y;

    /** @param title of the document, for whoever reads its properties or has it read out */
    Paper(PDRectangle size, float margin, String title) throws IOException {
        this.size = size;
        this.margin = margin;
        PDDocumentInformation about = new PDDocumentInformation();
        about.setTitle(title);
        document.setDocumentInformation(about);
        document.getDocumentCatalog().setLanguage("en-GB");
        regular = font("DejaVuSans.ttf");
        bold = font("DejaVuSans-Bold.ttf");
    }

    private PDFont font(String name) throws IOException {
        try (InputStream in = Paper.class.getResourceAsStream(FONTS + name)) {
            return PDType0Font.load(document, in);
        }
    }

    Paper newPage() throws IOException {
        if (page != null) {
            page.close();
        }
        PDPage added = new PDPage(size);
        document.addPage(added);
        page = new PDPageContentStream(document, added);
        y = margin;
        return this;
    }

    float width() {
        return size.getWidth() - 2 * margin;
    }

    float at() {
        return y;
    }

    Paper skip(float points) {
        y += points;
        return this;
    }

    Paper text(String text, float points) throws IOException {
        return write(text, regular, points, 0);
    }

    Paper bold(String text, float points) throws IOException {
        return write(text, bold, points, 0);
    }

    /** Behind a dash, set in. */
    Paper item(String text, float points) throws IOException {
        float before = y;
        write(text, regular, points, 12);
        if (y > before) {
            place("–", regular, points, margin, before + points);
        } else {
            place("–", regular, points, margin, margin + points);
        }
        return this;
    }

    /** A name before its value. */
    Paper pair(String name, String value, float points, float indent) throws IOException {
        room(points * LEADING);
        place(name, regular, points, margin, y + points);
        return write(value.isBlank() ? "–" : value, bold, points, indent);
    }

    /** Two short texts side by side, each under a line to sign on. */
    Paper signatures(String left, String right, float points) throws IOException {
        room(points * 3);
        float middle = margin + width() / 2 + 10;
        page.setLineWidth(0.6f);
        for (float x : new float[] {margin, middle}) {
            page.moveTo(x, size.getHeight() - y);
            page.lineTo(x + width() / 2 - 20, size.getHeight() - y);
        }
        page.stroke();
        place(left, regular, points, margin, y + points + 3);
        place(right, regular, points, middle, y + points + 3);
        y += points * 2;
        return this;
    }

    Paper rule() throws IOException {
        room(8);
        page.setLineWidth(0.6f);
        page.moveTo(margin, size.getHeight() - y - 3);
        page.lineTo(size.getWidth() - margin, size.getHeight() - y - 3);
        page.stroke();
        y += 8;
        return this;
    }

    private Paper write(String text, PDFont font, float points, float indent) throws IOException {
        for (String paragraph : text.split("\n", -1)) {
            for (String line : wrap(paragraph, font, points, width() - indent)) {
                room(points * LEADING);
                place(line, font, points, margin + indent, y + points);
                y += points * LEADING;
            }
        }
        return this;
    }

    private void room(float needed) throws IOException {
        if (page == null || y + needed > size.getHeight() - margin) {
            newPage();
        }
    }

    private void place(String text, PDFont font, float points, float x, float baseline) throws IOException {
        page.beginText();
        page.setFont(font, points);
        page.newLineAtOffset(x, size.getHeight() - baseline);
        page.showText(known(Script.visual(text), font));
        page.endText();
    }

    private List<String> wrap(String text, PDFont font, float points, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split("\\s+")) {
            for (String part : broken(word, font, points, room)) {
                String longer = line.isEmpty() ? part : line + " " + part;
                if (!line.isEmpty() && wide(longer, font, points) > room) {
                    lines.add(line.toString());
                    line = new StringBuilder(part);
                } else {
                    line = new StringBuilder(longer);
                }
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** A word that is wider than the line, cut where it must be. */
    private static List<String> broken(String word, PDFont font, float points, float room) throws IOException {
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        for (int c : word.codePoints().toArray()) {
            String longer = part + Character.toString(c);
            if (part.length() > 0 && wide(longer, font, points) > room) {
                parts.add(part.toString());
                part = new StringBuilder();
            }
            part.appendCodePoint(c);
        }
        parts.add(part.toString());
        return parts;
    }

    private static float wide(String text, PDFont font, float points) throws IOException {
        return font.getStringWidth(known(Script.visual(text), font)) / 1000 * points;
    }

    /** What the font cannot show is a box, so that nobody overlooks that something stands there. */
    private static String known(String text, PDFont font) throws IOException {
        StringBuilder shown = new StringBuilder();
        for (int c : text.codePoints().toArray()) {
            shown.append(canShow(c, font) ? Character.toString(c) : "\u25a1");
        }
        return shown.toString();
    }

    private static boolean canShow(int codePoint, PDFont font) throws IOException {
        try {
            font.encode(Character.toString(codePoint));
            return true;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /**
     * A code that any phone or scanner reads; on a label it is what is typed into Find.
     *
     * @param module side of one square; a whole number of printer dots keeps its edges sharp
     */
    Paper qr(String content, float module, float x, float top) throws IOException {
        try {
            BitMatrix code = new QRCodeWriter()
                    .encode(
                            content,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.MARGIN, 2, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M));
            for (int row = 0; row < code.getHeight(); row++) {
                for (int from = 0; from < code.getWidth(); from++) {
                    int to = from;
                    while (to < code.getWidth() && code.get(to, row)) {
                        to++;
                    }
                    if (to > from) {
                        // Runs overlap a little, or a hairline would show between them.
                        page.addRect(
                                x + from * module,
                                size.getHeight() - top - (row + 1) * module - OVERLAP,
                                (to - from) * module,
                                module + 2 * OVERLAP);
                        from = to;
                    }
                }
            }
            page.fill();
            return this;
        } catch (WriterException e) {
            throw new IOException("The code of " + content + " could not be drawn: " + e.getMessage(), e);
        }
    }

    byte[] bytes() throws IOException {
        if (page == null) {
            newPage();
        }
        page.close();
        page = null;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
