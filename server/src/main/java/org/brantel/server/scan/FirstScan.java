package org.brantel.server.scan;

import java.io.Serializable;
import org.brantel.server.bench.Bench;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.platform.Announcements;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.settings.LabSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Starts a scan by records by itself when a device has been imaged, if the lab says so. */
@Component
class FirstScan {

    private static final Logger LOG = LoggerFactory.getLogger(FirstScan.class);

    /** A session ended that began while its image was written. */
    record EarlyEnded(String caseNumber, long imagingId) implements Serializable {}

    private final Scans scans;
    private final ImagingRecords imaging;
    private final LabSettings settings;

    FirstScan(Scans scans, ImagingRecords imaging, LabSettings settings) {
        this.scans = scans;
        this.imaging = imaging;
        this.settings = settings;
    }

    /** The device has been imaged. */
    @Component
    static class AfterImaging implements Announcements.Listener<Bench.Imaged> {

        private final FirstScan first;

        AfterImaging(FirstScan first) {
            this.first = first;
        }

        @Override
        public Class<Bench.Imaged> of() {
            return Bench.Imaged.class;
        }

        @Override
        public void hear(Bench.Imaged imaged) {
            first.startAfter(imaged.caseNumber(), imaged.imagingId());
        }
    }

    /** The one that ended is no first one, but may have held that up. */
    @Component
    static class AfterEarly implements Announcements.Listener<EarlyEnded> {

        private final FirstScan first;

        AfterEarly(FirstScan first) {
            this.first = first;
        }

        @Override
        public Class<EarlyEnded> of() {
            return EarlyEnded.class;
        }

        @Override
        public void hear(EarlyEnded early) {
            if (!first.imaging.isFilling(early.imagingId())) {
                first.startAfter(early.caseNumber(), early.imagingId());
            }
        }
    }

    private void startAfter(String number, long imagingId) {
        // Files that were copied are known by their records alone: without that scan nothing shows them.
        boolean wanted =
                settings.bench().scanRecords() || imaging.image(imagingId).ofFiles();
        if (!wanted || scans.isScanned(imagingId)) {
            return;
        }
        try {
            scans.start(number, imaging.device(imagingId), Scans.Scope.quick(), Happenings.MACHINE);
        } catch (Refusal someoneWasQuicker) {
            LOG.info("No scan by records of {} by itself: {}", number, someoneWasQuicker.getMessage());
        }
    }
}
