package org.brantel.core.question;

import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What has a number in the case: {@code session 3}, {@code volume 2}, {@code wanted 1}, {@code slot 3}. */
final class NumberedPhrase implements Reading.Phrase {

    private static final String NUMBER = "#?\\d{1,15}";

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        Reading.Read found = like(q, i);
        found = found != null ? found : wanted(q, i);
        found = found != null ? found : session(q, i);
        found = found != null ? found : device(q, i);
        return found != null ? found : volume(q, i);
    }

    private static long number(String word) {
        return Long.parseLong(word.replace("#", ""));
    }

    private static Reading.@Nullable Read like(Reading q, int i) {
        if (!q.is(i, "like|resembling")) {
            return null;
        }
        if (q.is(i + 1, NUMBER)) {
            long line = number(q.word(i + 1));
            return q.known().isLine().test(line)
                    ? new Reading.Read(Facet.LIKE, new Condition.Like(line), 2, "like finding " + line)
                    : Reading.Read.wrong(Facet.LIKE, 2, "There is no finding " + line + " in this catalogue.");
        }
        if (q.is(i + 1, "this|that")) {
            return Reading.Read.wrong(
                    Facet.LIKE,
                    q.is(i + 2, "one|file|picture") ? 3 : 2,
                    "Which one? Go to a finding and press L there, or write its number, like #12.");
        }
        return null;
    }

    /** {@code wanted}, {@code fits wanted 2}, {@code for wanted line 2}. */
    private static Reading.@Nullable Read wanted(Reading q, int i) {
        int led = q.is(i, "fits|fit|fitting|for|answers?") ? 1 : 0;
        int at = i + led;
        at += q.is(at, "the") ? 1 : 0;
        if (!q.is(at, "wanted")) {
            return null;
        }
        boolean sure = q.is(i, "fits|fit|fitting") && !q.is(i - 1, "may");
        at++;
        at += q.is(at, "lines?") ? 1 : 0;
        List<Long> lines = q.known().wanted();
        String fits = sure ? "fits " : "fits or may fit ";
        if (!q.is(at, NUMBER)) {
            return lines.isEmpty()
                    ? Reading.Read.wrong(Facet.WANTED, at - i, "This case has no wanted lines.")
                    : new Reading.Read(Facet.WANTED, new Condition.Wanted(lines, sure), at - i, fits + "a wanted line");
        }
        long n = number(q.word(at));
        if (n < 1 || n > lines.size()) {
            return Reading.Read.wrong(
                    Facet.WANTED,
                    at + 1 - i,
                    lines.isEmpty()
                            ? "This case has no wanted lines."
                            : "There is no wanted line " + n + "; this case has " + lines.size() + ".");
        }
        return new Reading.Read(
                Facet.WANTED,
                new Condition.Wanted(List.of(lines.get((int) n - 1)), sure),
                at + 1 - i,
                fits + "wanted line " + n);
    }

    /** {@code found by session 3}. */
    private static Reading.@Nullable Read session(Reading q, int i) {
        int at = i + (q.is(i, "found|seen") ? 1 : 0);
        at += q.is(at, "by|in|from") ? 1 : 0;
        at += q.is(at, "scan") ? 1 : 0;
        if (!q.is(at, "session") || !q.is(at + 1, NUMBER)) {
            return null;
        }
        long n = number(q.word(at + 1));
        int used = at + 2 - i;
        if (!q.known().sessions().contains(n)) {
            String known =
                    q.known().sessions().stream().sorted().map(String::valueOf).collect(Collectors.joining(", "));
            return Reading.Read.wrong(
                    Facet.SESSION,
                    used,
                    known.isEmpty()
                            ? "No scan session of this case has brought anything in yet."
                            : "Session " + n + " is none of this case; it has " + known + ".");
        }
        return new Reading.Read(Facet.SESSION, new Condition.InSession(n), used, "found by session " + n);
    }

    /** {@code on device 2}, {@code from slot 3}: the medium that was brought, not what a picture was taken with. */
    private static Reading.@Nullable Read device(Reading q, int i) {
        int at = i + (q.is(i, "on|in|from|of") ? 1 : 0);
        at += q.is(at, "the") ? 1 : 0;
        if (!q.is(at, "device|slot") || !q.is(at + 1, "#?\\d{1,3}")) {
            return null;
        }
        String which = q.word(at).toLowerCase(Locale.ROOT) + " " + number(q.word(at + 1));
        int used = at + 2 - i;
        Long device = q.known().devices().get(which);
        return device == null
                ? Reading.Read.wrong(
                        Facet.MEDIUM,
                        used,
                        "There is no " + which + " in this case; it has "
                                + String.join(
                                        ", ", new TreeSet<>(q.known().devices().keySet())) + ".")
                : new Reading.Read(Facet.MEDIUM, new Condition.OnDevice(device), used, "on " + which);
    }

    /** {@code in volume 1 of session 3}. */
    private static Reading.@Nullable Read volume(Reading q, int i) {
        int at = i + (q.is(i, "in|on|from") ? 1 : 0);
        at += q.is(at, "the") ? 1 : 0;
        if (!q.is(at, "volume") || !q.is(at + 1, "#?\\d{1,6}")) {
            return null;
        }
        int n = (int) number(q.word(at + 1));
        at += 2;
        int of = at + (q.is(at, "of|in|by") ? 1 : 0);
        boolean told = q.is(of, "session") && q.is(of + 1, NUMBER);
        Long session = told ? number(q.word(of + 1)) : null;
        return new Reading.Read(
                Facet.VOLUME,
                new Condition.InVolume(n, session),
                (told ? of + 2 : at) - i,
                "in volume " + n + (told ? " of session " + session : ""));
    }
}
