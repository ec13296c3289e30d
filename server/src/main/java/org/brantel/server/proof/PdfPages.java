package org.brantel.server.proof;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.brantel.server.workers.Chore;

/** Pages of documents, drawn one by one. Asked for nothing, it answers how many there are. */
public final class PdfPages implements Chore {

    @Override
    public byte[] work(String nothing, byte[] content) {
        return String.valueOf(count(content)).getBytes(StandardCharsets.US_ASCII);
    }

    /** 0 for a document that cannot be opened. */
    private static int count(byte[] content) {
        try (PDDocument document = Loader.loadPDF(content)) {
            return document.getNumberOfPages();
        } catch (IOException | RuntimeException damaged) {
            return 0;
        }
    }

    /**
     * @param page counted from 1
     * @param edge its longer edge as it is drawn, in points, whatever size it claims
     */
    static BufferedImage draw(byte[] content, int page, int edge) throws IOException {
        try (PDDocument document = Loader.loadPDF(content)) {
            if (page < 1 || page > document.getNumberOfPages()) {
                throw new Chore.Refused("it has no page " + page + ".");
            }
            PDRectangle box = document.getPage(page - 1).getCropBox();
            float longer = Math.max(1, Math.max(box.getWidth(), box.getHeight()));
            return new PDFRenderer(document).renderImage(page - 1, edge / longer);
        }
    }
}
