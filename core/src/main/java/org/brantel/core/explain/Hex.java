package org.brantel.core.explain;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.HexFormat;

/** Bytes and moments as text. */
final class Hex {

    private Hex() {}

    static String of(byte[] bytes) {
        return HexFormat.of().formatHex(bytes);
    }

    static String time(Instant instant) {
        try {
            return instant == null ? "none" : instant.toString();
        } catch (DateTimeException e) {
            return "none";
        }
    }
}
