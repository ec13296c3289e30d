package org.brantel.core.carve;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * All starts of all kinds, asked about one place at a time. What stands at a place is looked up by its first two bytes;
 * only where a start begins with these are whole starts compared.
 */
final class StartTable {

    private static final int SECTOR = 512;

    /**
     * A start as it is looked for.
     *
     * @param back from where its bytes are compared to where content would begin
     */
    private record Entry(byte[] bytes, int back, ContentKind kind) {}

    /** Starts whose bytes are looked for at one place of a sector. */
    private static final class Place {
        private final int inSector;
        private final Entry[][] byTwo = new Entry[1 << 16][];
        /** Which of them are there, one bit each: small enough to stay near. */
        private final long[] any = new long[1 << 10];

        Place(int inSector) {
            this.inSector = inSector;
        }

        void add(Entry entry) {
            int key = key(entry.bytes(), 0);
            Entry[] there = byTwo[key] == null ? new Entry[0] : byTwo[key];
            byTwo[key] = java.util.Arrays.copyOf(there, there.length + 1);
            byTwo[key][there.length] = entry;
            any[key >> 6] |= 1L << key;
        }
    }

    /** Hears of a place where content could begin; in the order of the kinds. */
    interface Candidates {
        void take(ContentKind kind, int at);
    }

    private final List<Place> places = new ArrayList<>();
    private final Place anywhere = new Place(0);

    StartTable(List<ContentKind> kinds) {
        TreeMap<Integer, Place> all = new TreeMap<>();
        for (ContentKind kind : kinds) {
            for (Start start : kind.starts()) {
                all.computeIfAbsent(start.offset() % SECTOR, Place::new)
                        .add(new Entry(start.bytes(), start.offset(), kind));
                if (kind.isDistinct()) {
                    anywhere.add(new Entry(start.bytes(), start.offset(), kind));
                }
            }
        }
        places.addAll(all.values());
    }

    private static int key(byte[] b, int at) {
        return (b[at] & 0xff) << 8 | b[at + 1] & 0xff;
    }

    /** Candidates by what stands in the sector at {@code at}; content may begin before it. */
    void inSector(byte[] block, int at, Candidates to) {
        for (int i = 0; i < places.size(); i++) {
            Place place = places.get(i);
            int here = at + place.inSector;
            int key = key(block, here);
            if ((place.any[key >> 6] >>> key & 1) != 0) {
                compare(place.byTwo[key], block, here, to);
            }
        }
    }

    /** Candidates by what stands at every byte of a stretch. */
    void everywhere(byte[] block, int from, int to, Candidates found) {
        long[] any = anywhere.any;
        int next = block[from] & 0xff;
        for (int i = from; i < to; i++) {
            int here = next;
            next = block[i + 1] & 0xff;
            int key = here << 8 | next;
            if ((any[key >> 6] >>> key & 1) != 0) {
                compare(anywhere.byTwo[key], block, i, found);
            }
        }
    }

    private static void compare(Entry[] entries, byte[] block, int here, Candidates to) {
        for (Entry e : entries) {
            if (Bytes.match(block, here, e.bytes())) {
                to.take(e.kind(), here - e.back());
            }
        }
    }
}
