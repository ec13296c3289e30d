package org.brantel.core.inside;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.regex.Pattern;

/** Texts of strangers as they can be shown. */
public final class Letters {

    private static final Pattern NOT_SHOWN = Pattern.compile("[\\p{Cntrl}\\p{Cf}\\p{Cn}\\p{Co}\\p{Cs}]+");
    private static final int LONGEST = 200;

    private Letters() {}

    /** Without signs that turn or hide others, of a length that can be shown. */
    public static String shown(String text) {
        return shown(text, LONGEST);
    }

    static String shown(String text, int longest) {
        String plain = NOT_SHOWN.matcher(text).replaceAll(" ").strip();
        return plain.length() > longest ? plain.substring(0, longest) + "…" : plain;
    }

    /** In UTC. */
    static String time(Instant at) {
        return time(at.atOffset(ZoneOffset.UTC).toLocalDateTime());
    }

    /** Without a fraction of a second. */
    static String time(LocalDateTime at) {
        return at.truncatedTo(ChronoUnit.SECONDS).toString().replace('T', ' ');
    }

    static String count(long n) {
        return String.format(Locale.ROOT, "%,d", n);
    }
}
