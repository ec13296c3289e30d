package org.brantel.server.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.source.nbd.NbdAddress;
import org.brantel.core.source.nbd.NbdSource;
import org.brantel.server.settings.LabSettings;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What the lab's bench boxes export. Asked in the background, since a box that is off takes seconds not to answer. */
@Component
class Boxes {

    /** @param key how the drive is named in requests: {@code box/BOX/EXPORT} */
    record Drive(String key, String box, String export, Identity identity) {}

    /**
     * A box that does not answer.
     *
     * @param sentence what is wrong
     */
    record Silent(String box, String sentence) {}

    static final String PREFIX = "box/";

    private final LabSettings settings;
    private volatile List<Drive> drives = List.of();
    private volatile List<Silent> silent = List.of();

    Boxes(LabSettings settings) {
        this.settings = settings;
    }

    List<Drive> drives() {
        return drives;
    }

    List<Silent> silent() {
        return silent;
    }

    @Scheduled(fixedDelay = 3000)
    void look() {
        List<Drive> found = new ArrayList<>();
        List<Silent> missing = new ArrayList<>();
        for (LabSettings.Box box : settings.bench().boxes()) {
            try {
                NbdAddress server = NbdAddress.parse(box.address());
                for (NbdSource.Offer offer : NbdSource.exports(server)) {
                    try (NbdSource drive =
                            NbdSource.open(new NbdAddress(server.host(), server.port(), offer.name()), true)) {
                        found.add(new Drive(
                                PREFIX + box.name() + "/" + offer.name(), box.name(), offer.name(), drive.identity()));
                    }
                }
            } catch (IOException e) {
                missing.add(new Silent(box.name(), e.getMessage()));
            }
        }
        drives = List.copyOf(found);
        silent = List.copyOf(missing);
    }

    /** How the engine opens an export of a box; null when there is no such box. */
    NbdAddress address(String key) throws IOException {
        String[] words = key.substring(PREFIX.length()).split("/", 2);
        for (LabSettings.Box box : settings.bench().boxes()) {
            if (words.length == 2 && box.name().equals(words[0])) {
                NbdAddress server = NbdAddress.parse(box.address());
                return new NbdAddress(server.host(), server.port(), words[1]);
            }
        }
        return null;
    }
}
