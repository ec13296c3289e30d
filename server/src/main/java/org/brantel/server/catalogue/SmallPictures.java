package org.brantel.server.catalogue;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import org.brantel.core.finding.Finding;
import org.brantel.core.hash.Hashes;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/**
 * Pictures as a contact sheet shows them: drawn anew, without anything that a camera wrote beside them, and kept in the
 * lab's store. So many are drawn at once as there are processors, so that their memory is bounded.
 */
@Component
class SmallPictures {

    private static final int EDGE = 240;

    private final Previews previews;
    private final Path store;
    private final Semaphore turns =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()), true);

    SmallPictures(Previews previews, Settings settings) {
        this.previews = previews;
        this.store = settings.labStore().resolve("small");
    }

    /** What the picture is kept by: the same bytes of the same image have the same name. */
    static String name(Catalogues.Selected line) {
        Finding f = line.finding();
        byte[] what = (EDGE + " " + line.imagingId() + " " + f.size() + " " + f.encoding() + " " + f.extents())
                .getBytes(StandardCharsets.UTF_8);
        return Hashes.sha256Hex(what, 0, what.length);
    }

    /** JPEG bytes. */
    byte[] of(String number, Catalogues.Selected line) throws IOException {
        if (!Drawing.KINDS.contains(line.finding().kind()) || line.finding().size() > Previews.MOST_BYTES) {
            throw Refusal.missing("There is no small picture of it; open its proof.");
        }
        Path file = store.resolve(number).resolve(name(line) + ".jpg");
        if (!Files.exists(file)) {
            turns.acquireUninterruptibly();
            try {
                draw(line, file);
            } finally {
                turns.release();
            }
        }
        return Files.readAllBytes(file);
    }

    private void draw(Catalogues.Selected line, Path file) throws IOException {
        BufferedImage drawn;
        try {
            drawn = Drawing.of(previews.head(line, Previews.MOST_BYTES).bytes(), EDGE);
        } catch (IOException | RuntimeException e) {
            throw Refusal.missing(
                    "It cannot be drawn: " + (e instanceof Refusal ? e.getMessage() : "its content is damaged."));
        }
        // JPEG knows no transparency; what shines through is paper.
        BufferedImage flat = new BufferedImage(drawn.getWidth(), drawn.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D g = flat.createGraphics();
        g.drawImage(drawn, 0, 0, Color.WHITE, null);
        g.dispose();
        Files.createDirectories(file.getParent());
        Path part = Files.createTempFile(file.getParent(), "drawing", ".part");
        try {
            ImageIO.write(flat, "jpg", part.toFile());
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
