package org.brantel.server.scan;

import java.util.List;
import org.brantel.server.work.Unfinished;
import org.springframework.stereotype.Component;

/** An image that is being scanned. */
@Component
class ScanUnfinished implements Unfinished {

    private final Scans scans;

    ScanUnfinished(Scans scans) {
        this.scans = scans;
    }

    @Override
    public List<String> of(String caseNumber) {
        return scans.running().stream()
                .filter(s -> s.caseNumber().equals(caseNumber))
                .map(s -> "An image of it is being scanned; stop the scan, or wait for it.")
                .toList();
    }
}
