package org.brantel.server.bench;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.media.BoxDrives;
import org.brantel.server.media.Media;
import org.brantel.server.media.Medium;
import org.brantel.server.platform.Settings;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The stations of the bench, and what stands and runs there. */
@RestController
class BenchController {

    /**
     * A medium with where it stands.
     *
     * @param caseNumber that it is attached to, and {@code device} the one of it that it stands for
     * @param state      of the session that reads it
     */
    record Station(
            Medium medium,
            @Nullable String caseNumber,
            @Nullable Long device,
            @Nullable WorkState state) {}

    /**
     * @param waiting decided cases whose device is to be attached, the longest wait first
     * @param silent  boxes that do not answer
     * @param inbox   where the lab places raw images
     */
    record BenchView(
            List<Station> stations,
            List<ImagingView> sessions,
            CaseViews.Page waiting,
            List<BoxDrives.Silent> silent,
            String inbox) {}

    private static final int MOST_WAITING = 60;

    private final Stations stations;
    private final CaseLists lists;
    private final ImagingRecords imaging;
    private final BoxDrives boxes;
    private final Media media;
    private final Settings settings;

    BenchController(
            Stations stations,
            CaseLists lists,
            ImagingRecords imaging,
            BoxDrives boxes,
            Media media,
            Settings settings) {
        this.stations = stations;
        this.lists = lists;
        this.imaging = imaging;
        this.boxes = boxes;
        this.media = media;
        this.settings = settings;
    }

    @GetMapping("/api/bench")
    BenchView all() throws IOException {
        List<ImagingView> sessions = imaging.unfinished();
        Map<String, Stations.For> attached = stations.attachedTo();
        List<Station> all = media.all().stream()
                .map(m -> {
                    Stations.For stands = attached.get(m.key());
                    return new Station(
                            m,
                            stands == null ? null : stands.caseNumber(),
                            stands == null ? null : stands.device(),
                            sessions.stream()
                                    .filter(s -> stands != null && s.device() == stands.device())
                                    .map(s -> s.standing().state())
                                    .findFirst()
                                    .orElse(null));
                })
                .toList();
        return new BenchView(
                all,
                sessions,
                lists.waitingForDevice(MOST_WAITING),
                boxes.silent(),
                settings.inbox().toAbsolutePath().normalize().toString());
    }
}
