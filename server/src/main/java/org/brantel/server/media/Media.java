package org.brantel.server.media;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/** Everything that can be attached, whatever its kind. */
@Component
public class Media {

    /** Nothing is read of what is opened with it. */
    static final WriteBlock FOR_IDENTITY = new WriteBlock("opened for its identity alone");

    private final Map<MediumKind, MediaOfKind> kinds = new EnumMap<>(MediumKind.class);
    /** How often each medium was opened to be read; the locks are held against it. */
    private final Map<String, Long> opened = new ConcurrentHashMap<>();

    Media(List<MediaOfKind> kinds) {
        kinds.forEach(k -> this.kinds.put(k.kind(), k));
    }

    /** A key taken apart. */
    private record Named(MediaOfKind kind, String name) {}

    private Named named(String key) {
        for (MediaOfKind kind : kinds.values()) {
            if (key.startsWith(kind.kind().prefix())) {
                return new Named(kind, key.substring(kind.kind().prefix().length()));
            }
        }
        throw none(key);
    }

    static Refusal none(String key) {
        return Refusal.badInput("medium", "There is no medium '" + key + "'; choose one of the list.");
    }

    /** By kind, and within one by name. */
    public List<Medium> all() throws IOException {
        List<Medium> media = new ArrayList<>();
        for (MediaOfKind kind : kinds.values()) {
            media.addAll(kind.now());
        }
        return media;
    }

    /**
     * What a medium says it is. Nothing is read for it.
     *
     * @throws Refusal when it must not be attached
     */
    public Identity identity(String key) throws IOException {
        Named named = named(key);
        named.kind().checkOffered(named.name());
        try (Source source = Sources.open(named.kind().specification(named.name()), FOR_IDENTITY)) {
            return source.identity();
        }
    }

    /**
     * Opens a medium to be attached.
     *
     * @param meant what it said a moment ago
     * @return how it is known again from now on
     * @throws Refusal when it is no longer that one, or may not be read without a decision
     */
    public Expected attach(String key, Identity meant, WriteBlock writeBlock) throws IOException {
        try (Source source = open(key, new Expected(meant, ""), writeBlock)) {
            return Expected.of(source);
        } catch (SourceException.WriteBlockNeeded e) {
            throw Refusal.badInput("writeBlock", Refusal.sentence(e));
        } catch (SourceException.Another e) {
            throw Refusal.conflict(Refusal.sentence(e));
        }
    }

    /**
     * Opens a medium that is attached.
     *
     * @throws SourceException.Another when another one stands in its place
     * @throws Refusal                 when there is no such medium
     */
    public Source open(String key, Expected expected, WriteBlock writeBlock) throws IOException {
        opened.merge(key, 1L, Long::sum);
        Named named = named(key);
        Source source = Sources.open(named.kind().specification(named.name()), writeBlock);
        try {
            expected.confirm(source);
            return source;
        } catch (IOException | RuntimeException e) {
            source.close();
            throw e;
        }
    }

    /** How often a medium was opened to be read. */
    public long opened(String key) {
        return opened.getOrDefault(key, 0L);
    }

    /** Whether it can be seen to be back, so that nobody has to say so. */
    public boolean returnsByItself(String key, Identity is) throws IOException {
        Named named = named(key);
        return named.kind().returnsByItself(named.name(), is);
    }

    /**
     * Whether a medium that vanished is there again by itself, as the device that it was.
     *
     * @param was its identity when it was attached
     */
    public boolean isBack(String key, Identity was, Instant vanished, Instant now) throws IOException {
        Named named = named(key);
        return named.kind().isBack(named.name(), was, vanished, now);
    }
}
