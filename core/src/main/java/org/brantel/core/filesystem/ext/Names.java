package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Which names lead to which inodes: those that folders list, and those that slack and journal still show. A number is
 * many files' and folders' in its time; a name is only given to the one that it was said of, and stands in the folder
 * that listed it, which may be gone as well.
 */
final class Names {

    static final long ROOT = 2;
    /** The transaction of what stands in the folders now. */
    static final long NOW = Long.MAX_VALUE;

    private static final int MAX_DEPTH = 256;

    /**
     * @param folder      in which it stood
     * @param ofFolder    it was a folder's
     * @param transaction of the copy of the folder that shows it, or {@link #NOW}
     * @param listed      the folder listed it then; false: it was only left over in the folder's slack, and had been
     *                    true at some time before
     */
    record Name(Inode.Key folder, String text, boolean ofFolder, long transaction, boolean listed) {

        boolean isSame(Name other) {
            return place().equals(other.place());
        }

        Place place() {
            return new Place(folder, text);
        }
    }

    /** A name in a folder. */
    record Place(Inode.Key folder, String text) {}

    private final OldInodes inodes;
    private final Map<Long, List<Name>> listed = new HashMap<>();
    private final Map<Long, List<Name>> old = new HashMap<>();
    private final Map<Inode.Key, String> paths = new HashMap<>();

    Names(OldInodes inodes) {
        this.inodes = inodes;
    }

    void list(long inode, Inode.Key folder, String text, boolean ofFolder) {
        Name name = new Name(folder, text, ofFolder, NOW, true);
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
        // A folder that nothing led to may have one now.
        paths.clear();
    }

    List<Name> listed(long inode) {
        return listed.getOrDefault(inode, List.of());
    }

    /** What a file or folder was called when its copy was made; empty where no name is surely its own. */
    Optional<Name> of(Inode gone, long transaction) throws IOException {
        return surest(ownOf(gone), transaction);
    }

    private List<Name> ownOf(Inode file) throws IOException {
        List<Name> own = new ArrayList<>();
        for (Name name : old.getOrDefault(file.number(), List.of())) {
            if (inodes.wasOf(file, name)) {
                own.add(name);
            }
        }
        return own;
    }

    /** Whoever may have had a name: all that is left of files that are gone, and what has their inode now. */
    interface Holders {
        List<Inode> of(long number) throws IOException;
    }

    /** Hears of names. */
    interface Listener {
        void untied(long inode, Place name) throws IOException;
    }

    /** Tells of names that no file has any more, and that none of their inodes' holders is known to have had. */
    void forEachUntied(Holders holders, Listener listener) throws IOException {
        Map<Place, Long> untied = new LinkedHashMap<>();
        for (Map.Entry<Long, List<Name>> e : new TreeMap<>(old).entrySet()) {
            List<Name> tied = new ArrayList<>();
            for (Inode holder : holders.of(e.getKey())) {
                tied.addAll(ownOf(holder));
            }
            for (Name name : e.getValue()) {
                if (!name.ofFolder() && tied.stream().noneMatch(name::isSame)) {
                    untied.putIfAbsent(name.place(), e.getKey());
                }
            }
        }
        listed.values().forEach(all -> all.forEach(name -> untied.remove(name.place())));
        for (Map.Entry<Place, Long> e : untied.entrySet()) {
            listener.untied(e.getValue(), e.getKey());
        }
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
    String path(Inode.Key folder) throws IOException {
        return path(folder, new HashSet<>());
    }

    private String path(Inode.Key folder, Set<Inode.Key> below) throws IOException {
        if (folder.number() == ROOT) {
            return "/";
        }
        String known = paths.get(folder);
        if (known != null) {
            return known;
        }
        Optional<Name> name = nameOf(folder);
        String path = name.isEmpty() || !below.add(folder) || below.size() > MAX_DEPTH
                ? "/(lost folder " + folder.number() + ")/"
                : path(name.get().folder(), below) + name.get().text() + "/";
        if (path.length() < 4096) {
            paths.put(folder, path);
        }
        return path;
    }

    private Optional<Name> nameOf(Inode.Key folder) throws IOException {
        Optional<OldInodes.Version> version = inodes.version(folder);
        if (version.isEmpty()) {
            return Optional.empty();
        }
        List<Name> now = version.get().transaction() == NOW ? listed(folder.number()) : List.of();
        return now.isEmpty() ? of(version.get().inode(), version.get().transaction()) : Optional.of(now.get(0));
    }
}
