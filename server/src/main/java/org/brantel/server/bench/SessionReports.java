package org.brantel.server.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.hash.Hashes;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.ImageHashes;
import org.brantel.core.imaging.UnreadReport;
import org.brantel.core.json.Json;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a session read, when, how gently, and what it did not; to be printed, and kept beside the image. */
@Service
class SessionReports {

    /**
     * @param profile     with every value that was in force last
     * @param course      what happened, faults left out
     * @param faults      the first of them
     * @param faultsInAll that are listed on the record
     * @param unread      the first ranges that the image does not hold
     * @param unreadRanges how many there are
     * @param chunks      hashes of parts of the image that are kept beside it
     */
    record Report(
            ImagingView session,
            Attachment.View attachment,
            CareProfile profile,
            List<ImagingEvent.View> course,
            List<ImagingEvent.View> faults,
            long faultsInAll,
            HealthReadings.Series health,
            List<UnreadReport.Unread> unread,
            int unreadRanges,
            @Nullable Integer chunks) {}

    private static final int MOST_LISTED = 200;

    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final ImagingEvents log;
    private final HealthReadings readings;
    private final Cases cases;
    private final Happenings happenings;

    SessionReports(
            ImagingSessions sessions,
            Attachments attachments,
            ImagingEvents log,
            HealthReadings readings,
            Cases cases,
            Happenings happenings) {
        this.sessions = sessions;
        this.attachments = attachments;
        this.log = log;
        this.readings = readings;
        this.cases = cases;
        this.happenings = happenings;
    }

    @Transactional(readOnly = true)
    public Report of(long id) throws IOException {
        ImagingSession session =
                sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no imaging session " + id + "."));
        Attachment attachment = attachments.findById(session.attachmentId()).orElseThrow();
        Path image = session.image().isEmpty() ? null : Path.of(session.image());
        List<UnreadReport.Unread> unread = image == null || !Files.exists(MapJournal.beside(image))
                ? List.of()
                : UnreadReport.of(MapJournal.beside(image)).ranges();
        Integer chunks = image == null || !Files.exists(ImageHashes.beside(image))
                ? null
                : Json.read(ImageHashes.beside(image), ImageHashes.class, "list of hashes")
                        .chunks()
                        .size();
        return new Report(
                session.view(cases.number(session.caseId())),
                attachment.view(),
                CareProfile.ofWord(session.profile()),
                log.findCourse(id).stream().map(ImagingEvent::view).toList(),
                log.findFirstFaults(id, MOST_LISTED).stream()
                        .map(ImagingEvent::view)
                        .toList(),
                log.countFaults(id),
                readings.series(session.attachmentId()),
                unread.subList(0, Math.min(MOST_LISTED, unread.size())),
                unread.size(),
                chunks);
    }

    /** Puts it beside the image and its hash into the custody record. */
    @Transactional
    public void keep(long id) throws IOException {
        ImagingSession session = sessions.findById(id).orElseThrow();
        byte[] report = Json.writePretty(of(id)).getBytes(StandardCharsets.UTF_8);
        Path file = Path.of(session.image()).resolveSibling("session-" + id + ".report.json");
        Files.write(file, report);
        happenings.tell(
                cases.number(session.caseId()),
                Happenings.MACHINE,
                "kept the report of imaging",
                "session " + id + ", " + file.getFileName() + ", SHA-256 "
                        + Hashes.sha256Hex(report, 0, report.length));
    }
}
