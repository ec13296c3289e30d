package org.brantel.core.scan;

import java.util.List;
import java.util.Map;
import org.brantel.core.source.Identity;
import org.brantel.core.volume.Volume;

/**
 * session.json, version 1: what a scan session did and found.
 *
 * @param started  ISO 8601, UTC
 * @param finished false when it was stopped; the findings up to then stand
 * @param rejected starts that looked like a kind but failed its check
 * @param joined   carving hits on bytes that a record already names
 * @param inVolumes what was found in each volume; empty in reports of older versions
 * @param problems what was malformed, and where
 */
public record ScanReport(String format, int version, String engine, String source, Identity identity, long size,
                         String method, Map<String, Object> scope, String started, double seconds, boolean finished,
                         List<Volume> volumes, long findings, Map<String, Long> kinds, Map<String, Long> origins,
                         Map<String, Long> prognoses, long rejected, long joined, List<VolumeCounts> inVolumes,
                         List<String> problems) {

    public ScanReport {
        inVolumes = inVolumes == null ? List.of() : List.copyOf(inVolumes);
    }

    public static final String FORMAT = "brantel-scan-session";
    public static final int VERSION = 1;
}
