package org.brantel.server.platform;

/** Texts as the database compares them with {@code like}; whatever signs mean something to it are meant as themselves. */
public final class LikePattern {

    /** Stands before a sign that is meant as itself. */
    public static final char ESCAPE = '\\';

    private LikePattern() {}

    /** A text that stands anywhere in another. */
    public static String containing(String text) {
        return "%" + exactly(text) + "%";
    }

    public static String exactly(String text) {
        return text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }

    /** @param pattern {@code *} for any letters, {@code ?} for one */
    public static String wild(String pattern) {
        return exactly(pattern).replace('*', '%').replace('?', '_');
    }
}
