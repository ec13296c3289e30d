package org.brantel.core.hash;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** The digests of the product: SHA-256 and SHA-512 (FIPS 180-4), written as lower-case hex. */
public final class Hashes {

    private Hashes() {}

    public static MessageDigest sha256() {
        return digest("SHA-256");
    }

    public static MessageDigest sha512() {
        return digest("SHA-512");
    }

    public static String hex(byte[] digest) {
        return HexFormat.of().formatHex(digest);
    }

    public static String sha256Hex(byte[] bytes, int at, int length) {
        MessageDigest digest = sha256();
        digest.update(bytes, at, length);
        return hex(digest.digest());
    }

    private static MessageDigest digest(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has " + name, e);
        }
    }
}
