package org.brantel.core.spoken;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.wanted.WantedLine;
import org.jspecify.annotations.Nullable;

/**
 * Reads a wanted line out of the customer's words, as far as they say what can be checked:
 * {@code about forty voice memos from last June}. What they do not say stays open.
 */
public final class WantedWords {

    /** Words for kinds, in the singular. */
    private static final Map<String, String> KINDS = kindWords(Map.of(
            "image",
            "photo photograph picture pic snap snapshot selfie portrait image scan drawing painting sketch map "
                    + "chart diagram plans jpeg",
            "document",
            "note letter document doc text minutes manuscript thesis dissertation report contract wills invoice "
                    + "score script diary diaries journal paper recipe poem"
                    + " poetry story stories novel chapter essay article book booklet memoir speech sermon "
                    + "statement receipt certificate forms application cv protocol lecture homework "
                    + "newsletter leaflet"
                    + " permit bills agenda brochure docx",
            "sheet",
            "spreadsheet table reading ledger account accounts bookkeeping logbook measurement budget payroll "
                    + "timesheet inventory inventories register statistic excel",
            "slides",
            "slide presentation powerpoint",
            "audio",
            "recording memo song music interview concert sound audio tune voicemail podcast dictation rehearsal mp3",
            "video",
            "video film footage clip movie timelapse vid",
            "mail",
            "mail e-mail email mailbox inbox contact addressbook calendar",
            "database",
            "database",
            "archive",
            "archive"));

    private static Map<String, String> kindWords(Map<String, String> byKind) {
        Map<String, String> all = new HashMap<>();
        byKind.forEach((kind, words) -> Stream.of(words.split(" ")).forEach(w -> all.put(w, kind)));
        return Map.copyOf(all);
    }

    /** Every word that names a kind. */
    static Set<String> vocabulary() {
        return KINDS.keySet();
    }

