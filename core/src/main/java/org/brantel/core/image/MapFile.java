package org.brantel.core.image;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.json.Json;
import org.brantel.core.source.Identity;
import org.brantel.core.source.SourceException;

/**
 * A map as one JSON document, version 2 (version 1 is read as well), for taking it elsewhere and back: what the journal
 * sums up to, and no history.
 *
 * @param rounds how far the retries of failed sectors are
 * @param ranges ascending, without the unasked ones
 */
public record MapFile(
        String format, int version, long size, int sectorSize, Identity identity, Bookmark rounds, List<Entry> ranges) {

    public static final String FORMAT = "brantel-map-sum";
    private static final int VERSION = 2;
    private static final int OLDEST = 1;

    /** A stretch in one state. */
    public record Entry(long off, long len, String state) {}

    /** @param journal the map beside an image */
    public static MapFile of(Path journal) throws IOException {
        MapJournal.Loaded loaded = MapJournal.load(journal);
        MapJournal.Header h = loaded.header();
        return new MapFile(
                FORMAT,
                VERSION,
                h.size(),
                h.sectorSize(),
                h.identity(),
                loaded.rounds(),
                loaded.map().runs().stream()
                        .filter(r -> r.state() != BlockState.UNASKED)
                        .map(r -> new Entry(
                                r.range().offset(),
                                r.range().length(),
                                r.state().word()))
                        .toList());
    }

    /** @throws SourceException when it is none, or does not hold together */
    public static MapFile read(Path file) throws IOException {
        MapFile sum = Json.read(file, MapFile.class, "map");
        if (!FORMAT.equals(sum.format)
                || sum.version < OLDEST
                || sum.version > VERSION
                || sum.size <= 0
                || sum.ranges == null
                || sum.identity == null) {
            throw new SourceException(file + " is not a map sum of version " + VERSION + " (format '" + sum.format
                    + "', version " + sum.version + ", size " + sum.size + ").");
        }
        sum.map(file);
        return sum;
    }

    private ReadMap map(Path file) throws SourceException {
        ReadMap map = new ReadMap(size);
        int number = 1;
        for (Entry e : ranges) {
            try {
                map.set(new Range(e.off(), e.len()), BlockState.ofWord(e.state()));
            } catch (IllegalArgumentException bad) {
                throw new SourceException(
                        "Range " + number + " of the map " + file + " is malformed: " + bad.getMessage() + ".", bad);
            }
            number++;
        }
        return map;
    }

    /** Writes it as a new file; refuses to overwrite one. */
    public void write(Path file) throws IOException {
        Files.writeString(file, Json.writePretty(this), StandardOpenOption.CREATE_NEW);
    }

    /** Makes the journal that an image's session goes on from; refuses to overwrite one. */
    public void writeJournal(Path journal) throws IOException {
        try (MapJournal to = MapJournal.create(
                journal, new MapJournal.Header(MapJournal.FORMAT, MapJournal.VERSION, size, sectorSize, identity))) {
            to.compact(map(journal), rounds == null ? Bookmark.NONE : rounds);
        }
    }
}
