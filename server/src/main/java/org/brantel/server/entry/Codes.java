package org.brantel.server.entry;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Secret;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Codes of the moment (RFC 6238: six digits, 30 s, HMAC-SHA-1, as every device for them knows), and spare ones. */
@Service
class Codes {

    /**
     * What a device is told, once.
     *
     * @param secret  in Base32, to type where no camera is
     * @param address {@code otpauth:} with all of it
     * @param drawing of the address as a code for cameras: a path of SVG, a unit a module
     * @param side    of the drawing in modules
     */
    record Told(String secret, String address, String drawing, int side) {}

    private static final int SECRET = 20;
    private static final int SPARE = 10;
    private static final int SPARE_BYTES = 10;
    private static final Duration STEP = Duration.ofSeconds(30);
    /** Clocks differ by so many steps at most. */
    private static final long OFF = 1;

    private final TimeBasedOneTimePasswordGenerator codes = new TimeBasedOneTimePasswordGenerator(STEP);
    private final CodeDevices devices;
    private final SpareCodes spares;
    private final Settings settings;
    private final Clock clock;

    Codes(CodeDevices devices, SpareCodes spares, Settings settings, Clock clock) {
        this.devices = devices;
        this.spares = spares;
        this.settings = settings;
        this.clock = clock;
    }

    /** Makes a secret; nothing asks for codes before the first one has shown that the device has it. */
    @Transactional
    Told begin(String login) {
        if (isOn(login)) {
            throw Refusal.conflict("Codes are asked for already; end them first, to begin with another device.");
        }
        byte[] secret = Secret.bytes(SECRET);
        devices.save(new CodeDevice(login, secret, clock.instant()));
        String words = new Base32().encodeToString(secret);
        String lab = encoded(settings.lab());
        String address = "otpauth://totp/%s:%s?secret=%s&issuer=%s".formatted(lab, encoded(login), words, lab);
        CodeDrawing drawing = CodeDrawing.of(address);
        return new Told(words, address, drawing.path(), drawing.side());
    }

    private static String encoded(String words) {
        return URLEncoder.encode(words, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /**
     * From now on codes are asked for.
     *
     * @return spare codes
     * @throws Refusal where the code is not the one that the device would show
     */
    @Transactional
    List<String> confirm(String login, String typed) {
        CodeDevice device = devices.lock(login)
                .filter(d -> !d.isConfirmed())
                .orElseThrow(() -> Refusal.conflict("There is nothing to confirm; begin again."));
        if (!takes(device, plain(typed))) {
            throw Refusal.badInput("code", "This is not the code of the moment; is the clock of the device right?");
        }
        device.confirm(clock.instant());
        return newSpares(login);
    }

    /** Others than those of before. */
    @Transactional
    List<String> newSpares(String login) {
        spares.forget(login);
        List<String> made = Stream.generate(() -> new Base32().encodeToString(Secret.bytes(SPARE_BYTES)))
                .limit(SPARE)
                .map(s -> s.toLowerCase(Locale.ROOT).replaceAll("(....)(?=.)", "$1-"))
                .toList();
        made.forEach(s -> spares.save(new SpareCode(login, Secret.hash(plain(s)))));
        return made;
    }

    @Transactional(readOnly = true)
    boolean isOn(String login) {
        return devices.findById(login).filter(CodeDevice::isConfirmed).isPresent();
    }

    @Transactional(readOnly = true)
    long sparesLeft(String login) {
        return spares.countByLoginAndUsedAtIsNull(login);
    }

    /** What a code that was right opened with. */
    enum Kind {
        DEVICE,
        SPARE
    }

    /** Whether a code is right; it is none a second time. */
    @Transactional
    Optional<Kind> open(String login, String typed) {
        String plain = plain(typed);
        CodeDevice device = devices.lock(login).filter(CodeDevice::isConfirmed).orElse(null);
        if (device != null && takes(device, plain)) {
            return Optional.of(Kind.DEVICE);
        }
        return spares.use(login, Secret.hash(plain), clock.instant()) == 1 ? Optional.of(Kind.SPARE) : Optional.empty();
    }

    @Transactional
    void end(String login) {
        devices.forget(login);
        spares.forget(login);
    }

    private boolean takes(CodeDevice device, String plain) {
        long now = clock.instant().getEpochSecond() / STEP.toSeconds();
        OptionalLong step = LongStream.rangeClosed(now - OFF, now + OFF)
                .filter(s -> code(device, s).equals(plain))
                .findFirst();
        return step.isPresent() && device.take(step.getAsLong());
    }

    private String code(CodeDevice device, long step) {
        try {
            return codes.generateOneTimePasswordString(
                    new SecretKeySpec(device.secret(), codes.getAlgorithm()),
                    Instant.ofEpochSecond(step * STEP.toSeconds()),
                    Locale.ROOT);
        } catch (InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    /** In whatever grouping. */
    private static String plain(String typed) {
        return typed.replaceAll("[^0-9A-Za-z]", "").toLowerCase(Locale.ROOT);
    }
}
