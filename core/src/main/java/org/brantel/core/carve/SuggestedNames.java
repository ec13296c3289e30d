package org.brantel.core.carve;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.kind.About;
import org.jspecify.annotations.Nullable;

/**
 * Names for files that no record names, from what their content says, by a pattern with blanks like {@code {taken}
 * {said}}. What is not said is left out. Always in brackets, so that none can be taken for an original name:
 * {@code [2026-05-04 09.12 Tern 20] .jpg} without the space.
 */
public final class SuggestedNames {

    private static final List<String> SAID =
            List.of(About.AUTHOR, About.TITLE, About.SUBJECT, About.WORDS, About.DEVICE);
    private static final Set<String> BLANKS = new TreeSet<>(Set.of(
            "taken",
            "said",
            About.AUTHOR,
            About.TITLE,
            About.ALBUM,
            About.SUBJECT,
            About.FROM,
            About.WORDS,
            About.DEVICE,
            About.WIDTH,
            About.HEIGHT,
            About.SECONDS,
            About.PAGES));
    private static final Pattern NOT_IN_NAMES = Pattern.compile("[\\\\/:*?\"<>|\\p{Cntrl}\\[\\]]+");
    private static final Pattern SPACES = Pattern.compile("\\s+");
    private static final Pattern BLANK = Pattern.compile("\\{(\\w*)}");
    private static final int LONGEST = 80;
    private static final int LONGEST_PATTERN = 200;

    /** When it was taken, and the first two that it says of author, title, subject, first words and device. */
    public static final SuggestedNames USUAL = new SuggestedNames("{taken} {said}");

    private final String pattern;

    /** @throws IllegalArgumentException in one sentence, when a blank is none that can be filled, or none is there */
    public SuggestedNames(String pattern) {
        this.pattern = pattern;
        Matcher blank = BLANK.matcher(pattern);
        boolean any = false;
        while (blank.find()) {
            any = true;
            if (!BLANKS.contains(blank.group(1))) {
                throw new IllegalArgumentException("There is nothing to fill in for {" + blank.group(1)
                        + "}; known are {" + String.join("}, {", BLANKS) + "}.");
            }
        }
        if (!any || pattern.length() > LONGEST_PATTERN) {
            throw new IllegalArgumentException("A pattern for names has at least one blank, like {taken}, and up to "
                    + LONGEST_PATTERN + " characters.");
        }
    }

    /** @return null when the content says nothing to name it by */
    public @Nullable String of(String code, About about) {
        boolean[] any = {false};
        String filled = BLANK.matcher(pattern).replaceAll(blank -> {
            String said = said(blank.group(1), about);
            any[0] |= !said.isEmpty();
            return Matcher.quoteReplacement(said);
        });
        String name = SPACES.matcher(NOT_IN_NAMES.matcher(filled).replaceAll(" "))
                .replaceAll(" ")
                .strip();
        return !any[0] || name.isEmpty()
                ? null
                : "[" + (name.length() > LONGEST ? name.substring(0, LONGEST).strip() : name) + "]." + code;
    }

    private static String said(String blank, About about) {
        if (blank.equals("said")) {
            return SAID.stream()
                    .map(about::get)
                    .filter(s -> s != null && !s.isBlank())
                    .limit(2)
                    .collect(Collectors.joining(" - "));
        }
        String fact = Stream.ofNullable(about.get(blank)).findFirst().orElse("");
        boolean time = blank.equals(About.TAKEN) && fact.length() > 16 && fact.charAt(10) == 'T';
        return time ? fact.substring(0, 10) + " " + fact.substring(11, 16).replace(':', '.') : fact;
    }

    @Override
    public String toString() {
        return pattern;
    }
}
