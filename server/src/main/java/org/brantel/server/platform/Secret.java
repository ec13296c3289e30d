package org.brantel.server.platform;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.brantel.core.hash.Hashes;

/** What nobody can guess: given away once, kept as its SHA-256. */
public final class Secret {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int BYTES = 24;

    private Secret() {}

    /** 192 random bits, as they stand in an address. */
    public static String make() {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes(BYTES));
    }

    public static byte[] bytes(int count) {
        byte[] bytes = new byte[count];
        RANDOM.nextBytes(bytes);
        return bytes;
    }

    /** In lower-case hex. */
    public static String hash(String secret) {
        byte[] bytes = secret.getBytes(StandardCharsets.UTF_8);
        return Hashes.sha256Hex(bytes, 0, bytes.length);
    }
}
