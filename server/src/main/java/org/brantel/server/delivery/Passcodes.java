package org.brantel.server.delivery;

import java.security.SecureRandom;
import java.util.Objects;
import java.util.Optional;
import org.brantel.server.entry.Throttle;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** The eight digits that open a customer's link. */
@Component
class Passcodes {

    private static final SecureRandom RANDOM = new SecureRandom();

    private final PasswordEncoder encoder;
    private final Throttle throttle;

    Passcodes(PasswordEncoder encoder, Throttle throttle) {
        this.encoder = encoder;
        this.throttle = throttle;
    }

    static String make() {
        return "%04d-%04d".formatted(RANDOM.nextInt(10_000), RANDOM.nextInt(10_000));
    }

    String hash(String passcode) {
        return Objects.requireNonNull(encoder.encode(passcode));
    }

    /**
     * Whether a customer typed, in whatever grouping, the passcode of a link. It takes a tenth of a second and holds
     * nothing meanwhile.
     *
     * @param link its token's hash; a new link has tries of its own
     * @param from the address that it comes from
     * @throws Refusal when it was tried too often
     */
    boolean opens(String link, @Nullable String passcodeHash, String typed, String from) {
        String digits = typed.replaceAll("[^0-9]", "").replaceFirst("(....)(....)", "$1-$2");
        return throttle.judged(
                        new Throttle.Subject("passcode", link, from),
                        () -> encoder.matches(digits, passcodeHash) ? Optional.of(digits) : Optional.empty())
                .isPresent();
    }
}
