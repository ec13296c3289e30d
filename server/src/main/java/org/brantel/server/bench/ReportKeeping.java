package org.brantel.server.bench;

import java.io.IOException;
import org.brantel.server.platform.Announcements;
import org.brantel.server.platform.Happenings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps the report of a session that ended. The image is done and hashed, whatever becomes of its report. */
@Component
class ReportKeeping implements Announcements.Listener<Bench.Imaged> {

    private static final Logger LOG = LoggerFactory.getLogger(ReportKeeping.class);

    private final SessionReports reports;
    private final Happenings happenings;
    private final TransactionTemplate transaction;

    ReportKeeping(SessionReports reports, Happenings happenings, TransactionTemplate transaction) {
        this.reports = reports;
        this.happenings = happenings;
        this.transaction = transaction;
    }

    @Override
    public Class<Bench.Imaged> of() {
        return Bench.Imaged.class;
    }

    @Override
    public void hear(Bench.Imaged imaged) {
        long id = imaged.imagingId();
        try {
            reports.keep(id);
        } catch (IOException e) {
            LOG.error("The report of imaging session {} of {} could not be kept", id, imaged.caseNumber(), e);
            transaction.executeWithoutResult(t -> happenings.tell(
                    imaged.caseNumber(),
                    Happenings.MACHINE,
                    "could not keep the report of imaging",
                    "session " + id + ": " + e.getMessage()));
        }
    }
}
