package org.brantel.server.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** What can be attached: simulated devices, and raw images that the lab placed in its inbox folder. */
@Component
class Media {

    /**
     * @param key  how it is named in requests: {@code sim/NAME} or {@code inbox/NAME}
     * @param kind {@code simulated} or {@code inbox}
     */
    record Medium(String key, String kind, String name, Identity identity) { }

    private static final Logger LOG = LoggerFactory.getLogger(Media.class);
    private static final String SIMULATED = "sim/";
    private static final String INBOX = "inbox/";

    private final Settings settings;

    Media(Settings settings) {
        this.settings = settings;
    }

    List<Medium> all() throws IOException {
        List<Medium> media = new ArrayList<>();
        for (Path file : files(settings.demoDevices())) {
            if (file.toString().endsWith(".json")) {
                add(media, SIMULATED, "simulated", file);
            }
        }
        Files.createDirectories(settings.inbox());
        for (Path file : files(settings.inbox())) {
            String name = file.getFileName().toString();
            if (!name.startsWith(".") && !name.endsWith(".map")) {
                add(media, INBOX, "inbox", file);
            }
        }
        return media;
    }

    private void add(List<Medium> media, String prefix, String kind, Path file) {
        String name = file.getFileName().toString();
        String key = prefix + (prefix.equals(SIMULATED) ? name.substring(0, name.length() - 5) : name);
        try (Source source = Sources.open(specification(key))) {
            media.add(new Medium(key, kind, key.substring(prefix.length()), source.identity()));
        } catch (IOException e) {
            LOG.warn("{} cannot be attached and is not offered: {}", key, e.getMessage());
        }
    }

    /** How the engine opens it. Only what lies directly in the two folders can be named. */
    String specification(String key) {
        Path folder = key.startsWith(SIMULATED) ? settings.demoDevices() : settings.inbox();
        String name = key.startsWith(SIMULATED) ? key.substring(SIMULATED.length()) + ".json"
                : key.startsWith(INBOX) ? key.substring(INBOX.length()) : "";
        if (name.isEmpty() || name.contains("/") || name.contains("\\") || name.startsWith(".")) {
            throw Refusal.badInput("medium", "There is no medium '" + key + "'; choose one of the list.");
        }
        Path file = folder.resolve(name);
        if (!Files.isRegularFile(file)) {
            throw Refusal.missing("The medium '" + key + "' is no longer there; put it back, or choose another.");
        }
        return (key.startsWith(SIMULATED) ? "sim:" : "") + file.toAbsolutePath();
    }

    private static List<Path> files(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> list = Files.list(folder)) {
            return list.filter(Files::isRegularFile).sorted().toList();
        }
    }
}
