package org.brantel.core.scan;

import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;

/** What a session found in one volume. */
public record VolumeCounts(int volume, long findings, Map<String, Long> origins, Map<String, Long> prognoses) {

    static VolumeCounts none(int volume) {
        return new VolumeCounts(volume, 0, new TreeMap<>(), new TreeMap<>());
    }

    VolumeCounts with(Finding finding) {
        origins.merge(finding.origin().word(), 1L, Long::sum);
        prognoses.merge(finding.prognosis().word(), 1L, Long::sum);
        return new VolumeCounts(volume, findings + 1, origins, prognoses);
    }
}
