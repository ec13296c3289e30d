package org.brantel.core.finding;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Where a file stands for those whose file it is: where its record says, and what lies in the trash where it was
 * deleted from.
 *
 * @param folders those that it lies in, from the top of its volume on; the names as found, none of them empty
 * @param name    of the file, as found
 * @param trashed whether it was put into the trash from there
 */
public record Standing(List<String> folders, String name, boolean trashed) {

    /** Deeper ones of a hostile medium are one folder with a long name. */
    private static final int DEEPEST = 60;

    private static final Pattern DRIVE = Pattern.compile("^[A-Za-z]:");

    public Standing {
        folders = List.copyOf(folders);
    }

    /**
     * @param path        absolute within the volume; null when no record names it
     * @param name        as the record gives it
     * @param trashedFrom where it lay before it was put into the trash; empty when no record says, null when it was not
     * @return null for what no record names
     */
    public static @Nullable Standing of(@Nullable String path, String name, @Nullable String trashedFrom) {
        if (path == null) {
            return null;
        }
        List<String> from = trashedFrom == null
                ? List.of()
                : parts(DRIVE.matcher(trashedFrom.replace('\\', '/')).replaceFirst(""));
        if (!from.isEmpty()) {
            return new Standing(shallow(from.subList(0, from.size() - 1)), from.get(from.size() - 1), true);
        }
        // The name may hold a '/' of its own on a hostile medium; only what stands before it is folders.
        String before = path.endsWith(name) ? path.substring(0, path.length() - name.length()) : "";
        return new Standing(shallow(parts(before)), name, false);
    }

    public static @Nullable Standing of(Finding f) {
        return of(f.path(), f.name(), f.record().trashedFrom());
    }

    /** {@code /Home/Tide gauge}; empty for the top of the volume. */
    public String folder() {
        return folders.isEmpty() ? "" : "/" + String.join("/", folders);
    }

    private static List<String> parts(String path) {
        return Arrays.stream(path.split("/")).filter(p -> !p.isEmpty()).toList();
    }

    private static List<String> shallow(List<String> folders) {
        if (folders.size() <= DEEPEST) {
            return folders;
        }
        List<String> some = new ArrayList<>(folders.subList(0, DEEPEST - 1));
        some.add(String.join("/", folders.subList(DEEPEST - 1, folders.size())));
        return some;
    }
}
