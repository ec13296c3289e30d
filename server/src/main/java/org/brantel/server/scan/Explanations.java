package org.brantel.server.scan;

import java.io.IOException;
import java.util.List;
import org.brantel.core.explain.Explanation;
import org.brantel.core.explain.Step;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.core.volume.Volume;
import org.brantel.server.bench.Bench;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** Why a catalogue line is what it is said to be, read again from the image. */
@Component
class Explanations {

    private final Catalogues catalogues;
    private final Scans scans;
    private final Bench bench;

    Explanations(Catalogues catalogues, Scans scans, Bench bench) {
        this.catalogues = catalogues;
        this.scans = scans;
        this.bench = bench;
    }

    List<Step> of(String number, long line) throws IOException {
        Catalogues.Selected selected = catalogues.line(number, line);
        Finding finding = selected.finding();
        Volume volume = scans.report(number, selected.toldBy()).map(ScanReport::volumes).orElse(List.of()).stream()
                .filter(v -> finding.volume() != null && v.index() == finding.volume()).findFirst().orElse(null);
        try (Source image = Sources.open(bench.image(selected.imagingId()).file().toString())) {
            return Explanation.of(image, volume, finding);
        }
    }
}
