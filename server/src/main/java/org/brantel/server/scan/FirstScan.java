package org.brantel.server.scan;

import org.brantel.server.bench.Bench;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.platform.Refusal;
import org.brantel.server.settings.LabSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Starts a scan by records by itself when a device has been imaged, if the lab says so. */
@Component
class FirstScan {

    private static final Logger LOG = LoggerFactory.getLogger(FirstScan.class);

    /** A session ended that began while its image was written. */
    record EarlyEnded(String caseNumber, long imagingId) {}

    private final Scans scans;
    private final Bench bench;
    private final LabSettings settings;

    FirstScan(Scans scans, Bench bench, LabSettings settings) {
        this.scans = scans;
        this.bench = bench;
        this.settings = settings;
    }

    @EventListener
    void imaged(Bench.Imaged imaged) {
        startAfter(imaged.caseNumber(), imaged.imagingId());
    }

    /** It is no first one, but may have held that up. */
    @EventListener
    void earlyEnded(EarlyEnded early) {
        if (!bench.isFilling(early.imagingId())) {
            startAfter(early.caseNumber(), early.imagingId());
        }
    }

    private void startAfter(String number, long imagingId) {
        if (!settings.bench().scanRecords() || scans.isScanned(number, imagingId)) {
            return;
        }
        try {
            scans.start(number, Scans.Scope.quick(), CustodyService.MACHINE);
        } catch (Refusal someoneWasQuicker) {
            LOG.info("No scan by records of {} by itself: {}", number, someoneWasQuicker.getMessage());
        }
    }
}
