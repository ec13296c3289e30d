package org.brantel.server.catalogue;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.server.bench.ImagingRecords;
import org.jspecify.annotations.Nullable;

/** What the devices of a case are called in keys: by their own keys, but for the one that keys of before spoke of. */
final class MediumNames {

    private final ImagingRecords imaging;
    private final @Nullable Long untold;
    private final Map<Long, String> known = new HashMap<>();

    /** @param untold the device that keys do not name; null where all are named */
    MediumNames(ImagingRecords imaging, @Nullable Long untold) {
        this.imaging = imaging;
        this.untold = untold;
    }

    /** The name of the device that an imaging session read. */
    String of(Long imagingId) {
        return known.computeIfAbsent(imagingId, id -> {
            long device = imaging.device(id);
            return Objects.equals(device, untold) ? "" : String.valueOf(device);
        });
    }

    /** Where the bytes of a finding are; null where that says nothing of what it is. */
    @Nullable
    String place(Finding finding, Long imagingId) {
        return Catalogue.place(finding, of(imagingId));
    }
}
