package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.scan.SessionFile;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.intake.Travelled;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What was found goes along, a file a session; here each is brought into the catalogue by a job. */
@Component
@Order(5)
class ScansAlong implements GoesAlong {

    private final ScanSessions sessions;
    private final ImagingRecords imaging;
    private final Cases cases;
    private final Locks locks;
    private final Jobs jobs;
    private final OneTimeTask<Long> scanTask;
    private final Happenings happenings;
    private final Settings settings;
    private final Clock clock;

    ScansAlong(
            ScanSessions sessions,
            ImagingRecords imaging,
            Cases cases,
            Locks locks,
            Jobs jobs,
            @Qualifier("scanTask") OneTimeTask<Long> scanTask,
            Happenings happenings,
            Settings settings,
            Clock clock) {
        this.sessions = sessions;
        this.imaging = imaging;
        this.cases = cases;
        this.locks = locks;
        this.jobs = jobs;
        this.scanTask = scanTask;
        this.happenings = happenings;
        this.settings = settings;
        this.clock = clock;
    }

    private Path folder(String number, long session) {
        return settings.scans().resolve(number).resolve("scan-" + session);
    }

    /** What contents say of themselves goes along only as far as the customer lets a lab look. */
    @Override
    public void pack(Leaving leaving) throws IOException {
        boolean contents = locks.mayLook(leaving.number(), Look.PREVIEWS);
        for (ScanSession s : sessions.findByCaseIdOrderById(cases.id(leaving.number()))) {
            Path folder = folder(leaving.number(), s.id());
            String imagingMark = leaving.marks().of(Travelled.IMAGING, s.imagingId());
            boolean goes =
                    leaving.parts().imaging().stream().anyMatch(i -> i.mark().equals(imagingMark));
            if (s.state().isAtWork() || !goes || !Files.isRegularFile(folder.resolve("session.json"))) {
                continue;
            }
            String name = "scans/scan-" + leaving.marks().of(Travelled.SCAN, s.id()) + ".session.gz";
            leaving.folder("scans");
            Path to = leaving.data().resolve(name);
            if (s.isElsewhere() && contents) {
                // With the hashes that the other lab said; here nobody could compare them.
                Files.copy(folder.resolve(SessionFiles.PACKED), to);
            } else {
                try (OutputStream out = Files.newOutputStream(to, StandardOpenOption.CREATE_NEW)) {
                    SessionFile.packAsItStands(folder, contents, out);
                }
            }
            leaving.parts().scans().add(s.along(leaving, imagingMark, name));
        }
    }

    @Override
    public void takeIn(Coming coming) throws IOException {
        for (CaseFile.Scan scan : coming.file().scans()) {
            if (coming.marks().here(Travelled.SCAN, scan.mark()).isPresent()) {
                continue;
            }
            long read = coming.marks().here(Travelled.IMAGING, scan.imaging()).orElseThrow();
            ImagingRecords.Image image = imaging.image(read);
            if (!imaging.isOf(read, coming.caseId())) {
                throw Refusal.conflict("A scan session of the file is of another case than " + coming.number() + ".");
            }
            ScanSession session = sessions.save(
                    ScanSession.foundElsewhere(coming.caseId(), image, scan, coming.who(), clock.instant()));
            Path folder = Files.createDirectories(folder(coming.number(), session.id()));
            Files.copy(
                    coming.data().resolve(scan.file()),
                    folder.resolve(SessionFiles.PACKED),
                    StandardCopyOption.REPLACE_EXISTING);
            jobs.start(scanTask, session.id());
            coming.marks().came(Travelled.SCAN, scan.mark(), session.id());
        }
        happenings.changed(coming.number(), Topic.SCAN);
    }
}
