package org.brantel.server.catalogue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import net.coobird.thumbnailator.Thumbnails;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extents;
import org.brantel.core.finding.Finding;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/**
 * Shows what a finding holds, read from the image. Pictures are drawn anew, so no byte of the original reaches a
 * browser.
 */
@Component
class Previews {

    static final int MOST_BYTES = 64 << 20;
    private static final int TEXT_BYTES = 16 << 10;
    private static final int EDGE = 640;

    private final ImagingRecords imaging;

    Previews(ImagingRecords imaging) {
        this.imaging = imaging;
    }

    CatalogueViews.Preview of(Catalogues.Selected line) throws IOException {
        Finding f = line.finding();
        if (Drawing.KINDS.contains(f.kind()) || f.kind().equals("pdf")) {
            return f.size() > MOST_BYTES
                    ? new CatalogueViews.Preview("none", null, "It is larger than what is previewed (64 MiB).")
                    : new CatalogueViews.Preview(
                            "picture", null, f.kind().equals("pdf") ? "First page." : "Drawn anew from the image.");
        }
        if (Kinds.isText(f.kind())) {
            Head head = head(line, TEXT_BYTES);
            return new CatalogueViews.Preview(
                    "text", text(head.bytes()), shown(f.size(), head.bytes().length, head.unread()));
        }
        return new CatalogueViews.Preview("none", null, "There is no preview of " + f.kind() + " files.");
    }

    /** PNG bytes. */
    byte[] picture(Catalogues.Selected line) throws IOException {
        Finding f = line.finding();
        if (f.size() > MOST_BYTES) {
            throw Refusal.badInput(null, "It is larger than what is previewed (64 MiB).");
        }
        byte[] content = head(line, MOST_BYTES).bytes();
        try {
            BufferedImage small = f.kind().equals("pdf") ? firstPage(content) : Drawing.of(content, EDGE);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(
                    Thumbnails.of(small).size(EDGE, EDGE).keepAspectRatio(true).asBufferedImage(), "png", out);
            return out.toByteArray();
        } catch (IOException | RuntimeException e) {
            throw Refusal.missing(
                    "It cannot be drawn: " + (e instanceof Refusal ? e.getMessage() : "its content is damaged."));
        }
    }

    private static BufferedImage firstPage(byte[] content) throws IOException {
        try (PDDocument document = Loader.loadPDF(content)) {
            return new PDFRenderer(document).renderImageWithDPI(0, 72);
        }
    }

    /** How much of a text is shown. */
    static String shown(long size, int shown, long unread) {
        String part = size > shown ? "The first " + shown + " of " + size + " bytes" : "All of it";
        return unread == 0 ? part + "." : part + "; " + unread + " bytes of that were never read.";
    }

    /** @param unread how many of the bytes were never read, and are zeros here */
    record Head(byte[] bytes, long unread) {}

    Head head(Catalogues.Selected line, int most) throws IOException {
        Finding f = line.finding();
        try (Source image = Sources.open(imaging.image(line.imagingId()).file().toString())) {
            // Where no extent leads there is nothing to show, whatever size the record claims.
            byte[] bytes = new byte[(int) Math.min(Math.min(f.size(), Extents.length(f.extents())), most)];
            long unread = f.content(image).read(0, bytes, 0, bytes.length).failed().stream()
                    .mapToLong(Range::length)
                    .sum();
            return new Head(bytes, unread);
        }
    }

    private static String text(byte[] head) {
        for (int cut = 0; cut < 4 && cut < head.length; cut++) {
            try {
                return StandardCharsets.UTF_8
                        .newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .decode(ByteBuffer.wrap(head, 0, head.length - cut))
                        .toString();
            } catch (CharacterCodingException cutWithinACharacter) {
                // One byte less, then.
            }
        }
        return new String(head, StandardCharsets.ISO_8859_1);
    }
}
