package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;

/**
 * One family of file systems: everything that the engine asks of it. What searches, sweeps or explains knows no family
 * by name; a new one is a package with one of these in it, and a line in {@code Families}.
 */
public interface Family {

    /** What its volumes call themselves ({@link VolumeFacts#fs}). */
    Set<String> names();

    /**
     * Opens the volume that begins at a place.
     *
     * @param room where it may lie: its partition, or the medium from there on
     * @throws ParseFailure   with field, place and value, when it is none of the family
     * @throws ByteView.Unread when its head was not read
     */
    FileSystem open(Source source, Range room) throws IOException;

    /** How far into a volume the head stands of which {@link #sign} tells, in bytes. */
    default Set<Integer> headsAt() {
        return Set.of(0);
    }

    /** Whether a sector with this first byte can be one that {@link #sign} knows; those that cannot are not shown to it. */
    default boolean couldBegin(int firstByte) {
        return true;
    }

    /**
     * What a sector begins like: one call for each sector of a sweep, so it must be over after a comparison or two for
     * almost all of them. None begins with zeros; those are not asked about.
     *
     * @param b  holds the sector from {@code i} on
     * @param at the sector's place on the medium
     */
    default void sign(byte[] b, int i, long at, Signs signs) {}

    /** The sign of copies of heads that tell of a volume by themselves; empty for a family without. */
    default Optional<Signs.Sign> copySign() {
        return Optional.empty();
    }

    /** Opens the volume of which a copy of the head stands at a place; empty when none does. */
    default Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        return Optional.empty();
    }

    /** A volume, or a part of one, that is told of by less than its head. */
    record Remains(FileSystem reader, String foundBy, boolean isOfTheVolume) {

        /** A volume of its own. */
        public static Remains volume(FileSystem reader, String foundBy) {
            return new Remains(reader, foundBy, false);
        }
    }

    /**
     * What was there before a format, in the free space of a volume of this family.
     *
     * @param volume as this family opened it
     * @param left   what the walk over it left
     * @param signs  that the sweep met within it
     */
    default List<Remains> earlier(Source source, FileSystem volume, Walked left, Signs signs) throws IOException {
        return List.of();
    }

    /**
     * Volumes of which neither the head nor a copy of it is left.
     *
     * @param gaps  what no volume holds
     * @param signs that the sweep met there
     */
    default List<Remains> headless(Source source, List<Range> gaps, Signs signs) throws IOException {
        return List.of();
    }

    /**
     * What the bytes of a file's record are, for people.
     *
     * @param fs one of {@link #names}
     */
    default RecordShape describe(String fs) {
        return RecordShape.UNKNOWN;
    }
}
