package org.brantel.server.staff;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/**
 * Keeps passwords of any length: bcrypt reads 72 bytes, so it is given a digest of all of them. The digest begins with words
 * of its own, so that a digest which leaked elsewhere is none of these. Older hashes are bcrypt's alone and still match.
 */
@Component
final class Stretched implements PasswordEncoder {

    /** Of hashes that are kept so: SHA-384 in Base64, which is 64 bytes, then bcrypt. */
    static final String KIND = "{sha384-bcrypt}";

    private static final byte[] OURS = "brantel-password-1:".getBytes(StandardCharsets.UTF_8);

    private final PasswordEncoder bcrypt = new BCryptPasswordEncoder();

    @Override
    public String encode(@Nullable CharSequence password) {
        return KIND + bcrypt.encode(digest(password));
    }

    @Override
    public boolean matches(@Nullable CharSequence password, @Nullable String kept) {
        if (password == null || kept == null) {
            return false;
        }
        return kept.startsWith(KIND)
                ? bcrypt.matches(digest(password), kept.substring(KIND.length()))
                : bcrypt.matches(password, kept);
    }

    @Override
    public boolean upgradeEncoding(@Nullable String kept) {
        return kept != null && !kept.startsWith(KIND);
    }

    private static String digest(@Nullable CharSequence password) {
        try {
            MessageDigest sha = MessageDigest.getInstance("SHA-384");
            sha.update(OURS);
            byte[] digest = sha.digest(String.valueOf(password).getBytes(StandardCharsets.UTF_8));
            return Base64.getEncoder().encodeToString(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
