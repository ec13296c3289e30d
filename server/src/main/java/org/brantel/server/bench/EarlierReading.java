package org.brantel.server.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.brantel.core.image.MapJournal;
import org.brantel.core.source.IdentityCheck;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What of a device is read already: whoever attaches it again need not begin at zero. */
@Component
class EarlierReading {

    /**
     * An earlier session of the same device whose image is there.
     *
     * @param left bytes that the image does not hold; 0 when it holds all
     */
    record Earlier(long session, WorkState state, long left, long size) {

        static Earlier of(ImagingSession session) {
            ImagingView.Sum sum = session.view("").sum();
            return new Earlier(session.id(), session.state(), sum.size() - sum.readBytes(), sum.size());
        }

        boolean canGoOn() {
            return left > 0 && state == WorkState.DONE;
        }
    }

    private final ImagingSessions sessions;
    private final Attachments attachments;

    EarlierReading(ImagingSessions sessions, Attachments attachments) {
        this.sessions = sessions;
        this.attachments = attachments;
    }

    /** The newest session that read the device which is attached now; empty when none did, or its image is gone. */
    @Transactional(readOnly = true)
    public Optional<ImagingSession> of(Attachment now) {
        return sessions.findByCaseIdOrderByIdDesc(now.caseId()).stream()
                .filter(s -> isSame(attachments.findById(s.attachmentId()).orElseThrow(), now))
                .filter(s -> !s.image().isEmpty() && isThere(Path.of(s.image())))
                .findFirst();
    }

    private static boolean isThere(Path image) {
        return Files.exists(image) && Files.exists(MapJournal.beside(image));
    }

    /** By its serial number; a medium without one only where it stands in the same place and nothing else differs. */
    private static boolean isSame(Attachment before, Attachment now) {
        IdentityCheck check =
                IdentityCheck.compare(before.view().identity(), now.view().identity());
        boolean bySerial = check.lines().stream()
                .anyMatch(l -> l.what() == IdentityCheck.What.SERIAL && l.verdict() == IdentityCheck.Verdict.EQUAL);
        boolean sameSize =
                before.view().identity().size() == now.view().identity().size();
        return sameSize && check.matches() && (bySerial || before.medium().equals(now.medium()));
    }
}
