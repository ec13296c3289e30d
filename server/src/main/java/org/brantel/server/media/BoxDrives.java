package org.brantel.server.media;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.source.nbd.NbdAddress;
import org.brantel.core.source.nbd.NbdSource;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What the lab's bench boxes export. Asked in the background, since a box that is off takes seconds not to answer. */
@Component
public class BoxDrives implements MediaOfKind {

    /**
     * A box that does not answer.
     *
     * @param sentence what is wrong
     */
    public record Silent(String box, @Nullable String sentence) {}

    /**
     * What was listed.
     *
     * @param asked when the boxes were asked; what vanished since then may still be among it
     */
    private record Listing(Instant asked, List<Medium> drives) {}

    private final LabSettings settings;
    private final Clock clock;
    private volatile Listing listing = new Listing(Instant.EPOCH, List.of());
    private volatile List<Silent> silent = List.of();

    BoxDrives(LabSettings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    public MediumKind kind() {
        return MediumKind.BOX;
    }

    @Override
    public List<Medium> now() {
        return listing.drives();
    }

    @Override
    public String specification(String name) throws IOException {
        String[] words = name.split("/", 2);
        for (LabSettings.Box box : settings.bench().boxes()) {
            if (words.length == 2 && box.name().equals(words[0])) {
                NbdAddress server = NbdAddress.parse(box.address());
                return new NbdAddress(server.host(), server.port(), words[1]).toString();
            }
        }
        throw gone(name);
    }

    /** Without a serial another of its model would look the same. */
    @Override
    public boolean returnsByItself(String name, Identity is) {
        return !is.serial().isEmpty();
    }

    @Override
    public boolean isBack(String name, Identity was, Instant vanished, Instant now) {
        Listing seen = listing;
        return seen.asked().isAfter(vanished)
                && seen.drives().stream()
                        .anyMatch(d -> d.key().equals(kind().prefix() + name)
                                && d.identity().equals(was));
    }

    /** Boxes that do not answer just now. */
    public List<Silent> silent() {
        return silent;
    }

    @Scheduled(fixedDelay = 3000)
    void look() {
        Instant asked = clock.instant();
        List<Medium> found = new ArrayList<>();
        List<Silent> missing = new ArrayList<>();
        for (LabSettings.Box box : settings.bench().boxes()) {
            try {
                NbdAddress server = NbdAddress.parse(box.address());
                for (NbdSource.Offer offer : NbdSource.exports(server)) {
                    try (NbdSource drive = NbdSource.open(
                            new NbdAddress(server.host(), server.port(), offer.name()), Media.FOR_IDENTITY)) {
                        found.add(new Medium(
                                kind().prefix() + box.name() + "/" + offer.name(),
                                kind(),
                                offer.name(),
                                box.name(),
                                drive.identity(),
                                false,
                                ""));
                    }
                }
            } catch (IOException e) {
                missing.add(new Silent(box.name(), e.getMessage()));
            }
        }
        listing = new Listing(asked, List.copyOf(found));
        silent = List.copyOf(missing);
    }
}
