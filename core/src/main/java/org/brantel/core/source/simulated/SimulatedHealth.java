package org.brantel.core.source.simulated;

import java.util.List;
import org.brantel.core.health.AtaSmart;
import org.brantel.core.health.HealthReading;
import org.brantel.core.health.HealthReading.Attribute;

/** What a simulated device would answer when it is asked for its health: warmth by work, counters by faults. */
final class SimulatedHealth {

    private static final double USUAL_WARM_SECONDS = 1200;
    private static final double COOLS_FASTER = 4;

    private final FaultPlan.Health plan;
    /** 0 cold, 1 as warm as it gets. */
    private double warmth;

    SimulatedHealth(FaultPlan.Health plan) {
        this.plan = plan;
    }

    void worked(long nanos) {
        warmth = 1 - (1 - warmth) * Math.exp(-nanos / 1e9 / warmSeconds());
    }

    void rested(long nanos) {
        warmth *= Math.exp(-Math.max(0, nanos) / 1e9 * COOLS_FASTER / warmSeconds());
    }

    private double warmSeconds() {
        return plan.warmSeconds() > 0 ? plan.warmSeconds() : USUAL_WARM_SECONDS;
    }

    /**
     * By way of the sectors that a real device would return.
     *
     * @param faults in its life with us
     */
    HealthReading reading(long faults) {
        FaultPlan.Growth growth = plan.perFault() == null ? new FaultPlan.Growth(0, 0, 0) : plan.perFault();
        long celsius = Math.round(plan.celsius() + (plan.celsiusMost() - plan.celsius()) * warmth);
        long reallocated = plan.reallocated() + (long) (faults * growth.reallocated());
        long pending = plan.pending() + (long) (faults * growth.pending());
        long uncorrectable = plan.uncorrectable() + (long) (faults * growth.uncorrectable());
        List<Attribute> table = List.of(
                count(5, reallocated, 36, true),
                count(9, plan.powerOnHours(), 0, false),
                new Attribute(194, "", (int) (150 - celsius), (int) (150 - plan.celsiusMost()), 0, celsius, false),
                count(197, pending, 0, false),
                count(198, uncorrectable, 0, false),
                count(199, 0, 0, false));
        return AtaSmart.parse(AtaSmart.data(table), AtaSmart.thresholds(table));
    }

    private static Attribute count(int id, long raw, int threshold, boolean preFail) {
        int value = (int) Math.max(1, 100 - raw / 50);
        return new Attribute(id, "", value, value, threshold, raw, preFail);
    }
}
