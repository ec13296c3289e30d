package org.brantel.server.catalogue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.json.Json;

/** Extents as the records keep them: a JSON list of pairs, offset and length in bytes. */
final class StoredExtents {

    private StoredExtents() {}

    static String write(List<Extent> extents) {
        return Json.write(
                extents.stream().map(e -> new long[] {e.offset(), e.length()}).toList());
    }

    /** @param what they belong to, for the message when they cannot be read */
    static List<Extent> read(String json, String what) {
        try {
            List<Extent> all = new ArrayList<>();
            for (long[] e : Json.read(json, long[][].class, "extents", what)) {
                all.add(new Extent(e[0], e[1]));
            }
            return all;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
