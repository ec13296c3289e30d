package org.brantel.server.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.brantel.core.source.AttachedDisk;
import org.brantel.core.source.AttachedDisks;
import org.brantel.core.source.Identity;
import org.brantel.core.source.SimulatedSource;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.Sources;
import org.brantel.core.source.nbd.NbdAddress;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * What can be attached: disks of this machine, drives that bench boxes export, simulated devices, and raw images that
 * the lab placed in its inbox folder.
 */
@Component
class Media {

    /**
     * @param key      how it is named in requests: {@code disk/NAME}, {@code box/BOX/EXPORT}, {@code sim/NAME},
     *                 {@code inbox/NAME}
     * @param kind     {@code disk}, {@code box}, {@code simulated} or {@code inbox}
     * @param place    where it is: a device node, a box, a file
     * @param writable it could be written to, so that reading it takes a write-block decision
     * @param blocked  why it is not offered; empty when it is
     */
    record Medium(
            String key, String kind, String name, String place, Identity identity, boolean writable, String blocked) {}

    private static final Logger LOG = LoggerFactory.getLogger(Media.class);
    private static final String SIMULATED = "sim/";
    private static final String INBOX = "inbox/";
    private static final String DISK = "disk/";

    private final Settings settings;
    private final Boxes boxes;
    /** Why a file cannot be attached, by its key. */
    private final Map<String, String> unfit = new ConcurrentHashMap<>();
    /** How often each medium was opened to be read; the locks are held against it. */
    private final Map<String, Long> opened = new ConcurrentHashMap<>();

    Media(Settings settings, Boxes boxes) {
        this.settings = settings;
        this.boxes = boxes;
    }

    List<Medium> all() throws IOException {
        List<Medium> media = new ArrayList<>();
        for (AttachedDisk d : AttachedDisks.now()) {
            media.add(new Medium(DISK + d.name(), "disk", d.name(), d.node(), d.identity(), !d.readOnly(), d.inUse()));
        }
        boxes.drives()
                .forEach(d -> media.add(new Medium(d.key(), "box", d.export(), d.box(), d.identity(), false, "")));
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
        try (Source source = openForIdentity(key)) {
            media.add(new Medium(key, kind, key.substring(prefix.length()), name, source.identity(), false, ""));
            unfit.remove(key);
        } catch (IOException e) {
            // They are looked at every other second; what is wrong with one is said once.
            if (!String.valueOf(e.getMessage()).equals(unfit.put(key, String.valueOf(e.getMessage())))) {
                LOG.warn("{} cannot be attached and is not offered: {}", key, e.getMessage());
            }
        }
    }

    /** Nothing is read for it. */
    Identity identity(String key) throws IOException {
        if (key.startsWith(DISK)) {
            AttachedDisk disk = disk(key).orElseThrow(() -> gone(key));
            if (!disk.isOffered()) {
                throw Refusal.conflict(disk.node() + " is in use by this machine (" + disk.inUse()
                        + "); it is never read as a customer's device.");
            }
            return disk.identity();
        }
        try (Source source = openForIdentity(key)) {
            return source.identity();
        }
    }

    /**
     * @param writeBlockDecided a recorded decision that it may be read although it could be written to
     * @throws Refusal when there is no such medium
     */
    Source open(String key, boolean writeBlockDecided) throws IOException {
        opened.merge(key, 1L, Long::sum);
        try {
            return Sources.open(specification(key), writeBlockDecided);
        } catch (SourceException.WriteBlockNeeded e) {
            throw Refusal.badInput("writeBlock", e.getMessage());
        }
    }

    long opened(String key) {
        return opened.getOrDefault(key, 0L);
    }

    /** Opened for its identity alone; nothing is read. */
    private Source openForIdentity(String key) throws IOException {
        return Sources.open(specification(key), true);
    }

    /** How the engine opens it. Only what is offered can be named. */
    private String specification(String key) throws IOException {
        if (key.startsWith(DISK)) {
            return disk(key).orElseThrow(() -> gone(key)).node();
        }
        if (key.startsWith(Boxes.PREFIX)) {
            NbdAddress address = boxes.address(key);
            if (address == null) {
                throw gone(key);
            }
            return address.toString();
        }
        Path file = file(key);
        if (!Files.isRegularFile(file)) {
            throw gone(key);
        }
        return (key.startsWith(SIMULATED) ? "sim:" : "") + file.toAbsolutePath();
    }

    /** Only what lies directly in the two folders can be named. */
    private Path file(String key) {
        Path folder = key.startsWith(SIMULATED) ? settings.demoDevices() : settings.inbox();
        String name = key.startsWith(SIMULATED)
                ? key.substring(SIMULATED.length()) + ".json"
                : key.startsWith(INBOX) ? key.substring(INBOX.length()) : "";
        if (name.isEmpty() || name.contains("/") || name.contains("\\") || name.startsWith(".")) {
            throw Refusal.badInput("medium", "There is no medium '" + key + "'; choose one of the list.");
        }
        return folder.resolve(name);
    }

    private static Refusal gone(String key) {
        return Refusal.missing("The medium '" + key + "' is no longer there; put it back, or choose another.");
    }

    private static Optional<AttachedDisk> disk(String key) throws IOException {
        return AttachedDisks.now().stream()
                .filter(d -> (DISK + d.name()).equals(key))
                .findFirst();
    }

    /**
     * Whether it can be seen to be back, so that nobody has to say so. Without a serial another of its model would look
     * the same.
     */
    boolean returnsByItself(String key, Identity is) throws IOException {
        return (key.startsWith(DISK) || key.startsWith(Boxes.PREFIX))
                        && !is.serial().isEmpty()
                || key.startsWith(SIMULATED) && SimulatedSource.backSeconds(file(key)) > 0;
    }

    /**
     * Whether a medium that vanished is there again by itself, as the device that it was.
     *
     * @param was its identity when it was attached
     */
    boolean isBack(String key, Identity was, Instant vanished, Instant now) throws IOException {
        if (key.startsWith(DISK)) {
            return disk(key)
                    .filter(d -> d.identity().equals(was) && d.isOffered())
                    .isPresent();
        }
        if (key.startsWith(Boxes.PREFIX)) {
            return boxes.drives().stream()
                    .anyMatch(d -> d.key().equals(key) && d.identity().equals(was));
        }
        if (key.startsWith(SIMULATED) && Files.isRegularFile(file(key))) {
            double seconds = SimulatedSource.backSeconds(file(key));
            return seconds > 0 && Duration.between(vanished, now).toMillis() >= seconds * 1000;
        }
        return false;
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
