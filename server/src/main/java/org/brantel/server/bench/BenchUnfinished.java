package org.brantel.server.bench;

import java.util.List;
import java.util.stream.Stream;
import org.brantel.server.work.Unfinished;
import org.springframework.stereotype.Component;

/** A device that is being read, or is attached. */
@Component
class BenchUnfinished implements Unfinished {

    private final ImagingRecords imaging;
    private final Stations stations;

    BenchUnfinished(ImagingRecords imaging, Stations stations) {
        this.imaging = imaging;
        this.stations = stations;
    }

    @Override
    public List<String> of(String caseNumber) {
        Stream<String> read = imaging.unfinished().stream()
                .filter(s -> s.caseNumber().equals(caseNumber)
                        && s.standing().state().isAtWork())
                .map(s -> "A device of it is being read; pause the session first.");
        Stream<String> attached = stations.attachedMedia(caseNumber).values().stream()
                .map(medium -> medium + " is attached to it; detach it at the bench first.");
        return Stream.concat(read, attached).toList();
    }
}
