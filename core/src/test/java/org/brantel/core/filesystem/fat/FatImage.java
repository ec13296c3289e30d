package org.brantel.core.filesystem.fat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/**
 * A FAT12 volume built field by field: 512-byte sectors, one sector a cluster, one table, so that damage is one change.
 */
final class FatImage {

    static final int SECTORS = 200;
    static final int TABLE = 512;
    static final int ROOT = 2 * 512;
    static final int ROOT_ENTRIES = 16;
    static final int DATA = 3 * 512;

    final byte[] bytes = new byte[SECTORS * 512];
    private int nextRootEntry;

    FatImage() {
        put16(11, 512);
        bytes[13] = 1;
        put16(14, 1);
        bytes[16] = 1;
        put16(17, ROOT_ENTRIES);
        put16(19, SECTORS);
        put16(22, 1);
        put16(510, 0xaa55);
        Arrays.fill(bytes, 43, 54, (byte) ' ');
        text(43, "TEST");
        link(0, 0xff8);
        link(1, 0xfff);
    }

    FatImage put16(int at, int value) {
        bytes[at] = (byte) value;
        bytes[at + 1] = (byte) (value >> 8);
        return this;
    }

    void put32(int at, long value) {
        put16(at, (int) value & 0xffff);
        put16(at + 2, (int) (value >> 16));
    }

    private void text(int at, String text) {
        byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(ascii, 0, bytes, at, ascii.length);
    }

    /** Sets a cluster's table entry. */
    FatImage link(int cluster, int value) {
        int at = TABLE + cluster + cluster / 2;
        int pair = bytes[at] & 0xff | (bytes[at + 1] & 0xff) << 8;
        pair = (cluster & 1) == 0 ? pair & 0xf000 | value & 0xfff : pair & 0x000f | (value & 0xfff) << 4;
        return put16(at, pair);
    }

    static int cluster(int number) {
        return DATA + (number - 2) * 512;
    }

    /**
     * A short entry at a place.
     *
     * @return the place
     */
    int entry(int at, String name11, int attributes, int firstCluster, long size) {
        text(at, name11);
        bytes[at + 11] = (byte) attributes;
        put16(at + 22, 0x6000);
        put16(at + 24, 0x5a21);
        put16(at + 26, firstCluster);
        put32(at + 28, size);
        return at;
    }

    int rootEntry(String name11, int attributes, int firstCluster, long size) {
        return entry(ROOT + 32 * nextRootEntry++, name11, attributes, firstCluster, size);
    }

    /** Fills a cluster with a byte. */
    FatImage fill(int cluster, int value) {
        Arrays.fill(bytes, cluster(cluster), cluster(cluster) + 512, (byte) value);
        return this;
    }
}
