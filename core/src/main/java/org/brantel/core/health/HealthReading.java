package org.brantel.core.health;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a device said about its own health at one moment. What it did not say is null, never 0.
 *
 * @param origin          where the numbers come from
 * @param warnings    bits of {@link NvmeLog}'s critical warning; 0 when there is none
 * @param attributes  as they stand in the ATA table; empty for other origins
 */
public record HealthReading(
        Origin origin,
        @JsonUnwrapped State state,
        @JsonUnwrapped Damage damage,
        @JsonUnwrapped Wear wear,
        int warnings,
        List<Attribute> attributes) {

    /**
     * @param celsius      temperature
     * @param powerOnHours hours
     * @param linkErrors   transfers that were damaged on the cable
     */
    public record State(
            @Nullable Integer celsius,
            @Nullable Long powerOnHours,
            @Nullable Long linkErrors) {}

    /**
     * @param reallocated   sectors that were replaced by spare ones
     * @param pending       sectors that wait for being replaced, because they did not read
     * @param uncorrectable sectors, or requests, that could not be read
     */
    public record Damage(
            @Nullable Long reallocated,
            @Nullable Long pending,
            @Nullable Long uncorrectable) {
        public static final Damage UNKNOWN = new Damage(null, null, null);
    }

    /**
     * @param percentUsed    of the endurance that the maker promises; may exceed 100
     * @param spare          percent of the spare capacity that is left
     * @param spareThreshold percent of spare below which the maker expects failure
     */
    public record Wear(
            @Nullable Integer percentUsed,
            @Nullable Integer spare,
            @Nullable Integer spareThreshold) {
        public static final Wear UNKNOWN = new Wear(null, null, null);
    }

    /** Where the numbers come from. */
    public enum Origin {
        ATA,
        NVME,
        KERNEL,
        BY_HAND
    }

    /**
     * One line of the ATA table.
     *
     * @param value     normalised, 1 to 253, smaller is worse
     * @param worst     the smallest value so far
     * @param threshold the value at or below which the maker says it has failed; 0 when never
     * @param preFail   falling below the threshold foretells failure, rather than wear
     */
    public record Attribute(int id, String name, int value, int worst, int threshold, long raw, boolean preFail) {

        public boolean hasFailed() {
            return threshold > 0 && value > 0 && value <= threshold;
        }
    }

    public HealthReading {
        attributes = attributes == null ? List.of() : List.copyOf(attributes);
    }

    /** Numbers that somebody read off another instrument. */
    public static HealthReading byHand(
            @Nullable Integer celsius,
            @Nullable Long powerOnHours,
            @Nullable Long reallocated,
            @Nullable Long pending,
            @Nullable Long uncorrectable,
            @Nullable Long linkErrors,
            @Nullable Integer percentUsed) {
        return new HealthReading(
                Origin.BY_HAND,
                new State(celsius, powerOnHours, linkErrors),
                new Damage(reallocated, pending, uncorrectable),
                new Wear(percentUsed, null, null),
                0,
                List.of());
    }

    public @Nullable Integer celsius() {
        return state.celsius();
    }

    public @Nullable Long powerOnHours() {
        return state.powerOnHours();
    }

    public @Nullable Long linkErrors() {
        return state.linkErrors();
    }

    public @Nullable Long reallocated() {
        return damage.reallocated();
    }

    public @Nullable Long pending() {
        return damage.pending();
    }

    public @Nullable Long uncorrectable() {
        return damage.uncorrectable();
    }

    public @Nullable Integer percentUsed() {
        return wear.percentUsed();
    }

    public @Nullable Integer spare() {
        return wear.spare();
    }

    public @Nullable Integer spareThreshold() {
        return wear.spareThreshold();
    }

    /** Reallocated, pending and uncorrectable sectors together: the counters that grow while a medium wears away. */
    public long damaged() {
        return orZero(reallocated()) + orZero(pending()) + orZero(uncorrectable());
    }

    private static long orZero(@Nullable Long number) {
        return number == null ? 0 : number;
    }
}
