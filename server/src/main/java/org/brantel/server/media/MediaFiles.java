package org.brantel.server.media;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.platform.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Media that are files directly in one folder. */
final class MediaFiles {

    private static final Logger LOG = LoggerFactory.getLogger(MediaFiles.class);

    private final MediaOfKind media;
    private final Path folder;
    private final String ending;
    /** Why a file cannot be attached, by its name. */
    private final Map<String, String> unfit = new ConcurrentHashMap<>();

    /** @param ending of the files' names, which is no part of the media's */
    MediaFiles(MediaOfKind media, Path folder, String ending) {
        this.media = media;
        this.folder = folder;
        this.ending = ending;
    }

    List<Medium> now(Predicate<String> isMeant) throws IOException {
        List<Medium> found = new ArrayList<>();
        for (Path file : list()) {
            String name = file.getFileName().toString();
            if (name.endsWith(ending) && isMeant.test(name)) {
                add(found, name.substring(0, name.length() - ending.length()), name);
            }
        }
        return found;
    }

    private void add(List<Medium> found, String name, String file) {
        String key = media.kind().prefix() + name;
        try (Source source = Sources.open(media.specification(name), Media.FOR_IDENTITY)) {
            found.add(new Medium(key, media.kind(), name, file, source.identity(), false, ""));
            unfit.remove(name);
        } catch (Refusal e) {
            LOG.debug("{} was taken away while the folder was looked at", key, e);
        } catch (IOException e) {
            // They are looked at every other second; what is wrong with one is said once.
            if (!String.valueOf(e.getMessage()).equals(unfit.put(name, String.valueOf(e.getMessage())))) {
                LOG.warn("{} cannot be attached and is not offered: {}", key, e.getMessage());
            }
        }
    }

    /**
     * Only what lies directly in the folder can be named.
     *
     * @throws Refusal when there is no such file
     */
    Path existing(String name) {
        Path file = named(name);
        if (!Files.isRegularFile(file)) {
            throw media.gone(name);
        }
        return file.toAbsolutePath();
    }

    private Path named(String name) {
        if (name.isEmpty() || name.contains("/") || name.contains("\\") || name.startsWith(".")) {
            throw Media.none(media.kind().prefix() + name);
        }
        return folder.resolve(name + ending);
    }

    boolean isThere(String name) {
        return Files.isRegularFile(named(name));
    }

    private List<Path> list() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> list = Files.list(folder)) {
            return list.filter(Files::isRegularFile).sorted().toList();
        }
    }
}
