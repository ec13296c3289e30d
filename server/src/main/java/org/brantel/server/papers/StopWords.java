package org.brantel.server.papers;

import java.util.Map;

/** Stop rules in a few words, as they fit on a label. */
final class StopWords {

    private static final Map<String, String> WORDS = Map.of(
            "no-power",
            "DO NOT POWER",
            "no-writes",
            "Write nothing to it",
            "no-format",
            "Do not format",
            "no-repair-tool",
            "No check-and-fix run",
            "no-opening",
            "Do not open or shake",
            "take-out",
            "Take the medium out",
            "keep-off",
            "Keep switched off",
            "keep-attached",
            "Do not unplug while read",
            "no-guess-key",
            "No passphrase tries");

    private StopWords() {}

    static String of(String code) {
        return WORDS.getOrDefault(code, code.replace('-', ' '));
    }
}
