package org.brantel.server.bench;

import java.io.IOException;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.Orders;
import org.brantel.core.imaging.SharedRate;
import org.brantel.core.imaging.StopLimits;
import org.brantel.server.platform.Ticker;
import org.brantel.server.work.Ask;
import org.jspecify.annotations.Nullable;

/**
 * What people and the lab's rules want of a running session. Looks into the records now and then, not before every
 * request.
 */
final class SessionOrders implements Orders {

    private static final int EVERY_MILLIS = 350;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    /**
     * What stands in the records of a session.
     *
     * @param awakeUntil somebody sent it back to work until then, quiet hours or not; null when nobody did
     * @param profile    its code
     */
    record Wish(
            @Nullable Ask asked,
            boolean rest,
            @Nullable Instant awakeUntil,
            String profile,
            @Nullable StopLimits limits,
            long bytesPerSecond) {}

    private final BooleanSupplier serverStops;
    private final Supplier<Wish> records;
    private final LabRate lab;
    private final Supplier<ZonedDateTime> now;
    private final Ticker looks = new Ticker(EVERY_MILLIS);
    private final SharedRate own = new SharedRate(() -> wish().bytesPerSecond());
    private volatile Wish wish;

    SessionOrders(BooleanSupplier serverStops, Supplier<Wish> records, LabRate lab, Supplier<ZonedDateTime> now) {
        this.serverStops = serverStops;
        this.records = records;
        this.lab = lab;
        this.now = now;
        wish = records.get();
    }

    private Wish wish() {
        return wish;
    }

    private Wish look() {
        if (looks.due()) {
            wish = records.get();
        }
        return wish;
    }

    @Override
    public boolean stop() {
        return look().asked() == Ask.PAUSE || serverStops.getAsBoolean();
    }

    @Override
    public boolean enough() {
        return wish.asked() == Ask.ENOUGH;
    }

    @Override
    public Optional<String> rest() {
        if (wish.rest()) {
            return Optional.of("It was asked to rest.");
        }
        ZonedDateTime here = now.get();
        boolean awake = wish.awakeUntil() != null && here.toInstant().isBefore(wish.awakeUntil());
        return awake
                ? Optional.empty()
                : lab.rules()
                        .quiet()
                        .until(here.toLocalDateTime())
                        .map(end -> "Quiet hours until " + end.format(CLOCK) + ".");
    }

    @Override
    public Optional<CareProfile> profile() {
        return Optional.of(CareProfile.ofWord(wish.profile()));
    }

    @Override
    public Optional<StopLimits> limits() {
        return Optional.ofNullable(wish.limits());
    }

    @Override
    public void pace(long bytes) throws IOException {
        own.take(bytes, this::stop);
        lab.rate().take(bytes, this::stop);
    }

    @Override
    public int healthSeconds() {
        return lab.rules().healthSeconds();
    }
}
