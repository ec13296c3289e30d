package org.brantel.core.scan;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;

/**
 * What a session found in one volume.
 *
 * @param problems what was malformed in it, and where; empty in reports of older versions
 */
public record VolumeCounts(
        int volume, long findings, Map<String, Long> origins, Map<String, Long> prognoses, List<String> problems) {

    public VolumeCounts {
        problems = problems == null ? List.of() : List.copyOf(problems);
    }

    static VolumeCounts none(int volume) {
        return new VolumeCounts(volume, 0, new TreeMap<>(), new TreeMap<>(), List.of());
    }

    VolumeCounts with(List<String> malformed) {
        return new VolumeCounts(volume, findings, origins, prognoses, malformed);
    }

    VolumeCounts with(Finding finding) {
        origins.merge(finding.origin().word(), 1L, Long::sum);
        prognoses.merge(finding.prognosis().word(), 1L, Long::sum);
        return new VolumeCounts(volume, findings + 1, origins, prognoses, problems);
    }
}
