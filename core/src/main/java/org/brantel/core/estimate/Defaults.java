package org.brantel.core.estimate;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.json.Json;
import org.brantel.core.triage.RecoveryPath;

/**
 * What the lab assumes before it has measured anything.
 *
 * @param imaging   bytes a second by medium type
 * @param interfaces what carries no more than so many bytes a second; the first whose name fits counts
 * @param slowing   what makes reading slower: factors on the rate
 * @param structure bytes of image a second that a structure scan gets through
 * @param carve     bytes of image a second that carving gets through
 * @param effort    hours of a person's work by path
 */
record Defaults(
        Map<String, Band> imaging,
        List<Interface> interfaces,
        List<Slowing> slowing,
        Band structure,
        Band carve,
        Map<RecoveryPath, Band> effort) {

    /** @param named a regular expression of small letters */
    record Interface(String named, double most, String reason) {}

    record Slowing(List<String> when, Band factor, String reason) {}

    /** Of a medium that reads well. */
    Band usualImaging(String medium) {
        Band own = imaging.get(medium);
        return own != null ? own : Objects.requireNonNull(imaging.get("other"), "a band for other media");
    }

    static Defaults shipped() {
        try (InputStream in = Defaults.class.getResourceAsStream("defaults.json")) {
            return Json.read(
                    new String(in.readAllBytes(), StandardCharsets.UTF_8),
                    Defaults.class,
                    "defaults of the estimates",
                    "defaults.json");
        } catch (IOException e) {
            throw new IllegalStateException(
                    "the defaults of the estimates that ship with the product are malformed", e);
        }
    }
}
