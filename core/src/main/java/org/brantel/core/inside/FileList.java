package org.brantel.core.inside;

import java.util.ArrayList;
import java.util.List;

/** What an archive lists, as far as a person looks: the first files are kept, the others are counted. */
final class FileList {

    /** Beyond so many nobody counts on; how many there are is not known then. */
    private static final int MOST = 1_000_000;

    private final List<String> heads;
    private final List<List<String>> cells = new ArrayList<>();
    private long entries;

    FileList() {
        this(Inside.FILES);
    }

    /** @param heads what is told of each file */
    FileList(List<String> heads) {
        this.heads = heads;
    }

    /** Whether the next one is shown; what is only counted need not be read. */
    boolean shows() {
        return cells.size() < Inside.SHOWN;
    }

    boolean isFull() {
        return entries >= MOST;
    }

    long entries() {
        return entries;
    }

    void add(String name, String size, String changed) {
        if (shows()) {
            cells.add(List.of(name, size, changed));
        }
        count();
    }

    /** One that is not shown. */
    void count() {
        entries++;
    }

    /** @param toItsEnd the list was read to where it ends */
    Inside.Table table(boolean toItsEnd) {
        return new Inside.Table("Files", toItsEnd ? entries : Inside.Table.NOT_KNOWN, heads, cells);
    }
}
