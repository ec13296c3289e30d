package org.brantel.server.work;

import java.util.function.BooleanSupplier;
import org.brantel.server.platform.Ticker;

/**
 * Whether a job should stop: because its server does, or because a person asked for it. The person's wish stands in
 * the records, which are looked at now and then, not before every step. Once true it stays true. Not thread-safe.
 */
public final class StopRequest implements BooleanSupplier {

    private static final int EVERY_MILLIS = 350;

    private final BooleanSupplier serverStops;
    private final BooleanSupplier personAsks;
    private final Ticker looks = new Ticker(EVERY_MILLIS);
    private boolean asked;

    /** @param personAsks looks into the records */
    public StopRequest(BooleanSupplier serverStops, BooleanSupplier personAsks) {
        this.serverStops = serverStops;
        this.personAsks = personAsks;
    }

    @Override
    public boolean getAsBoolean() {
        if (!asked && looks.due()) {
            asked = personAsks.getAsBoolean();
        }
        return asked || serverStops.getAsBoolean();
    }
}
