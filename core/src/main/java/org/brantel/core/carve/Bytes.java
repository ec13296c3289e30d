package org.brantel.core.carve;

/** Small questions about bytes in memory. */
final class Bytes {

    private Bytes() { }

    static boolean match(byte[] block, int at, byte[] expected) {
        if (at > block.length - expected.length) {
            return false;
        }
        for (int i = 0; i < expected.length; i++) {
            if (block[at + i] != expected[i]) {
                return false;
            }
        }
        return true;
    }
}
