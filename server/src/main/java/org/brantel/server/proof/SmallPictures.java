package org.brantel.server.proof;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.concurrent.Semaphore;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.sight.Sights;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * Pictures as a contact sheet shows them: drawn anew, without anything that a camera wrote beside them, and kept in the
 * lab's store. So many are drawn at once as there are processors, each by a worker with little memory.
 */
@Component
class SmallPictures {

    private static final int EDGE = 240;

    private final PictureShowing pictures;
    private final Sights sights;
    private final Cases cases;
    private final Locks locks;
    private final Path store;
    private final Semaphore turns =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()), true);

    SmallPictures(PictureShowing pictures, Sights sights, Cases cases, Locks locks, Settings settings) {
        this.pictures = pictures;
        this.sights = sights;
        this.cases = cases;
        this.locks = locks;
        this.store = settings.labStore().resolve("small");
    }

    /** JPEG bytes. */
    byte[] of(String number, Catalogues.Selected line) throws IOException {
        if (!Drawing.isPicture(line.finding().kind()) || line.finding().size() > FoundBytes.MOST) {
            throw Refusal.missing("There is no small picture of it; open its proof.");
        }
        Path file = store.resolve(number).resolve(EDGE + "-" + line.bytesName() + ".jpg");
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

    /** What the customer does not agree to any more is not kept either. */
    @EventListener
    void consentNarrowed(Cases.ConsentNarrowed change) throws IOException {
        if (!locks.mayLook(change.caseNumber(), Look.PREVIEWS)) {
            forget(change.caseNumber());
        }
    }

    void forget(String number) throws IOException {
        sights.forget(cases.id(number));
        FileSystemUtils.deleteRecursively(store.resolve(number));
    }

    private void draw(Catalogues.Selected line, Path file) throws IOException {
        byte[] drawn = pictures.draw(line, "jpg", 1, EDGE);
        Files.createDirectories(file.getParent());
        Path part = Files.createTempFile(file.getParent(), "drawing", ".part");
        try {
            Files.write(part, drawn);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
