package org.brantel.server.delivery;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.JsonValue;
import java.time.Instant;
import java.util.Locale;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;

/** What others see of deliveries. */
public final class DeliveryViews {

    private DeliveryViews() {}

    /** How far the bag is. */
    public enum State {
        SEALING,
        SEALED,
        FAILED;

        static State of(WorkState state) {
            return state.isAtWork() ? SEALING : state == WorkState.DONE ? SEALED : FAILED;
        }

        /** As it goes over the wire. */
        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public record Delivery(
            long id,
            String caseNumber,
            long runId,
            State state,
            @Nullable String trouble,
            String who,
            @JsonUnwrapped Bag bag,
            @JsonUnwrapped Way way) {}

    /**
     * What is in it.
     *
     * @param manifestSha256 of the manifest that the lab signed
     * @param fingerprint    of the key that it is signed with
     */
    public record Bag(int files, long bytes, String manifestSha256, String fingerprint, Instant sealedAt) {}

    /** How it went to the customer; absent is what has not happened. */
    public record Way(
            @Nullable Instant linkSentAt,
            @Nullable Instant expiresAt,
            @Nullable Instant withdrawnAt,
            @Nullable Instant openedAt,
            @Nullable Instant downloadedAt,
            @Nullable Receipt receipt) {}

    /**
     * @param checked  files that the customer's own browser hashed; 0 when they did not check
     * @param equal    of them as they were sealed
     * @param compared whether the lab held the browser's hashes against the sealed ones; of older receipts the browser said
     *                 how many were equal
     */
    public record Receipt(String name, Instant at, int checked, int equal, boolean compared) {}

    /** Shown once; only hashes are kept. */
    public record Link(String path, String passcode, Instant expiresAt) {}
}
