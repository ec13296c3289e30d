package org.brantel.core.layout;

import com.fasterxml.jackson.annotation.JsonValue;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * What the system that opens a delivery cannot hold in a name. None takes {@code %} or line ends, which bag manifests would have to
 * encode (RFC 8493, 2.1.3), nor signs that are not seen.
 */
public enum NameRules {
    /** Where the system is not known: only what every one of them can hold. */
    EVERY(Signs.WINDOWS, true, true, Longest.WINDOWS),
    WINDOWS(Signs.WINDOWS, true, true, Longest.WINDOWS),
    MAC("[:" + Signs.NOWHERE + "]", true, false, Longest.MAC),
    LINUX("[" + Signs.NOWHERE + "]", false, false, Longest.LINUX);

    /** That cannot be in a name. */
    private static final class Signs {
        private static final String NOWHERE = "/%\\p{Cntrl}\\p{Cf}\\p{Cs}\\ufffd\\uffff";
        private static final String WINDOWS = "[<>:\"|?*\\\\" + NOWHERE + "]";
    }

    /** Of a path below the folder that it is unpacked in; that one may be some eighty letters long. */
    private static final class Longest {
        /** Of 260 UTF-16 units. */
        private static final int WINDOWS = 180;
        /** Of 1,024 bytes. */
        private static final int MAC = 900;
        /** Of 4,096 bytes. */
        private static final int LINUX = 3000;
    }

    private static final Pattern RESERVED = Pattern.compile("(?i)(con|prn|aux|nul|com[0-9]|lpt[0-9])(\\..*)?");

    private final Pattern forbidden;
    private final boolean ignoresCase;
    /** Names of devices, and names that end with a dot or a blank. */
    private final boolean reserves;

    private final int longest;

    NameRules(String forbidden, boolean ignoresCase, boolean reserves, int longest) {
        this.forbidden = Pattern.compile(forbidden);
        this.ignoresCase = ignoresCase;
        this.reserves = reserves;
        this.longest = longest;
    }

    /** As the API, records and commands write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static NameRules ofWord(String word) {
        return Arrays.stream(values())
                .filter(v -> v.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "There is no system '" + word + "'; take every, windows, mac or linux."));
    }

    String without(String name) {
        return forbidden.matcher(name).replaceAll("_");
    }

    boolean isReserved(String name) {
        return reserves && RESERVED.matcher(name).matches();
    }

    boolean endsBadly(String name) {
        return name.endsWith(" ") || reserves && name.endsWith(".");
    }

    /** What two names of one folder must not share. */
    String key(String path) {
        return ignoresCase ? path.toLowerCase(Locale.ROOT) : path;
    }

    /** By how much a path is too long; in what its system counts. */
    int excess(String path) {
        int length = longest == Longest.WINDOWS ? path.length() : path.getBytes(StandardCharsets.UTF_8).length;
        return Math.max(0, length - longest);
    }
}
