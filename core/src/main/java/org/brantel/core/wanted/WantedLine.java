package org.brantel.core.wanted;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.brantel.core.carve.Kinds;

/**
 * One line of a wanted list. A finding fits when it is of one of the kinds, matches the pattern, is large enough and of
 * the right time; an empty condition is not asked.
 *
 * @param words    the customer's own
 * @param kinds    kind codes or groups like {@code image}
 * @param pattern  of the name or the path, with {@code *} and {@code ?}; case does not matter
 * @param hopedFor how many; 0 when nobody can say
 * @param minBytes smallest size
 * @param from     first day, by when the file was last changed (UTC); null when open
 * @param to       last day; null when open
 * @param mustHave or nice to have
 */
public record WantedLine(long id, String words, List<String> kinds, String pattern, int hopedFor, long minBytes,
                         LocalDate from, LocalDate to, boolean mustHave) {

    public WantedLine {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        pattern = pattern == null ? "" : pattern.strip();
    }

    /**
     * @param path    null for a finding that no record names
     * @param changed null when no record says so; only a line that asks for a time minds
     */
    public boolean fits(String kind, String path, String name, long size, Instant changed) {
        if (!kinds.isEmpty() && kinds.stream().noneMatch(word -> Kinds.isMeantBy(kind, word))) {
            return false;
        }
        if (size < minBytes || !isOfTheTime(path, changed)) {
            return false;
        }
        if (pattern.isEmpty()) {
            return true;
        }
        // Carved content has lost its name; only its kind can speak for it.
        if (path == null) {
            return !kinds.isEmpty();
        }
        Pattern glob = glob(pattern);
        return glob.matcher(name.toLowerCase(Locale.ROOT)).matches()
                || glob.matcher(path.toLowerCase(Locale.ROOT)).matches();
    }

    /** Carved content has lost its time with its name; its kind speaks for it. */
    private boolean isOfTheTime(String path, Instant changed) {
        if (from == null && to == null) {
            return true;
        }
        if (changed == null) {
            return path == null && !kinds.isEmpty();
        }
        LocalDate day = changed.atZone(ZoneOffset.UTC).toLocalDate();
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    private static Pattern glob(String pattern) {
        StringBuilder regex = new StringBuilder();
        String text = pattern.toLowerCase(Locale.ROOT);
        if (text.indexOf('*') < 0 && text.indexOf('?') < 0) {
            text = "*" + text + "*";
        }
        if (text.indexOf('/') > 0 && !text.startsWith("*")) {
            text = "*" + text;
        }
        text.codePoints().forEach(c -> regex.append(c == '*' ? ".*" : c == '?' ? "." : Pattern.quote(Character.toString(c))));
        return Pattern.compile(regex.toString(), Pattern.DOTALL);
    }
}
