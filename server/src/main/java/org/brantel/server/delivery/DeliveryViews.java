package org.brantel.server.delivery;

import jakarta.annotation.Nullable;
import java.time.Instant;

/** What others see of deliveries. */
public final class DeliveryViews {

    private DeliveryViews() {}

    /** @param state sealing, sealed, failed */
    public record Delivery(
            long id,
            String caseNumber,
            long runId,
            String state,
            @Nullable String trouble,
            int files,
            long bytes,
            String manifestSha256,
            String fingerprint,
            Instant sealedAt,
            String who,
            @Nullable Instant linkSentAt,
            @Nullable Instant expiresAt,
            @Nullable Instant openedAt,
            @Nullable Instant downloadedAt,
            @Nullable Receipt receipt) {}

    /**
     * @param checked files that the customer's own browser hashed,
     * @param equal of them as the manifest says
     */
    public record Receipt(String name, Instant at, int checked, int equal) {}

    /** Shown once; only hashes are kept. */
    public record Link(String path, String passcode, Instant expiresAt) {}
}
