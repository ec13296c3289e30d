package org.brantel.core.casefile;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The name of something that a lab has on record, which no other lab gives to anything. */
public final class Marks {

    private static final int OF_LAB = 16;
    private static final Pattern FORM = Pattern.compile("([0-9a-f]{" + OF_LAB + "})-([1-9][0-9]{0,17})");

    private Marks() {}

    /**
     * @param fingerprint of the lab's key, hex
     * @param key         of the row, from 1
     */
    public static String of(String fingerprint, long key) {
        return fingerprint.substring(0, OF_LAB) + "-" + key;
    }

    static boolean isOne(String text) {
        return FORM.matcher(text).matches();
    }

    /** The row that a lab gave a mark to; empty for another lab's. */
    public static Optional<Long> own(String mark, String fingerprint) {
        Matcher m = FORM.matcher(mark);
        return m.matches() && fingerprint.startsWith(m.group(1))
                ? Optional.of(Long.parseLong(m.group(2)))
                : Optional.empty();
    }
}
