package org.brantel.core.layout;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** The parts of a path, made such that a system can hold them. */
final class Parts {

    /** What every system takes as one part, with room for a number and a temporary name. */
    private static final int MOST_BYTES = 200;
    /** A folder that is shortened for the sake of the whole path keeps so many letters. */
    private static final int FOLDER = 24;

    private static final int NAME = 60;
    /** Folders of a path that is still too long: the first of them stay. */
    private static final int TOP = 2;

    private static final String DEEPER = "deeper";

    private Parts() {}

    /** One part. */
    static String part(String name, NameRules rules, Set<Change> changes) {
        String plain = Normalizer.normalize(name == null ? "" : name, Normalizer.Form.NFC);
        String safe = rules.without(plain);
        if (!safe.equals(plain)) {
            changes.add(Change.FORBIDDEN);
        }
        String ended = ended(safe.strip(), rules);
        if (ended.isEmpty() || ended.chars().allMatch(c -> c == '.')) {
            changes.add(Change.RESERVED);
            return "_";
        }
        if (!ended.equals(safe)) {
            changes.add(Change.FORBIDDEN);
        }
        if (rules.isReserved(ended)) {
            changes.add(Change.RESERVED);
            ended = "_" + ended;
        }
        String shorter = shortened(ended, MOST_BYTES, rules);
        if (!shorter.equals(ended)) {
            changes.add(Change.SHORTENED);
        }
        return shorter;
    }

    private static String ended(String name, NameRules rules) {
        String ended = name;
        while (!ended.isEmpty() && rules.endsBadly(ended)) {
            ended = ended.substring(0, ended.length() - 1);
        }
        return ended;
    }

    private static String shortened(String name, int most, NameRules rules) {
        if (bytes(name) <= most) {
            return name;
        }
        // What is left of a name that began with nothing but dots would be none.
        String ended = ended(cut(name, most), rules);
        return ended.isEmpty() ? "_" : ended;
    }

    private static String cut(String name, int most) {
        int dot = name.lastIndexOf('.');
        String extension = dot > 0 && name.length() - dot <= 12 ? name.substring(dot) : "";
        String base = name.substring(0, name.length() - extension.length());
        int room = most - bytes(extension);
        int end = 0;
        for (int used = 0; end < base.length(); ) {
            int sign = base.codePointAt(end);
            used += bytes(Character.toString(sign));
            if (used > room) {
                break;
            }
            end += Character.charCount(sign);
        }
        return base.substring(0, end).stripTrailing() + extension;
    }

    private static int bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8).length;
    }

    /** A path of parts that the system can hold as a whole: long folders become shorter first, the longest of them before others. */
    static String fitted(List<String> parts, NameRules rules, Set<Change> changes) {
        String path = String.join("/", parts);
        if (rules.excess(path) == 0) {
            return path;
        }
        changes.add(Change.SHORTENED);
        List<String> fit = new ArrayList<>(parts);
        boolean isShorter = true;
        while (isShorter && rules.excess(String.join("/", fit)) > 0) {
            isShorter = shortenLongest(fit, rules);
        }
        if (rules.excess(String.join("/", fit)) > 0) {
            List<String> few = new ArrayList<>(fit.subList(0, Math.min(TOP, fit.size() - 1)));
            few.add(DEEPER);
            few.add(fit.get(fit.size() - 1));
            fit = few;
        }
        return String.join("/", fit);
    }

    private static boolean shortenLongest(List<String> parts, NameRules rules) {
        int last = parts.size() - 1;
        int longest = -1;
        for (int i = 0; i <= last; i++) {
            int most = i == last ? NAME : FOLDER;
            if (bytes(parts.get(i)) > most && (longest < 0 || bytes(parts.get(i)) > bytes(parts.get(longest)))) {
                longest = i;
            }
        }
        if (longest < 0) {
            return false;
        }
        int least = longest == last ? NAME : FOLDER;
        int excess = rules.excess(String.join("/", parts));
        String part = parts.get(longest);
        parts.set(longest, shortened(part, Math.max(least, bytes(part) - Math.max(excess, 1)), rules));
        return true;
    }
}
