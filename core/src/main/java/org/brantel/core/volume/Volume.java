package org.brantel.core.volume;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.VolumeFacts;
import org.jspecify.annotations.Nullable;

/**
 * A file system found on a medium.
 *
 * @param fs       {@code fat12}, {@code fat16}, {@code fat32}, {@code exfat}, {@code ntfs}, {@code ext2}, …
 * @param foundBy  how it was found, in words
 * @param serial   in the family's own writing; empty without one
 * @param made     when it was made, ISO 8601; null where that is not kept
 * @param unread   the engine names it, but does not read its files yet
 * @param remarks  what else its head says, in words
 */
public record Volume(
        int index,
        String fs,
        String label,
        long startByte,
        long lengthBytes,
        long clusterBytes,
        State state,
        String foundBy,
        String serial,
        @Nullable String made,
        boolean unread,
        List<String> remarks) {

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
        // Reports of older versions say nothing of these.
        remarks = remarks == null ? List.of() : List.copyOf(remarks);
        serial = serial == null ? "" : serial;
    }

    static Volume of(int index, VolumeFacts facts, State state, String foundBy) {
        return new Volume(
                index,
                facts.fs(),
                facts.label(),
                facts.place().offset(),
                facts.place().length(),
                facts.clusterBytes(),
                state,
                foundBy,
                facts.serial(),
                facts.made() == null ? null : facts.made().toString(),
                !facts.read(),
                facts.remarks());
    }

    /** Whether the engine reads its files. */
    public boolean readable() {
        return !unread;
    }

    public Range range() {
        return new Range(startByte, lengthBytes);
    }
}
