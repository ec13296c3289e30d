package org.brantel.core.kinds;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.archive.Archives;
import org.brantel.core.kind.data.DataFiles;
import org.brantel.core.kind.document.Documents;
import org.brantel.core.kind.media.Recordings;
import org.brantel.core.kind.picture.Pictures;
import org.brantel.core.kind.text.PlainText;
import org.brantel.core.kind.text.Texts;

/** The kinds of content that the engine knows. A new kind is one class and one line in the list of its package. */
public final class Kinds {

    private static final List<ContentKind> ALL = Stream.of(
                    Pictures.ALL, Recordings.ALL, Documents.ALL, Archives.ALL, DataFiles.ALL, Texts.ALL)
            .flatMap(List::stream)
            .toList();

    private static final Map<String, ContentKind> BY_CODE = byCode();

    private static final Map<String, String> SAME = Map.of(
            "jpeg", "jpg", "jpe", "jpg", "jfif", "jpg", "htm", "html", "tif", "tiff", "text", "txt", "mpeg", "mpg",
            "aif", "aiff", "midi", "mid");

    private static final Set<String> TEXT = Set.of(
            "txt", "csv", "html", "xml", "json", "eml", "md", "log", "svg", "ics", "vcf", "tsv", "ini", "css", "rtf");

    /** Kinds that people name together. */
    private static final Map<String, Set<String>> GROUPS = Map.of(
            "image",
                    Set.of(
                            "jpg", "png", "gif", "bmp", "tiff", "webp", "heic", "heif", "svg", "psd", "cr2", "cr3",
                            "nef", "dng", "arw", "orf", "rw2", "raf", "pef", "avif", "jp2", "ico"),
            "document",
                    Set.of(
                            "pdf", "doc", "docx", "docm", "dot", "odt", "ott", "rtf", "txt", "html", "md", "epub",
                            "tex", "wps", "wpd", "pages", "xps"),
            "sheet", Set.of("xls", "xlsx", "xlsm", "ods", "csv", "tsv", "numbers"),
            "slides", Set.of("ppt", "pptx", "pps", "ppsx", "odp", "key"),
            "audio",
                    Set.of(
                            "mp3", "wav", "flac", "ogg", "opus", "m4a", "aiff", "mid", "wma", "aac", "amr", "3ga",
                            "caf"),
            "video",
                    Set.of(
                            "mp4", "mov", "avi", "mkv", "webm", "3gp", "mpg", "wmv", "m4v", "mts", "m2ts", "flv", "vob",
                            "ogv"),
            "archive", Set.of("zip", "7z", "rar", "gz", "xz", "bz2", "tar", "zst"),
            "mail", Set.of("eml", "emlx", "mbox", "msg", "pst", "ost", "dbx", "vcf", "ics"),
            "database", Set.of("sqlite", "db", "mdb", "accdb", "odb", "dbf", "fdb", "json", "xml"));

    private Kinds() {}

    public static List<ContentKind> carvable() {
        return ALL;
    }

    public static Optional<ContentKind> byCode(String code) {
        return Optional.ofNullable(BY_CODE.get(code));
    }

    private static Map<String, ContentKind> byCode() {
        Map<String, ContentKind> all = new HashMap<>();
        ALL.forEach(kind -> kind.codes().forEach(code -> all.putIfAbsent(code, kind)));
        return Map.copyOf(all);
    }

    /** The names of the groups, like {@code image}. */
    public static Set<String> groups() {
        return GROUPS.keySet();
    }

    /** The kinds that a word means: those of a group, or the kind itself. */
    public static Set<String> meantBy(String word) {
        return GROUPS.getOrDefault(word, Set.of(word));
    }

    /** Whether a kind is meant by a word: its own code, or a group that holds it. */
    public static boolean isMeantBy(String kind, String word) {
        return kind.equals(word) || GROUPS.getOrDefault(word, Set.of()).contains(kind);
    }

    /** The group that a kind belongs to; empty for a kind of none. */
    public static String groupOf(String kind) {
        return GROUPS.entrySet().stream()
                .filter(g -> g.getValue().contains(kind))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("");
    }

    public static boolean isKnownWord(String word) {
        return GROUPS.containsKey(word) || GROUPS.values().stream().anyMatch(g -> g.contains(word));
    }

    /** The kind that a name's extension claims; {@code other} without one. */
    public static String ofName(String name) {
        int dot = name == null ? -1 : name.lastIndexOf('.');
        if (dot < 0 || dot == name.length() - 1 || name.length() - dot > 12) {
            return "other";
        }
        String extension = name.substring(dot + 1).toLowerCase(Locale.ROOT);
        for (int i = 0; i < extension.length(); i++) {
            char c = extension.charAt(i);
            if (c >= 128 || !Character.isLetterOrDigit(c)) {
                return "other";
            }
        }
        return SAME.getOrDefault(extension, extension);
    }

    public static boolean isText(String kind) {
        return TEXT.contains(kind);
    }

    /**
     * Checks the content of a file that a record names.
     *
     * @return empty when there is no check for this kind
     * @throws ByteView.Unread when the check runs into bytes that were not read
     */
    public static Optional<ContentKind.Walk> check(String kind, ByteView content) throws IOException {
        try {
            if (isText(kind)) {
                return Optional.of(PlainText.check(content));
            }
            Optional<ContentKind> known = byCode(kind);
            return known.isPresent() ? Optional.of(known.get().walk(content)) : Optional.empty();
        } catch (ByteView.End e) {
            return Optional.of(ContentKind.Walk.broken(content.length(), "the content ends before its own end mark"));
        }
    }
}