    private static final Set<String> FILE_WORDS = Set.of("files", "file", "folders", "things", "pieces", "items");
    private static final Pattern NAMED = Pattern.compile(
            "(?:called|named)\\s+[\"“]?([\\p{L}\\p{N}*?_.-]+)", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    private static final Pattern FOLDER = Pattern.compile(
            "(?:(?:in|under|from|just|only|all "
                    + "of|whole)\\s+)(?:the\\s+|a\\s+)?(?:folder\\s+(?:called\\s+|named\\s+)?[\"“]?([\\p{L}\\p{N}_.-]+)"
                    + "|[\"“]([^\"”]{1,100})[\"”]\\s+folder|([\\p{Lu}][\\p{L}\\p{N}_.-]*)\\s+folder)",
            Pattern.UNICODE_CASE);
    private static final Pattern FILE = Pattern.compile(
            "(?<![\\p{L}\\p{N}._/-])([\\p{L}\\p{N}_-]{2,60}\\.(\\p{Alpha}[\\p{Alnum}]{1,4}))(?![\\p{L}\\p{N}@])");
    private static final Pattern QUOTED = Pattern.compile("[\"“]([^\"”]{1,100})[\"”]");
    private static final Pattern GLOB = Pattern.compile("(?<!\\S)([\\p{L}\\p{N}_./-]*[*][\\p{L}\\p{N}*?_./-]*)");

    private WantedWords() {}

    /** @return empty for an empty text */
    public static Optional<WantedLine> read(String text, LocalDate today) {
        String plain = text.strip();
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        List<Word> words = Word.of(plain);
        SpokenPeriod period = period(words, today);
        return Optional.of(new WantedLine(
                0,
                plain,
                kinds(words),
                pattern(plain),
                hopedFor(words),
                minBytes(words),
                period == null
                        ? WantedLine.Days.ANY
                        : new WantedLine.Days(period.from(), period.to(), !period.yearSaid()),
                !isOnlyNice(plain)));
    }

    private static List<String> kinds(List<Word> words) {
        Set<String> kinds = new LinkedHashSet<>();
        for (int i = 0; i < words.size(); i++) {
            String w = words.get(i).text();
            boolean voice = w.equals("voice") && i + 1 < words.size();
            boolean time = w.equals("minutes")
                    && i > 0
                    && SpokenNumber.at(words, i - 1).isPresent();
            boolean ofOther =
                    time || w.equals("sound") && i > 0 && words.get(i - 1).negates();
            String kind = kindOf(w);
            if (voice) {
                kinds.add("audio");
            } else if (kind != null
                    && !ofOther
                    && !(i > 0 && words.get(i - 1).text().equals("voice"))) {
                kinds.add(kind);
            }
        }
        return List.copyOf(kinds);
    }

    static @Nullable String kindOf(String word) {
        String bare = word.replaceFirst("^[*]?[.]", "");
        if (Kinds.isKnownWord(bare)
                && bare.length() > 1
                && (!bare.equals(word) || !bare.matches("md|log|mid|db|tar|text|key|numbers|pages|ico|dot|caf|tex"))) {
            return bare;
        }
        for (String stem : List.of(
                word, word.replaceFirst("s$", ""), word.replaceFirst("es$", ""), word.replaceFirst("ies$", "y"))) {
            if (KINDS.containsKey(stem)) {
                return KINDS.get(stem);
            }
        }
        return null;
    }

    /** Letters in the customer's own case; without a wild card the name may stand anywhere. */
    private static String pattern(String text) {
        Matcher glob = GLOB.matcher(text);
        if (glob.find()) {
            return glob.group(1);
        }
        Matcher folder = FOLDER.matcher(text);
        if (folder.find()) {
            return Stream.of(folder.group(1), folder.group(2), folder.group(3))
                            .filter(Objects::nonNull)
                            .findFirst()
                            .orElse("")
                    + "/*";
        }
        Matcher named = NAMED.matcher(text);
        if (named.find()) {
            return named.group(1).indexOf('*') >= 0 ? named.group(1) : "*" + named.group(1) + "*";
        }
        Matcher file = FILE.matcher(text);
        if (file.find() && Kinds.isKnownWord(file.group(2).toLowerCase(Locale.ROOT))) {
            return file.group(1);
        }
        Matcher quoted = QUOTED.matcher(text);
        return quoted.find() ? "*" + quoted.group(1).strip() + "*" : "";
    }

    /** A number that stands before what it counts; years, sizes and dates are none. */
    private static int hopedFor(List<Word> words) {
        for (int i = 0; i < words.size(); i++) {
            Optional<SpokenNumber> n = SpokenNumber.at(words, i);
            if (n.isEmpty()) {
                continue;
            }
            int next = i + n.get().words();
            String before = i > 0 ? words.get(i - 1).text() : "";
            String after = next < words.size() ? words.get(next).text() : "";
            boolean counts = words.get(i).year() == 0
                    && !Capacity.isUnit(after)
                    && !before.matches("since|from|in|to|until|before|after|last|track|chapter|page")
                    && !after.matches("years?|months?|weeks?|days?|hours?|minutes?|ago|st|nd|rd|th|seconds?")
                    && (countedWithin(words, next)
                            || (before.matches("maybe|about|around|roughly|perhaps|some|all|over|nearly|almost")
                                            || i == 0
                                            || words.get(i - 1).isBreak())
                                    && (next >= words.size()
                                            || words.get(next).isBreak()
                                            || after.equals("or")
                                            || after.matches("odd|altogether|in|pieces")));
            if (counts && n.get().value() >= 1 && n.get().value() <= 10_000_000) {
                return (int) Math.round(n.get().value());
            }
            i = next - 1;
        }
        return 0;
    }

    private static boolean countedWithin(List<Word> words, int from) {
        for (int i = from; i < Math.min(words.size(), from + 5) && !words.get(i).isBreak(); i++) {
            if (kindOf(words.get(i).text()) != null
                    || FILE_WORDS.contains(words.get(i).text())
                    || words.get(i).text().equals("voice")) {
                return true;
            }
        }
        return false;
    }

    /** {@code over 20 MB}. */
    private static long minBytes(List<Word> words) {
        for (int i = 0; i + 1 < words.size(); i++) {
            if (!words.get(i).text().matches("over|than|least|above")) {
                continue;
            }
            String glued = words.get(i + 1).text();
            if (glued.matches("\\d+([.]\\d+)?[a-z]+") && Capacity.isUnit(glued.replaceFirst("^[\\d.]+", ""))) {
                return Capacity.bytes(
                                new BigDecimal(glued.replaceFirst("[a-z]+$", "")), glued.replaceFirst("^[\\d.]+", ""))
                        .longValue();
            }
            Optional<SpokenNumber> n = SpokenNumber.at(words, i + 1);
            int unit = i + 1 + n.map(SpokenNumber::words).orElse(0);
            if (n.isPresent()
                    && unit < words.size()
                    && Capacity.isUnit(words.get(unit).text())
                    && n.get().value() < 1e6) {
                return Math.min(
                        Capacity.bytes(
                                        BigDecimal.valueOf(n.get().value()),
                                        words.get(unit).text())
                                .longValue(),
                        1L << 50);
            }
        }
        return 0;
    }

    /** From when to when; null when nothing is said. */
    private static @Nullable SpokenPeriod period(List<Word> words, LocalDate today) {
        for (int i = 0; i < words.size(); i++) {
            SpokenPeriod period = SpokenPeriod.find(words, i, today, true);
            if (period != null) {
                return period;
            }
        }
        return null;
    }

    private static boolean isOnlyNice(String text) {
        return text.toLowerCase(Locale.ROOT)
                .matches(".*\\b(if you can|if possible|nice to have|would be nice|not so important|less "
                        + "important|not as important|if there is time|bonus|if at all)\\b.*");
    }
}
