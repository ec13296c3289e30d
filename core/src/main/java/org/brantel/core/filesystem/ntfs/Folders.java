package org.brantel.core.filesystem.ntfs;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where folders lie in each other. A record that was given out again has a higher sequence, so a file knows whether the
 * record that it names as its folder is still that folder.
 */
final class Folders {

    static final long ROOT = 5;
    private static final int MAX_DEPTH = 256;

    /** @param sequence the sequence that its files name it by */
    private record Folder(String name, int sequence, boolean inUse, long parent, int parentSequence) {}

    /** @param live every folder on the way is listed */
    record Path(String text, boolean live) {}

    private final Map<Long, List<Folder>> byNumber = new HashMap<>();
    private final Map<Long, Path> known = new HashMap<>();

    /** @param sequence as in its record; a record that was deleted counts one more than its files remember */
    void add(long number, int sequence, boolean inUse, FileName name) {
        known.clear();
        List<Folder> same = byNumber.computeIfAbsent(number, n -> new ArrayList<>(1));
        Folder folder =
                new Folder(name.name(), inUse ? sequence : sequence - 1, inUse, name.parent(), name.parentSequence());
        // Its record comes before what an index or a journal remembers of it.
        if (same.stream().noneMatch(f -> f.sequence() == folder.sequence())) {
            same.add(folder);
        }
    }

    /** A folder that only an index or a journal remembers, by the sequence that its files name it by. */
    void remember(long number, int sequence, FileName name) {
        add(number, sequence + 1, false, name);
    }

    /** The path of a folder, with a slash at its end. */
    Path of(long number, int sequence) {
        if (number == ROOT) {
            return new Path("/", true);
        }
        long key = number << 16 | sequence & 0xffff;
        Path path = known.get(key);
        if (path == null) {
            path = find(number, sequence, 0);
            known.put(key, path);
        }
        return path;
    }

    private Path find(long number, int sequence, int depth) {
        if (number == ROOT) {
            return new Path("/", true);
        }
        Folder folder = byNumber.getOrDefault(number, List.of()).stream()
                .filter(f -> f.sequence() == (sequence & 0xffff))
                .findFirst()
                .orElse(null);
        if (folder == null || depth > MAX_DEPTH) {
            return new Path("/(lost folder " + number + ")/", false);
        }
        long key = folder.parent() << 16 | folder.parentSequence() & 0xffff;
        Path parent = known.get(key);
        if (parent == null) {
            parent = find(folder.parent(), folder.parentSequence(), depth + 1);
            if (parent.text().length() < 4096) {
                known.put(key, parent);
            }
        }
        return new Path(parent.text() + folder.name() + "/", parent.live() && folder.inUse());
    }
}
