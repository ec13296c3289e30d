package org.brantel.server.catalogue;

import java.util.HashMap;
import java.util.Map;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.server.bench.ImagingRecords;
import org.jspecify.annotations.Nullable;

/**
 * What the devices of a case are called in keys. The first device that a case ever had has no name there: the keys of
 * before devices were told apart are its own.
 */
final class MediumNames {

    private final ImagingRecords imaging;
    private final long first;
    private final Map<Long, String> known = new HashMap<>();

    /** @param first device of the case */
    MediumNames(ImagingRecords imaging, long first) {
        this.imaging = imaging;
        this.first = first;
    }

    /** The name of the device that an imaging session read. */
    String of(Long imagingId) {
        return known.computeIfAbsent(imagingId, id -> {
            long device = imaging.device(id);
            return device == first ? "" : String.valueOf(device);
        });
    }

    /** Where the bytes of a finding are; null where that says nothing of what it is. */
    @Nullable
    String place(Finding finding, Long imagingId) {
        return Catalogue.place(finding, of(imagingId));
    }
}
