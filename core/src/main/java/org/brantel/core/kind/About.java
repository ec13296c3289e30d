package org.brantel.core.kind;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What content says about itself. Only for showing, searching and suggesting names; nothing is decided by it. */
public final class About {

    private static final Pattern NOT_SHOWN = Pattern.compile("[\\p{Cntrl}\\p{Cn}\\p{Co}\\p{Cs}\\uFFFD]+");
    public static final About NONE = new About(Map.of());
    /** Points. */
    public static final String WIDTH = "width";

    public static final String HEIGHT = "height";
    /** As in TIFF: 1 upright, 3 upside down, 6 and 8 on a side. */
    public static final String ORIENTATION = "orientation";
    /** When it was taken or written, as it says, without a zone: {@code 2026-05-04T09:12:30}. */
    public static final String TAKEN = "taken";

    public static final String DEVICE = "device";
    public static final String TITLE = "title";
    public static final String AUTHOR = "author";
    public static final String ALBUM = "album";
    /** Seconds, with a point. */
    public static final String SECONDS = "seconds";

    public static final String TRACKS = "tracks";
    public static final String PAGES = "pages";
    public static final String SUBJECT = "subject";
    public static final String FROM = "from";
    public static final String WORDS = "words";
    /** A smaller picture inside: its offset and length in bytes. */
    public static final String THUMBNAIL = "thumbnail";

    private static final int LONGEST = 200;

    private final Map<String, String> facts;

    private About(Map<String, String> facts) {
        this.facts = facts;
    }

    /** With one more fact; as it is when there is nothing to say. */
    public About with(String what, @Nullable Object value) {
        String clean = value == null ? "" : clean(value.toString());
        if (clean.isEmpty()) {
            return this;
        }
        Map<String, String> more = new TreeMap<>(facts);
        more.put(what, clean);
        return new About(more);
    }

    /** With what another says and this does not. */
    public About and(About other) {
        Map<String, String> both = new TreeMap<>(other.facts);
        both.putAll(facts);
        return new About(both);
    }

    /** One line without control characters, of a length that can be shown. */
    private static String clean(String text) {
        String line = NOT_SHOWN.matcher(text).replaceAll(" ").strip();
        return line.length() > LONGEST ? line.substring(0, LONGEST) : line;
    }

    public @Nullable String get(String what) {
        return facts.get(what);
    }

    public Map<String, String> facts() {
        return Collections.unmodifiableMap(facts);
    }

    @Override
    public String toString() {
        return facts.toString();
    }
}
