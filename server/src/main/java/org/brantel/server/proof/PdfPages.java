package org.brantel.server.proof;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.brantel.server.workers.Chore;

/** Pages of documents, drawn one by one. Asked for nothing, it answers how many there are. */
public final class PdfPages implements Chore {

    @Override
    public byte[] work(String nothing, byte[] content) throws Chore.Refused {
        return String.valueOf(count(content)).getBytes(StandardCharsets.US_ASCII);
    }

    /** 0 for a document that cannot be opened. */
    private static int count(byte[] content) throws Chore.Refused {
        try (PDDocument document = open(content)) {
            return document.getNumberOfPages();
        } catch (Chore.Refused e) {
            throw e;
        } catch (IOException | RuntimeException damaged) {
            return 0;
        }
    }

    private static PDDocument open(byte[] content) throws IOException {
        try {
            return Loader.loadPDF(content);
        } catch (InvalidPasswordException e) {
            throw new Chore.Refused("a password closes it.");
        }
    }

    /**
     * @param page counted from 1
     * @param edge its longer edge as it is drawn, in points, whatever size it claims
     */
    static BufferedImage draw(byte[] content, int page, int edge) throws IOException {
        try (PDDocument document = open(content)) {
            if (page < 1 || page > document.getNumberOfPages()) {
                throw new Chore.Refused("it has no page " + page + ".");
            }
            PDRectangle box = document.getPage(page - 1).getCropBox();
            float longer = Math.max(1, Math.max(box.getWidth(), box.getHeight()));
            return new PDFRenderer(document).renderImage(page - 1, edge / longer);
        }
    }
}
