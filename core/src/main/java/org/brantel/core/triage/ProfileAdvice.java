package org.brantel.core.triage;

import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Which care profile suits what is known about a device, and why. The gentlest that anything asks for.
 *
 * @param profile its code
 */
public record ProfileAdvice(String profile, String why) {

    /**
     * @param path  the decided recovery path; null before
     * @param facts values by code, as they stand for the case; among them, as {@code bench.health}, what the newest
     *              health reading came to
     */
    public static ProfileAdvice of(@Nullable RecoveryPath path, Map<String, Set<String>> facts) {
        if (any(facts, "bench.noise", "clicking", "scratching", "grinding")
                || any(facts, "symptom.noise", "clicking", "scratching", "grinding")) {
            return new ProfileAdvice(
                    "last-chance", "It makes noises that heads make when they fail; every read may be the last.");
        }
        if (any(facts, "bench.health", "failing")) {
            return new ProfileAdvice("last-chance", "Its own health readings say that it is failing.");
        }
        if (path == RecoveryPath.HARDWARE_WORK) {
            return new ProfileAdvice("last-chance", "It came for work on its hardware; what was mended may not hold.");
        }
        if (any(facts, "bench.read", "many-errors")) {
            return new ProfileAdvice("failing", "The bench check met many read errors.");
        }
        if (any(facts, "bench.health", "poor")) {
            return new ProfileAdvice("failing", "Its health readings are poor.");
        }
        if (path == RecoveryPath.CAREFUL_IMAGING) {
            return new ProfileAdvice("failing", "Triage chose careful imaging.");
        }
        if (any(facts, "bench.read", "some-errors")) {
            return new ProfileAdvice("ageing", "The bench check met some read errors.");
        }
        if (any(facts, "bench.health", "watch")) {
            return new ProfileAdvice("ageing", "Its health readings ask for watching.");
        }
        if (any(facts, "symptom.speed", "slow", "very-slow")) {
            return new ProfileAdvice("ageing", "It is said to be slow.");
        }
        return new ProfileAdvice(
                "healthy",
                any(facts, "bench.health", "good")
                        ? "Its health reading is good, and nothing else speaks for damage."
                        : "Nothing that is known speaks for damage, but it has given no health reading that could.");
    }

    private static boolean any(Map<String, Set<String>> facts, String code, String... values) {
        Set<String> has = facts.getOrDefault(code, Set.of());
        for (String value : values) {
            if (has.contains(value)) {
                return true;
            }
        }
        return false;
    }
}
