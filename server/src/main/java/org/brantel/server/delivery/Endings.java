package org.brantel.server.delivery;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.server.platform.Known;
import org.brantel.server.recovery.Recoveries;
import org.brantel.server.recovery.RecoveryViews;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How cases ended for their customers: what the newest sealed delivery of each says. */
@Service
public class Endings {

    /**
     * What a customer got.
     *
     * @param files    what became of what was chosen
     * @param complete every wanted line is: as many as hoped for were delivered whole, and somebody confirmed that
     *                 these are them
     */
    public record Ending(RecoveryViews.Outcome files, boolean complete) {}

    private final DeliveryRecords deliveries;
    private final Recoveries recoveries;

    Endings(DeliveryRecords deliveries, Recoveries recoveries) {
        this.deliveries = deliveries;
        this.recoveries = recoveries;
    }

    /** By the case's key; those without a sealed delivery are not among them. */
    @Transactional(readOnly = true)
    public Map<Long, Ending> of(Collection<Long> caseIds) {
        List<Delivery> sealed = deliveries.findNewestSealed(caseIds);
        Map<Long, RecoveryViews.Outcome> outcomes =
                recoveries.outcomes(sealed.stream().map(Delivery::runId).toList());
        return sealed.stream()
                .collect(Collectors.toMap(
                        Delivery::caseId, d -> new Ending(Known.in(outcomes, d.runId()), isComplete(d))));
    }

    /** What became of what was chosen, by the case's key; those without a sealed delivery are not among them. */
    @Transactional(readOnly = true)
    public Map<Long, RecoveryViews.Outcome> files(Collection<Long> caseIds) {
        List<DeliveryRecords.Sealed> sealed = deliveries.findSealedRuns(caseIds);
        Map<Long, RecoveryViews.Outcome> outcomes = recoveries.outcomes(
                sealed.stream().map(DeliveryRecords.Sealed::runId).toList());
        return sealed.stream()
                .collect(Collectors.toMap(DeliveryRecords.Sealed::caseId, s -> Known.in(outcomes, s.runId())));
    }

    private static boolean isComplete(Delivery d) {
        List<Account.Wanted> wanted = SealedAccounts.wanted(d);
        return !wanted.isEmpty() && wanted.stream().allMatch(Account.Wanted::complete);
    }
}
