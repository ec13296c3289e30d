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
     * @param left   bytes that nothing is known of yet: never asked for, or put off
     * @param failed bytes that did not read; a profile with more tries than it had asks for them again
     */
    record Earlier(long session, WorkState state, long left, long failed, long size) {

        static Earlier of(ImagingSession session) {
            ImagingView.Sum sum = session.view("").sum();
            long left = sum.size() - sum.readBytes() - sum.failedBytes();
            return new Earlier(session.id(), session.state(), left, sum.failedBytes(), sum.size());
        }

        boolean isWhole() {
            return left + failed == 0;
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
        return sessions.findByDeviceIdOrderByIdDesc(now.deviceId()).stream()
                .filter(s -> isOf(s, now))
                .filter(s -> !s.image().isEmpty() && !s.isElsewhere() && isThere(Path.of(s.image())))
                .findFirst();
    }

    /** Whether a session reads the device that is attached now. */
    @Transactional(readOnly = true)
    public boolean isOf(ImagingSession session, Attachment now) {
        return isSame(attachments.findById(session.attachmentId()).orElseThrow(), now);
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
