package org.brantel.core.finding;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;

/**
 * Instants as {@link Instant#toString()} writes them, three to a finding: the JDK's formatter was a fifth of the time
 * of a scan by records.
 */
final class UtcText {

    private UtcText() {}

    static String of(Instant time) {
        LocalDateTime at = LocalDateTime.ofEpochSecond(time.getEpochSecond(), time.getNano(), ZoneOffset.UTC);
        if (at.getYear() < 1000 || at.getYear() > 9999) {
            return time.toString();
        }
        StringBuilder text = new StringBuilder(30).append(at.getYear());
        two(text.append('-'), at.getMonthValue());
        two(text.append('-'), at.getDayOfMonth());
        two(text.append('T'), at.getHour());
        two(text.append(':'), at.getMinute());
        two(text.append(':'), at.getSecond());
        int nanos = at.getNano();
        if (nanos != 0) {
            // In groups of three digits, as many as are needed.
            int digits = nanos % 1_000_000 == 0 ? 3 : nanos % 1000 == 0 ? 6 : 9;
            String all = Integer.toString(1_000_000_000 + nanos);
            text.append('.').append(all, 1, 1 + digits);
        }
        return text.append('Z').toString();
    }

    private static void two(StringBuilder text, int value) {
        text.append((char) ('0' + value / 10)).append((char) ('0' + value % 10));
    }
}
