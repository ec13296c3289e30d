package org.brantel.core.carve;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.carve.kind.About;

/**
 * Names for files that no record names, from what their content says. In brackets, so that none can be taken for an original name:
 * {@code [2026-05-04 09.12 Tern 20] .jpg} without the space.
 */
public final class SuggestedNames {

    private static final int LONGEST = 80;

    private SuggestedNames() { }

    /** @return null when the content says nothing to name it by */
    public static String of(String code, About about) {
        List<String> parts = new ArrayList<>();
        String taken = about.get(About.TAKEN);
        if (taken != null) {
            parts.add(taken.length() > 16 && taken.charAt(10) == 'T' ? taken.substring(0, 10) + " " + taken.substring(11, 16).replace(':', '.') : taken);
        }
        String said = Stream.of(about.get(About.AUTHOR), about.get(About.TITLE), about.get(About.SUBJECT), about.get(About.WORDS), about.get(About.DEVICE))
                .filter(s -> s != null && !s.isBlank()).limit(2).collect(Collectors.joining(" - "));
        if (!said.isEmpty()) {
            parts.add(said);
        }
        String name = String.join(" ", parts).replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}\\[\\]]+", " ").replaceAll("\\s+", " ").strip();
        return name.isEmpty() ? null : "[" + (name.length() > LONGEST ? name.substring(0, LONGEST).strip() : name) + "]." + code;
    }
}
