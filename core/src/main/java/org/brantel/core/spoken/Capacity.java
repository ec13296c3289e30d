package org.brantel.core.spoken;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Capacities as people write them. Units without an i are decimal, as makers print them. */
public final class Capacity {

    /** The text is not a capacity; the message says what is wrong and what to do. */
    public static final class NotACapacity extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        NotACapacity(String message) {
            super(message);
        }
    }

    private static final Pattern FORM = Pattern.compile(
            "([0-9]{1,20}(?:[.,][0-9]{1,20})?)\\s*(bytes?|[kmgtp]?i?b?|"
                    + "(?:kilo|mega|giga|tera|peta)bytes?|(?:kibi|mebi|gibi|tebi|pebi)bytes?|megs?|gigs?|teras?)",
            Pattern.CASE_INSENSITIVE);
    private static final Map<Character, Integer> POWER = Map.of('k', 1, 'm', 2, 'g', 3, 't', 4, 'p', 5);
    /** Words that a capacity takes at most. */
    private static final int LONGEST = 16;

    private static final BigDecimal LARGEST = new BigDecimal("1e15");

    private Capacity() {}

    /**
     * @return bytes; 0 for an empty text
     * @throws NotACapacity for what is no capacity, none at all, or more than a petabyte
     */
    public static long parse(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        if (plain.isEmpty()) {
            return 0;
        }
        Matcher m = FORM.matcher(plain);
        if (!m.matches()) {
            Said said = said(Word.of(plain), 0);
            if (said != null && said.words() == Word.of(plain).size()) {
                return checked(said.bytes(), text);
            }
            throw new NotACapacity("'" + text.strip() + "' is not a capacity; write it like 2 TB, 500 GB or 14.9 GiB.");
        }
        return checked(bytes(new BigDecimal(m.group(1).replace(',', '.')), m.group(2)), text);
    }

    private static long checked(BigDecimal bytes, String text) {
        if (bytes.signum() == 0) {
            throw new NotACapacity("A capacity of 0 is not possible; leave it empty when it is not known.");
        }
        if (bytes.compareTo(LARGEST) > 0) {
            throw new NotACapacity("'" + text.strip() + "' is more than any device holds (1 PB); check the unit.");
        }
        return bytes.setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    /** @param words how many words it takes */
    public record Said(BigDecimal bytes, int words) {}

    /**
     * A capacity that begins at a word, as people say it: {@code half a megabyte}, {@code 2 mb}, {@code 300kib}; empty
     * for none.
     *
     * @param words in lower case, without apostrophes and punctuation
     */
    public static Optional<Said> at(List<String> words, int at) {
        List<Word> near = words.subList(Math.min(at, words.size()), Math.min(words.size(), at + LONGEST)).stream()
                .map(w -> new Word(w, 0, 0, false))
                .toList();
        return near.isEmpty() ? Optional.empty() : Optional.ofNullable(said(near, 0));
    }

    /**
     * A capacity that begins at a word, as people say it: {@code five hundred gig}, {@code half a terabyte},
     * {@code 2TB}; null for none.
     */
    static @Nullable Said said(List<Word> words, int at) {
        String glued = words.get(at).text();
        if (glued.matches("\\d{1,12}([.]\\d{1,6})?[a-z]+") && isUnit(glued.replaceFirst("^[\\d.]+", ""))) {
            return new Said(
                    bytes(new BigDecimal(glued.replaceFirst("[a-z]+$", "")), glued.replaceFirst("^[\\d.]+", "")), 1);
        }
        SpokenNumber n = SpokenNumber.at(words, at).orElse(glued.matches("an?") ? new SpokenNumber(1, 1) : null);
        int unit = at + (n == null ? 0 : n.words());
        if (n == null || unit >= words.size() || !isUnit(words.get(unit).text())) {
            return null;
        }
        BigDecimal value = BigDecimal.valueOf(n.value());
        // A terabyte and a half.
        int used = n.words() + 1;
        if (unit + 3 < words.size()
                && words.get(unit + 1).text().equals("and")
                && words.get(unit + 2).text().equals("a")
                && words.get(unit + 3).text().equals("half")) {
            value = value.add(new BigDecimal("0.5"));
            used += 3;
        }
        return new Said(bytes(value, words.get(unit).text()), used);
    }

    /** @param unit of the form's; empty or {@code bytes} for bytes */
    static BigDecimal bytes(BigDecimal number, String unit) {
        boolean binary = unit.matches("[kmgtp]ib?|.*bibytes?");
        int power = unit.isEmpty() || unit.startsWith("b") ? 0 : POWER.getOrDefault(unit.charAt(0), 0);
        return number.multiply(BigDecimal.valueOf(binary ? 1024 : 1000).pow(power));
    }

    /** Whether a word is a unit of more than bytes. */
    static boolean isUnit(String word) {
        return word.matches(
                "[kmgtp]i?bs?|(kilo|mega|giga|tera|peta|kibi|mebi|gibi|tebi|pebi)bytes?|megs?|gigs?|teras?");
    }
}
