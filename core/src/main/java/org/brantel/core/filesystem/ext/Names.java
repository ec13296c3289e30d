package org.brantel.core.filesystem.ext;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Which names lead to which inodes: those that folders list, and those that slack and journal still show. */
final class Names {

    static final long ROOT = 2;
    /** The transaction of what stands in the folders now. */
    static final long NOW = Long.MAX_VALUE;

    private static final int MAX_DEPTH = 256;

    /**
     * @param transaction of the copy of the folder that shows it, or {@link #NOW}
     * @param listed      the folder listed it then; false: it was only left over in the folder's slack, and had been
     *                    true at some time before
     */
    record Name(long parent, String text, long transaction, boolean listed) {

        boolean isSame(Name other) {
            return parent == other.parent && text.equals(other.text);
        }
    }

    private final Map<Long, List<Name>> listed = new HashMap<>();
    private final Map<Long, List<Name>> old = new HashMap<>();
    private final Map<Long, String> paths = new HashMap<>(Map.of(ROOT, "/"));

    void list(long inode, long parent, String text) {
        Name name = new Name(parent, text, NOW, true);
        List<Name> same = listed.get(inode);
        if (same == null) {
            listed.put(inode, List.of(name));
            return;
        }
        List<Name> more = new ArrayList<>(same);
        more.add(name);
        listed.put(inode, more);
    }

    void remember(long inode, Name name) {
        List<Name> all = old.computeIfAbsent(inode, n -> new ArrayList<>(2));
        if (!all.contains(name)) {
            all.add(name);
        }
    }

    List<Name> listed(long inode) {
        return listed.getOrDefault(inode, List.of());
    }

    Map<Long, List<Name>> old() {
        return old;
    }

    /** The name that an inode had when its copy was made: of those that are remembered, the nearest in time. */
    Optional<Name> then(long inode, long transaction) {
        return nearest(old.getOrDefault(inode, List.of()), transaction);
    }

    /**
     * Of a file's own names the one that was listed nearest in time. What is merely left over has no time: it names a
     * file only when nothing else does, and when nothing else is left.
     */
    static Optional<Name> surest(List<Name> own, long transaction) {
        List<Name> listed = own.stream().filter(Name::listed).toList();
        if (!listed.isEmpty()) {
            return nearest(listed, transaction);
        }
        return own.stream().allMatch(n -> n.isSame(own.get(0))) ? own.stream().findFirst() : Optional.empty();
    }

    private static Optional<Name> nearest(List<Name> names, long transaction) {
        return names.stream()
                .min(Comparator.comparingLong((Name n) -> Math.abs(Math.min(n.transaction(), Long.MAX_VALUE / 4)
                                - Math.min(transaction, Long.MAX_VALUE / 4)))
                        .thenComparing(Name::text));
    }

    /** The path of a folder, with a slash at its end. */
    String path(long folder) {
        return path(folder, new HashSet<>());
    }

    private String path(long folder, Set<Long> below) {
        String known = paths.get(folder);
        if (known != null) {
            return known;
        }
        Optional<Name> name = listed(folder).stream().findFirst().or(() -> then(folder, NOW));
        String path = name.isEmpty() || !below.add(folder) || below.size() > MAX_DEPTH
                ? "/(lost folder " + folder + ")/"
                : path(name.get().parent(), below) + name.get().text() + "/";
        if (path.length() < 4096) {
            paths.put(folder, path);
        }
        return path;
    }
}
