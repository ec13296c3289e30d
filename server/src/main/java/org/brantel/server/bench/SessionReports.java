package org.brantel.server.bench;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.hash.Hashes;
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

    /** @param profile with every value that was in force last */
    record Report(
            ImagingView session,
            Attachment.View attachment,
            CareProfile profile,
            @JsonUnwrapped Course course,
            HealthReadings.Series health,
            @JsonUnwrapped Lacking lacking) {}

    /**
     * @param course      what happened, faults left out
     * @param faults      the first of them
     * @param faultsInAll that are listed on the record
     */
    record Course(List<ImagingEvent.View> course, List<ImagingEvent.View> faults, long faultsInAll) {}

    /**
     * What the image did not hold when the session ended.
     *
     * @param unread       the first ranges that it does not hold
     * @param unreadRanges how many there are
     * @param chunks       hashes of parts of the image that are kept beside it
     * @param wentOn       a later session that went on in the same image: what lies beside the image now is of that one,
     *                     so nothing is listed here; the report that was kept at this session's end lists it
     */
    record Lacking(
            List<UnreadReport.Unread> unread,
            int unreadRanges,
            @Nullable Integer chunks,
            @Nullable Long wentOn) {

        static final Lacking NOTHING_READ = new Lacking(List.of(), 0, null, null);
    }

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
        return new Report(
                session.view(cases.number(session.caseId())),
                attachment.view(),
                CareProfile.ofWord(session.profile()),
                new Course(
                        log.findCourse(id).stream().map(ImagingEvent::view).toList(),
                        log.findFirstFaults(id, MOST_LISTED).stream()
                                .map(ImagingEvent::view)
                                .toList(),
                        log.countFaults(id)),
                readings.series(session.attachmentId()),
                lacking(session));
    }

    private Lacking lacking(ImagingSession session) throws IOException {
        Path map = session.map();
        if (map == null) {
            return Lacking.NOTHING_READ;
        }
        long last = sessions.findFirstByImageOrderByIdDesc(session.image()).id();
        if (last != session.id()) {
            return new Lacking(List.of(), 0, null, last);
        }
        List<UnreadReport.Unread> unread =
                Files.exists(map) ? UnreadReport.of(map).ranges() : List.of();
        Path hashes = ImageHashes.beside(Path.of(session.image()));
        Integer chunks = Files.exists(hashes)
                ? Json.read(hashes, ImageHashes.class, "list of hashes")
                        .chunks()
                        .size()
                : null;
        return new Lacking(unread.subList(0, Math.min(MOST_LISTED, unread.size())), unread.size(), chunks, null);
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
