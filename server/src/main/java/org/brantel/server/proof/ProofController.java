package org.brantel.server.proof;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.brantel.core.content.Difference;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Refusal;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Shows what lines of a catalogue hold, as far as the customer agreed to that. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue/{id}")
class ProofController {

    /** Seconds that are played from one place on. */
    static final int LONGEST = 60;
    /** Seconds from the beginning that are played where no more than previews was agreed to. */
    private static final int GLIMPSE = 15;

    private static final int FRAME = 160;
    /** Bytes of two contents that are held against each other. */
    private static final long COMPARED = 256L << 20;

    private final Catalogues catalogues;
    private final Proofs proofs;
    private final PictureShowing pictures;
    private final SmallPictures small;
    private final Recorded recorded;
    private final FoundBytes bytes;
    private final Locks locks;

    ProofController(
            Catalogues catalogues,
            Proofs proofs,
            PictureShowing pictures,
            SmallPictures small,
            Recorded recorded,
            FoundBytes bytes,
            Locks locks) {
        this.catalogues = catalogues;
        this.proofs = proofs;
        this.pictures = pictures;
        this.small = small;
        this.recorded = recorded;
        this.bytes = bytes;
        this.locks = locks;
    }

    @GetMapping("/preview")
    Preview preview(@PathVariable String number, @PathVariable long id) throws IOException {
        locks.look(number, Look.PREVIEWS, "the preview");
        Preview preview = proofs.of(catalogues.line(number, id));
        return locks.mayLook(number, Look.CONTENTS) ? preview : preview.glimpse(GLIMPSE);
    }

    /** @param page of a document, counted from 1 */
    @GetMapping(path = "/picture", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] picture(@PathVariable String number, @PathVariable long id, @RequestParam(defaultValue = "1") int page)
            throws IOException {
        if (page > 1) {
            locks.look(number, Look.CONTENTS, "more than the first page");
        }
        locks.look(number, Look.PREVIEWS, "the picture");
        return pictures.draw(catalogues.line(number, id), page);
    }

    /** Small enough for a contact sheet. */
    @GetMapping(path = "/small", produces = MediaType.IMAGE_JPEG_VALUE)
    byte[] small(@PathVariable String number, @PathVariable long id) throws IOException {
        locks.look(number, Look.PREVIEWS, "the picture");
        return small.of(number, catalogues.line(number, id));
    }

    /** @param at seconds from its beginning */
    @GetMapping(path = "/frame", produces = MediaType.IMAGE_JPEG_VALUE)
    byte[] frame(@PathVariable String number, @PathVariable long id, @RequestParam double at) throws IOException {
        locks.look(number, Look.PREVIEWS, "the frame");
        try {
            byte[] frame = recorded.frame(catalogues.line(number, id), bounded(at), FRAME);
            if (frame.length == 0) {
                throw Refusal.missing("There is no frame at that time; its content may end before.");
            }
            return frame;
        } catch (Tool.Failed e) {
            throw Refusal.missing("The frame cannot be drawn: its content is damaged.");
        }
    }

    /**
     * A stretch of sound or film, written anew while it is played.
     *
     * @param from seconds from its beginning
     */
    @GetMapping("/play")
    void play(
            @PathVariable String number,
            @PathVariable long id,
            @RequestParam(defaultValue = "0") double from,
            HttpServletResponse response)
            throws IOException {
        locks.look(number, Look.PREVIEWS, "the recording");
        boolean all = locks.mayLook(number, Look.CONTENTS);
        if (!all && bounded(from) >= GLIMPSE) {
            locks.look(number, Look.CONTENTS, "more than the first " + GLIMPSE + " seconds");
        }
        int longest = all ? LONGEST : (int) Math.ceil(GLIMPSE - bounded(from));
        boolean[] started = {false};
        try {
            recorded.play(catalogues.line(number, id), bounded(from), longest, type -> {
                started[0] = true;
                response.setContentType(type);
                return response.getOutputStream();
            });
        } catch (Tool.Failed e) {
            if (!started[0]) {
                throw Refusal.missing("It cannot be played: its content is damaged.");
            }
        }
        if (!started[0]) {
            throw Refusal.missing("Nothing is heard from there on.");
        }
    }

    /** Where a line and another one differ, byte by byte. */
    @GetMapping("/difference")
    Difference difference(@PathVariable String number, @PathVariable long id, @RequestParam long other)
            throws IOException {
        locks.look(number, Look.PREVIEWS, "the difference");
        return bytes.difference(catalogues.line(number, id), catalogues.line(number, other), COMPARED);
    }

    private static double bounded(double seconds) {
        if (Double.isNaN(seconds) || seconds < 0 || seconds > 1e6) {
            throw Refusal.badInput("at", "A time is a number of seconds from its beginning.");
        }
        return seconds;
    }
}
