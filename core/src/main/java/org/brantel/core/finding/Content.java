package org.brantel.core.finding;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.jspecify.annotations.Nullable;

/**
 * What a finding holds and where.
 *
 * @param size     bytes of the content
 * @param kind     code of {@link org.brantel.core.kinds.Kinds}
 * @param extents  where the bytes are in the source, in file order; may hold less than {@code size}
 * @param encoding how the stored bytes become the content, or null where they are the content
 * @param sha256   hex; null unless asked for and fully read
 * @param about    what the content says of itself, by {@link org.brantel.core.kind.About}'s words
 */
public record Content(
        long size,
        String kind,
        List<Extent> extents,
        @Nullable Packing encoding,
        @Nullable String sha256,
        Map<String, String> about) {

    public Content {
        about = Collections.unmodifiableMap(new TreeMap<>(about));
        extents = List.copyOf(extents);
    }

    /** Content that stands as it is and was not looked into. */
    public static Content of(long size, String kind, List<Extent> extents) {
        return new Content(size, kind, extents, null, null, Map.of());
    }

    Content withSha256(@Nullable String hex) {
        return new Content(size, kind, extents, encoding, hex, about);
    }

    Content withAbout(Map<String, String> facts) {
        return new Content(size, kind, extents, encoding, sha256, facts);
    }
}
