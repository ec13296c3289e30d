package org.brantel.core.recovery;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Standing;

/**
 * Makes paths that every system can hold: no path leaves the destination, no two are the same on a system that
 * ignores case. Also free of {@code %} and line ends, which bag manifests would have to encode (RFC 8493, 2.1.3).
 */
final class SafeNames {

    private static final int MAX_BYTES = 200;
    private static final Pattern UNSAFE = Pattern.compile("[<>:\"|?*\\\\/%\\p{Cntrl}\\p{Cf}\\p{Cs}\\ufffd\\uffff]");
    private static final Pattern RESERVED = Pattern.compile("(?i)(con|prn|aux|nul|com[0-9]|lpt[0-9])(\\..*)?");

    private final Set<String> taken = new HashSet<>();
    private final Set<String> folders = new HashSet<>();
    private final boolean byVolume;

    private SafeNames(boolean byVolume) {
        this.byVolume = byVolume;
    }

    /**
     * Relative paths, parts joined by '/', for a whole selection. The same selection gets the same paths every time.
     */
    public static Map<Long, String> plan(Iterable<Finding> selection) {
        Set<Object> volumes = new HashSet<>();
        selection.forEach(f -> volumes.add(f.volume() == null ? "none" : f.volume()));
        SafeNames names =
                new SafeNames(volumes.stream().filter(v -> !"none".equals(v)).count() > 1);
        Map<Long, String> planned = new LinkedHashMap<>();
        // Folders first, so that no file takes the name of a folder that a later file needs.
        selection.forEach(f -> names.noteFolders(names.wanted(f)));
        selection.forEach(f -> planned.put(f.id(), names.free(names.wanted(f))));
        return planned;
    }

    private String wanted(Finding finding) {
        StringBuilder path = new StringBuilder();
        Standing stands = Standing.of(finding);
        if (stands == null) {
            path.append("found by content/").append(part(finding.kind())).append('/');
            return path.append(part(finding.suggestedName() != null ? finding.suggestedName() : finding.name()))
                    .toString();
        }
        if (byVolume && finding.volume() != null) {
            path.append("volume ").append(finding.volume()).append('/');
        }
        stands.folders().forEach(folder -> path.append(part(folder)).append('/'));
        return path.append(part(stands.name())).toString();
    }

    /** One part of a path. */
    static String part(String name) {
        String safe = Normalizer.normalize(name == null ? "" : name, Normalizer.Form.NFC);
        safe = UNSAFE.matcher(safe).replaceAll("_").strip();
        while (safe.endsWith(".") || safe.endsWith(" ")) {
            safe = safe.substring(0, safe.length() - 1) + (safe.length() == 1 ? "_" : "");
        }
        if (safe.isEmpty() || safe.chars().allMatch(c -> c == '.')) {
            return "_";
        }
        if (RESERVED.matcher(safe).matches()) {
            safe = "_" + safe;
        }
        return shortened(safe, MAX_BYTES);
    }

    private static String shortened(String name, int most) {
        if (name.getBytes(StandardCharsets.UTF_8).length <= most) {
            return name;
        }
        int dot = name.lastIndexOf('.');
        String extension = dot > 0 && name.length() - dot <= 12 ? name.substring(dot) : "";
        String base = name.substring(0, name.length() - extension.length());
        while ((base + extension).getBytes(StandardCharsets.UTF_8).length > most) {
            base = base.substring(0, base.offsetByCodePoints(base.length(), -1));
        }
        return base.stripTrailing() + extension;
    }

    private void noteFolders(String path) {
        for (int slash = path.indexOf('/'); slash >= 0; slash = path.indexOf('/', slash + 1)) {
            folders.add(key(path.substring(0, slash)));
        }
    }

    private String free(String path) {
        String candidate = path;
        for (int n = 2; folders.contains(key(candidate)) || !taken.add(key(candidate)); n++) {
            candidate = numbered(path, n);
        }
        return candidate;
    }

    private static String numbered(String path, int n) {
        int slash = path.lastIndexOf('/');
        int dot = path.lastIndexOf('.');
        return dot > slash + 1 ? path.substring(0, dot) + " (" + n + ")" + path.substring(dot) : path + " (" + n + ")";
    }

    private static String key(String path) {
        return path.toLowerCase(Locale.ROOT);
    }
}
