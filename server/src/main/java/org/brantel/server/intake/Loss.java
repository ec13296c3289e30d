package org.brantel.server.intake;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What facts say of the loss itself. */
public final class Loss {

    static final String HOURS_AGO = "since.hours";
    static final String EVENT = "loss.event";
    /** After these a device may discard what it no longer needs to keep. */
    static final Set<String> DELETING = Set.of(
            "trash-emptied",
            "deleted-directly",
            "formatted",
            "formatted-again",
            "repartitioned",
            "initialised",
            "system-reinstalled",
            "factory-reset");

    static final String DISCARDS = "trim";
    static final String ACTIVE = "active";

    private Loss() {}

    /** By these facts of a device it discards what was deleted on it. */
    static boolean isDiscarded(List<CaseForm.Fact> ofDevice) {
        return ofDevice.stream()
                        .anyMatch(f -> f.code().equals(DISCARDS) && f.value().equals(ACTIVE))
                && ofDevice.stream().anyMatch(f -> f.code().equals(EVENT) && DELETING.contains(f.value()));
    }

    /** When it was, by a fact that says how many hours ago, counted back from when that was said; empty for others. */
    public static Optional<Instant> at(CaseViews.Fact fact) {
        return fact.code().equals(HOURS_AGO) && fact.value().matches("\\d{1,6}")
                ? Optional.of(fact.at().minus(Duration.ofHours(Long.parseLong(fact.value()))))
                : Optional.empty();
    }
}
