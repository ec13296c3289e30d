package org.brantel.core.question;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.brantel.core.kinds.Kinds;
import org.jspecify.annotations.Nullable;

/** {@code pictures}, {@code films}, {@code pdfs}, {@code word documents}. */
final class KindPhrase implements Reading.Phrase {

    /** What people call kinds, in the singular; words that often stand in names are none. */
    private static final Map<String, String> CALLED = called(Map.of(
            "image", "picture photo photograph image pic",
            "document", "document",
            "sheet", "spreadsheet",
            "slides", "presentation slide",
            "audio", "audio sound recording song music",
            "video", "video film movie clip",
            "archive", "archive",
            "mail", "mail email e-mail",
            "database", "database"));

    private static final Map<String, Set<String>> MAKERS = Map.of(
            "word", Set.of("doc", "docx", "docm", "dot"),
            "excel", Set.of("xls", "xlsx", "xlsm"),
            "powerpoint", Set.of("ppt", "pptx", "pps", "ppsx"),
            "raw", Set.of("cr2", "cr3", "nef", "dng", "arw", "orf", "rw2", "raf", "pef"));

    private static final String OF_MAKERS = "documents?|files?|sheets?|spreadsheets?|presentations?|slides?|pictures?|"
            + "photos?|photographs?|images?";

    /** Codes that are words of a language, and more often meant as such; with a dot before them they are endings. */
    private static final Set<String> WORDS =
            Set.of("pages", "key", "numbers", "text", "log", "mid", "dot", "tar", "ico", "caf", "tex", "md", "db");

    private static Map<String, String> called(Map<String, String> byGroup) {
        Map<String, String> all = new HashMap<>();
        byGroup.forEach((group, words) -> Stream.of(words.split(" ")).forEach(w -> all.put(w, group)));
        return Map.copyOf(all);
    }

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        String word = q.word(i);
        Set<String> made = MAKERS.get(word);
        if (made != null && q.is(i + 1, OF_MAKERS)) {
            return read(made, 2, String.join(" ", q.words().subList(i, i + 2)));
        }
        for (String stem : new LinkedHashSet<>(List.of(word, word.replaceFirst("s$", "")))) {
            String group = CALLED.get(stem);
            if (group != null) {
                return read(Kinds.meantBy(group), 1, "any " + name(group));
            }
            if (stem.length() > 1
                    && !WORDS.contains(stem)
                    && Kinds.isKnownWord(stem)
                    && !Kinds.groups().contains(stem)) {
                return read(Set.of(Kinds.ofName("x." + stem)), 1, "of the kind " + Kinds.ofName("x." + stem));
            }
        }
        return null;
    }

    private static String name(String group) {
        return switch (group) {
            case "image" -> "picture";
            case "audio" -> "sound";
            case "video" -> "film";
            case "sheet" -> "spreadsheet";
            case "slides" -> "presentation";
            default -> group;
        };
    }

    private static Reading.Read read(Set<String> codes, int tokens, String says) {
        return new Reading.Read(Facet.KIND, new Condition.Kind(new TreeSet<>(codes)), tokens, says);
    }
}
