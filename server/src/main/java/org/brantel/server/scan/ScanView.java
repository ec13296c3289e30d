package org.brantel.server.scan;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ScanReport;

/**
 * A scan session as others see it.
 *
 * @param state  waiting, running, done, stopped, failed
 * @param phase  records, content, hashes, catalogue
 * @param added  catalogue lines that are new with it
 * @param shared findings that were in the catalogue before
 */
public record ScanView(long id, String caseNumber, long imagingId, String state, @Nullable String asked, String method,
                       String phase, long done, long total, Counts counts, @Nullable ScanReport report, long added,
                       long shared, @Nullable String trouble, String who, Instant startedAt, @Nullable Instant endedAt) {

    /** Findings so far, by kind and by origin. */
    public record Counts(long findings, Map<String, Long> kinds, Map<String, Long> origins) {

        Counts() {
            this(0, new TreeMap<>(), new TreeMap<>());
        }

        Counts with(Finding finding) {
            kinds.merge(finding.kind(), 1L, Long::sum);
            origins.merge(finding.origin().word(), 1L, Long::sum);
            return new Counts(findings + 1, kinds, origins);
        }
    }
}
