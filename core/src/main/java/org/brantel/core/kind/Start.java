package org.brantel.core.kind;

import java.nio.charset.StandardCharsets;

/**
 * Bytes by which content can be recognised.
 *
 * @param offset where they stand, from the content's first byte
 * @param bytes  at least two
 */
public record Start(int offset, byte[] bytes) {

    public Start {
        if (offset < 0 || bytes.length < 2) {
            throw new IllegalArgumentException("a start of " + bytes.length + " bytes at " + offset + " is none");
        }
    }

    /**
     * At the first byte.
     *
     * @param latin each character is a byte
     */
    public static Start of(String latin) {
        return at(0, latin);
    }

    /** @param latin each character is a byte */
    public static Start at(int offset, String latin) {
        return new Start(offset, latin.getBytes(StandardCharsets.ISO_8859_1));
    }
}
