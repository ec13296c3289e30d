package org.brantel.server.scan;

import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.explain.Explanation;
import org.brantel.core.explain.Step;
import org.brantel.core.finding.Finding;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.source.Source;
import org.brantel.core.volume.Volume;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.springframework.stereotype.Component;

/** Why a catalogue line is what it is said to be, read again from the image. */
@Component
class Explanations {

    private final Catalogues catalogues;
    private final Scans scans;
    private final ImagingRecords imaging;
    private final Locks locks;

    Explanations(Catalogues catalogues, Scans scans, ImagingRecords imaging, Locks locks) {
        this.catalogues = catalogues;
        this.scans = scans;
        this.imaging = imaging;
        this.locks = locks;
    }

    List<Step> of(String number, long line) throws IOException {
        Catalogues.Selected selected = catalogues.line(number, line);
        Finding finding = selected.finding();
        Volume volume = scans.report(number, selected.toldBy()).map(ScanReport::volumes).orElse(List.of()).stream()
                .filter(v -> finding.volume() != null && v.index() == finding.volume())
                .findFirst()
                .orElse(null);
        try (Source image =
                Sources.open(imaging.image(selected.imagingId()).file().toString())) {
            List<Step> steps = Explanation.of(image, volume, finding);
            return locks.mayLook(number, Look.CONTENTS)
                    ? steps
                    : steps.stream().map(Explanations::withoutContent).toList();
        }
    }

    /** The bytes of the content stay closed to who may not look into it; those of records do not. */
    private static Step withoutContent(Step step) {
        return step.isContent()
                ? new Step(
                        step.title(),
                        Stream.concat(
                                        step.words().stream(),
                                        Stream.of("The customer has not agreed to a look at the bytes themselves."))
                                .toList(),
                        step.offset(),
                        null,
                        List.of(),
                        true)
                : step;
    }
}
