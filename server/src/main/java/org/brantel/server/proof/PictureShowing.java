package org.brantel.server.proof;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.finding.Finding;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.brantel.server.workers.Chore;
import org.brantel.server.workers.Workers;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** Pictures, pages and letters, drawn anew by a worker: no byte of the original reaches a browser. */
@Component
class PictureShowing implements Showing {

    private static final int EDGE = 640;
    /** Debian's, in libheif-examples. */
    private static final String CONVERTER = "heif-convert";

    private final FoundBytes bytes;
    private final Copies copies;
    private final Tool tool;
    private final Workers workers;

    PictureShowing(FoundBytes bytes, Copies copies, Tool tool, Workers workers) {
        this.bytes = bytes;
        this.copies = copies;
        this.tool = tool;
        this.workers = workers;
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
            return pages(line);
        }
        if (Drawing.isByTool(f.kind()) && !tool.isThere(CONVERTER)) {
            return Preview.none("What is " + f.kind()
                    + " is drawn by Debian's heif-convert (in libheif-examples), which is" + " not installed here.");
        }
        return Preview.picture(
                1,
                Drawing.isRaw(f.kind())
                        ? "The picture that the camera put into it, drawn anew."
                        : Drawing.isFont(f.kind()) ? "Its letters." : "Drawn anew from the image.");
    }

    private Preview pages(Catalogues.Selected line) throws IOException {
        int pages;
        try {
            byte[] count = workers.work(
                    PdfPages.class, "", bytes.head(line, FoundBytes.MOST).bytes());
            pages = Integer.parseInt(new String(count, StandardCharsets.US_ASCII));
        } catch (Chore.Refused e) {
            return Preview.none("It cannot be drawn: " + e.sentence());
        } catch (Workers.Died e) {
            return Preview.none("It cannot be drawn: " + e.getMessage() + ".");
        }
        return pages == 0
                ? Preview.none("It cannot be drawn: its content is damaged.")
                : Preview.picture(pages, pages == 1 ? "Its one page." : "Of " + pages + " pages.");
    }

    /**
     * @param format {@code png} or {@code jpg}
     * @param page   counted from 1
     * @param edge   the longer edge of what is drawn, in points
     * @return the bytes of a picture
     * @throws Refusal saying why it cannot be drawn
     */
    byte[] draw(Catalogues.Selected line, String format, int page, int edge) throws IOException {
        Finding f = line.finding();
        if (f.size() > FoundBytes.MOST) {
            throw Refusal.badInput(null, "It is larger than what is drawn (64 MiB).");
        }
        boolean converted = Drawing.isByTool(f.kind());
        byte[] content =
                converted ? converted(line) : bytes.head(line, FoundBytes.MOST).bytes();
        try {
            return workers.work(
                    Drawing.class, Drawing.asked(format, edge, page, converted ? "jpg" : f.kind()), content);
        } catch (Chore.Refused | Workers.Died e) {
            throw Refusal.missing("It cannot be drawn: " + e.getMessage() + (e instanceof Workers.Died ? "." : ""));
        } catch (IOException damaged) {
            throw damaged();
        }
    }

    private static Refusal damaged() {
        return Refusal.missing("It cannot be drawn: its content is damaged.");
    }

    /** Its first picture as a JPEG. */
    private byte[] converted(Catalogues.Selected line) throws IOException {
        if (!tool.isThere(CONVERTER)) {
            throw Refusal.missing("Debian's heif-convert is not installed here; it draws what is "
                    + line.finding().kind() + ".");
        }
        Path copy = copies.of(line).file();
        Path folder = Files.createTempDirectory(copy.getParent(), "drawing");
        try {
            tool.run(
                    CONVERTER,
                    List.of("-q", "92", copy.toString(), folder.resolve("a.jpg").toString()),
                    out -> {
                        out.readAllBytes();
                        return 0;
                    });
            // Of several pictures each has a number.
            Path one = folder.resolve("a.jpg");
            return Files.readAllBytes(Files.exists(one) ? one : folder.resolve("a-1.jpg"));
        } catch (Tool.Failed e) {
            throw damaged();
        } finally {
            FileSystemUtils.deleteRecursively(folder);
        }
    }

    /** As large as a proof shows it. */
    byte[] draw(Catalogues.Selected line, int page) throws IOException {
        return draw(line, "png", page, EDGE);
    }
}
