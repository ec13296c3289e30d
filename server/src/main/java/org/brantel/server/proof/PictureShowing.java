package org.brantel.server.proof;

import java.awt.image.BufferedImage;
import java.io.IOException;
import org.brantel.core.finding.Finding;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/** Pictures and pages, drawn anew: no byte of the original reaches a browser. */
@Component
class PictureShowing implements Showing {

    private static final int EDGE = 640;

    private final FoundBytes bytes;

    PictureShowing(FoundBytes bytes) {
        this.bytes = bytes;
    }

    @Override
    public boolean shows(String kind) {
        return Drawing.isDrawn(kind) || kind.equals("pdf");
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        Finding f = line.finding();
        if (f.size() > FoundBytes.MOST) {
            return Preview.none("It is larger than what is drawn (64 MiB).");
        }
        if (f.kind().equals("pdf")) {
            int pages = PdfPages.count(bytes.head(line, FoundBytes.MOST).bytes());
            return pages == 0
                    ? Preview.none("It cannot be drawn: its content is damaged.")
                    : Preview.picture(pages, pages == 1 ? "Its one page." : "Of " + pages + " pages.");
        }
        return Preview.picture(
                1,
                Drawing.isRaw(f.kind())
                        ? "The picture that the camera put into it, drawn anew."
                        : "Drawn anew from the image.");
    }

    /**
     * @param page counted from 1
     * @param edge the longer edge of what is drawn, in points
     * @throws Refusal saying why it cannot be drawn
     */
    BufferedImage draw(Catalogues.Selected line, int page, int edge) throws IOException {
        Finding f = line.finding();
        if (f.size() > FoundBytes.MOST) {
            throw Refusal.badInput(null, "It is larger than what is drawn (64 MiB).");
        }
        try {
            byte[] content = bytes.head(line, FoundBytes.MOST).bytes();
            return f.kind().equals("pdf") ? PdfPages.draw(content, page, edge) : Drawing.of(f.kind(), content, edge);
        } catch (IOException | RuntimeException e) {
            throw Refusal.missing(
                    "It cannot be drawn: " + (e instanceof Refusal ? e.getMessage() : "its content is damaged."));
        }
    }

    /** As large as a proof shows it. */
    BufferedImage draw(Catalogues.Selected line, int page) throws IOException {
        return draw(line, page, EDGE);
    }
}
