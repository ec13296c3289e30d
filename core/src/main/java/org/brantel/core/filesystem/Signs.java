package org.brantel.core.filesystem;

import java.util.Arrays;

/** Places on a medium, in bytes and ascending, where something begins like a head of a volume or a record of one. */
public final class Signs {

    /** What a sector begins like. */
    public enum Sign {
        /** A boot sector, or a head that names its family. */
        HEAD,
        /** A superblock of the ext family, or a copy of one. */
        EXT_SUPERBLOCK,
        /** A record of an NTFS file table. */
        NTFS_RECORD,
        /** The first cluster of a FAT folder: entries for itself and its parent. */
        FAT_FOLDER,
        /** A later cluster of a FAT folder: nothing but entries. */
        FAT_ENTRIES,
        /** A set of exFAT entries. */
        EXFAT_ENTRIES
    }

    private final long[][] places = new long[Sign.values().length][16];
    private final int[] counts = new int[Sign.values().length];

    public void add(Sign sign, long place) {
        int s = sign.ordinal();
        if (counts[s] == places[s].length) {
            places[s] = Arrays.copyOf(places[s], counts[s] * 2);
        }
        places[s][counts[s]++] = place;
    }

    public long[] of(Sign sign) {
        return Arrays.copyOf(places[sign.ordinal()], counts[sign.ordinal()]);
    }
}
