package org.brantel.server.devices;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.Stage;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;

/**
 * How far a device of a case is.
 *
 * @param which how people tell it from the others: by its slot, or else by its place among them
 * @param stage in which it stands by its own records; once it is scanned it goes on with its case
 * @param read  what its newest imaging session came to; absent before the first
 * @param found what its newest scan came to; absent before the first
 */
record DeviceState(
        long id,
        String which,
        Stage stage,
        @JsonUnwrapped Going going,
        @JsonUnwrapped Standing standing,
        @Nullable Read read,
        @Nullable Found found) {

    /**
     * The way that it goes.
     *
     * @param path  its own, or else its case's; absent while neither is decided
     * @param own   whether it was decided for this device alone
     * @param leads the path that its facts speak for now; absent where all are barred
     * @param told  facts that were told or seen of this device alone
     */
    record Going(
            @Nullable RecoveryPath path,
            boolean own,
            @Nullable RecoveryPath leads,
            int told) {}

    /**
     * Where it is, and how.
     *
     * @param medium  that stands attached as this device
     * @param partner who has it
     * @param health  the grade that the bench saw last
     * @param barred  why it must not be touched now
     */
    record Standing(
            @Nullable String medium,
            @Nullable String partner,
            @Nullable String health,
            @Nullable String barred) {}

    /** @param share of its bytes that were read, 0 to 1 */
    record Read(long session, WorkState state, double share, long failedBytes) {}

    /** @param findings of that session */
    record Found(long session, WorkState state, long findings) {}
}
