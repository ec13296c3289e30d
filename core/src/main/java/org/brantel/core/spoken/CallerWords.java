package org.brantel.core.spoken;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Who calls, as it is typed beside everything else: {@code caller Mira Holm 0148 33 21}. */
final class CallerWords {

    private static final Pattern EMAIL =
            Pattern.compile("[\\p{L}\\p{N}._%+-]{1,64}@[\\p{L}\\p{N}-]{1,63}(?:\\.[\\p{L}\\p{N}-]{1,63}){1,4}");
    private static final String NUMBER = "(\\+?\\(?\\d[\\d ()/.-]{4,22}\\d)";
    private static final Pattern NAMED_NUMBER = Pattern.compile(
            "(?i)(?<![\\p{L}\\d])(?:phone|telephone|tel|mobile|cell|number|ring|call(?: her| him| them| "
                    + "back)?|reach\\w*|landline|handy)"
                    + "(?:\\s*(?:no|number|nr|on|at|is|under|\\.|:))*\\s*" + NUMBER + "(?![\\p{L}\\d])");
    private static final Pattern BARE_NUMBER =
            Pattern.compile("(?<![\\p{L}\\d.,/-])((?:\\+|0)\\(?\\d[\\d ()/-]{5,22}\\d)(?![\\p{L}\\d])");
    private static final String NAME =
            "(\\p{Lu}[\\p{Ll}\\p{M}'’-]+(?:-?\\p{Lu}[\\p{Ll}'’]+)*\\.?(?:\\s+(?:(?:van|von|der|de|di|du|la|le|"
                    + "mac|mc|o)\\s+)*\\p{Lu}[\\p{L}\\p{M}'’-]+){0,3})";
    private static final String TITLE = "(?i:mrs?|ms|miss|dr|prof|professor|captain|rev|reverend)\\.?\\s+";
    private static final String CALLS =
            "(?i:caller(?: is|:| named| called)?|customer(?: is|:)?|(?:his|her|the|my) name(?: is|:)|name(?: "
                    + "is|s|:)|name|this is|speaking (?:to|with)|spoke (?:to|with)|call from"
                    + "|called by|contact(?: is|:| person)?|ask for|on the (?:line|phone)(?: is|:)?|it'?s|here is)\\s+";
    private static final Pattern TITLED = Pattern.compile("(?<!\\p{L})" + TITLE + NAME);
    private static final Pattern INTRODUCED = Pattern.compile("(?<!\\p{L})" + CALLS + "(?:" + TITLE + ")?" + NAME);
    private static final Pattern FOLLOWED = Pattern.compile("(?<!\\p{L})" + NAME.replace("{0,3})", "{1,3})")
            + ",?\\s+(?i:here|calling|calls|rang|rings|phoned|phones|is calling|on the line|on the "
            + "phone|called|speaking)(?!\\p{L})");
    /** In small letters only where nothing else can be meant. */
    private static final Pattern SMALL = Pattern.compile("(?i)(?<!\\p{L})(?:caller(?: is|:)?|(?:his|her|the|my) name "
            + "is)\\s+((?:mrs?|ms|dr)\\.?\\s+)?(\\p{L}[\\p{L}'’-]+(?:\\s+(?!(?:of|from|at|says|said|has|"
            + "had|is|was|phone|mobile|tel|on|who|with|wants|needs|the|a|and|email|"
            + "e-mail)\\b)\\p{L}[\\p{L}'’-]+){1,2})");
    /** A telephone that somebody is called on is no device. */
    private static final Pattern CONTACT = Pattern.compile("(?i)(?<!\\p{L})(?:(?:by|via|over the|on the|per) "
            + "(?:phone|telephone)|(?:phone|mobile|tel|telephone)(?: number)? (?:as|is) (?:on "
            + "file|before|known|the same|usual|always)"
            + "|(?:phone|mobile|cell)? ?numbers?|phone (?:as )?on file|same "
            + "(?:phone|number)|(?:phone|ring|call) (?:her|him|them|back|after|before|in "
            + "the)|letters? (?:go|goes|to be sent) to|send (?:the )?(?:letters?|post|mail) to"
            + "|(?:phoned|phones|phoning)|e-?mail (?:is|to|address)|mail to)(?!\\p{L})");

    private static final int LEAST_DIGITS = 6;

    private CallerWords() {}

    /** @return what is known of the caller, and every stretch of the line that says so */
    static Heard.Caller read(String line) {
        List<int[]> places = new ArrayList<>();
        String email = find(EMAIL, 0, line, places);
        String phone = phone(line, places);
        String name = name(line, places);
        Matcher contact = CONTACT.matcher(line);
        while (contact.find()) {
            places.add(new int[] {contact.start(), contact.end()});
        }
        return new Heard.Caller(
                name,
                phone,
                email,
                places.stream().map(p -> new Heard.Place(p[0], p[1])).toList());
    }

    private static String find(Pattern form, int group, String line, List<int[]> places) {
        Matcher m = form.matcher(line);
        if (!m.find()) {
            return "";
        }
        places.add(new int[] {m.start(), m.end()});
        return m.group(group);
    }

    private static String phone(String line, List<int[]> places) {
        for (Pattern form : List.of(NAMED_NUMBER, BARE_NUMBER)) {
            Matcher m = form.matcher(line);
            while (m.find()) {
                long digits = m.group(1).chars().filter(Character::isDigit).count();
                if (digits >= LEAST_DIGITS
                        && digits <= 15
                        && !m.group(1).matches("\\d{4}-\\d{2}-\\d{2}.*|(?:19|20)\\d\\d ?[-/] ?(?:19|20)\\d\\d")) {
                    places.add(new int[] {m.start(), m.end()});
                    return m.group(1).strip();
                }
            }
        }
        return "";
    }

    private static String name(String line, List<int[]> places) {
        for (Pattern form : List.of(TITLED, INTRODUCED, FOLLOWED)) {
            Matcher m = form.matcher(line);
            if (m.find()) {
                places.add(new int[] {m.start(), m.end()});
                return m.group(1).strip();
            }
        }
        Matcher m = SMALL.matcher(line);
        if (m.find()) {
            places.add(new int[] {m.start(), m.end()});
            return Stream.of(m.group(2).split("\\s+"))
                    .map(w -> w.substring(0, 1).toUpperCase(Locale.ROOT) + w.substring(1))
                    .collect(Collectors.joining(" "));
        }
        return "";
    }
}
