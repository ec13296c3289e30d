package org.brantel.core.filesystem;

import java.util.ArrayList;
import java.util.List;

/** The attribute bits that FAT and exFAT share, in words; label and folder are no attributes of a file. */
public final class DosAttributes {

    private static final String[] WORDS = {"read-only", "hidden", "system", null, null, "archive"};

    private DosAttributes() {}

    public static List<String> words(int attributes) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < WORDS.length; i++) {
            if ((attributes >> i & 1) != 0 && WORDS[i] != null) {
                words.add(WORDS[i]);
            }
        }
        return words;
    }
}
