package org.brantel.core.volume;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.VolumeFacts;
import org.jspecify.annotations.Nullable;

/**
 * A file system found on a medium.
 *
 * @param fs       {@code fat12}, {@code fat16}, {@code fat32}, {@code exfat}, {@code ntfs}, {@code ext2}, …
 * @param foundBy  how it was found, in words
 * @param unread   the engine names it, but does not read its files yet
 * @param remarks  what else its head says, in words
 */
public record Volume(
        int index,
        String fs,
        @JsonUnwrapped Named named,
        @JsonUnwrapped Place place,
        State state,
        String foundBy,
        boolean unread,
        List<String> remarks) {

    /**
     * @param serial in the family's own writing; empty without one
     * @param made   when it was made, ISO 8601; null where that is not kept
     */
    public record Named(
            String label, String serial, @Nullable String made) {
        public Named {
            // Reports of older versions say nothing of it.
            serial = serial == null ? "" : serial;
        }
    }

    public record Place(long startByte, long lengthBytes, long clusterBytes) {}

    /** What it is to the medium today. */
    public enum State {
        /** The medium's tables lead to it. */
        LIVE,
        /** Nothing leads to it any more; its own structures stand. */
        LOST,
        /** Another volume was made over it. */
        EARLIER;

        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Volume {
        // Reports of older versions say nothing of them.
        remarks = remarks == null ? List.of() : List.copyOf(remarks);
    }

    static Volume of(int index, VolumeFacts facts, State state, String foundBy) {
        return new Volume(
                index,
                facts.fs(),
                new Named(
                        facts.label(),
                        facts.serial(),
                        facts.made() == null ? null : facts.made().toString()),
                new Place(facts.place().offset(), facts.place().length(), facts.clusterBytes()),
                state,
                foundBy,
                !facts.read(),
                facts.remarks().stream().map(Remark::words).toList());
    }

    public String label() {
        return named.label();
    }

    public long startByte() {
        return place.startByte();
    }

    public long lengthBytes() {
        return place.lengthBytes();
    }

    public long clusterBytes() {
        return place.clusterBytes();
    }

    /** Whether the engine reads its files. */
    public boolean readable() {
        return !unread;
    }

    public Range range() {
        return new Range(startByte(), lengthBytes());
    }
}
