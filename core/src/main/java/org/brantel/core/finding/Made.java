package org.brantel.core.finding;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Map;
import org.brantel.core.kind.About;
import org.jspecify.annotations.Nullable;

/**
 * When a picture or a film was made: as its content says, by the clock of what made it; else as its record says when it
 * was last changed, in UTC.
 */
public final class Made {

    /** Before digital pictures, a date is a clock that was never set. */
    private static final int EARLIEST = 1981;

    private static final int LATEST = 2099;
    private static final int TO_SECONDS = "2026-05-04T09:12:30".length();

    private Made() {}

    /** @return null where nothing says so that could be believed */
    public static @Nullable LocalDateTime of(Map<String, String> about, @Nullable Instant modified) {
        LocalDateTime said = said(about.getOrDefault(About.TAKEN, ""));
        return said == null && modified != null ? recorded(modified) : said;
    }

    private static @Nullable LocalDateTime recorded(Instant modified) {
        try {
            return believed(LocalDateTime.ofInstant(modified, ZoneOffset.UTC));
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static @Nullable LocalDateTime said(String taken) {
        if (taken.length() < TO_SECONDS) {
            return null;
        }
        try {
            return believed(LocalDateTime.parse(taken.substring(0, TO_SECONDS)));
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static @Nullable LocalDateTime believed(LocalDateTime time) {
        return time.getYear() < EARLIEST || time.getYear() > LATEST ? null : time;
    }
}
