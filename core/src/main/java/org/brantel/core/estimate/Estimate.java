package org.brantel.core.estimate;

import java.util.List;
import org.brantel.core.triage.RecoveryPath;
import org.jspecify.annotations.Nullable;

/**
 * What a case will take.
 *
 * @param path     the path that it is for
 * @param imaging  seconds of reading; null when nothing is read, or nobody knows how large the device is
 * @param scanning seconds of scanning, structure and content; null as with imaging
 * @param effort   hours of a person's work
 * @param quote    money
 * @param chance   in words
 */
public record Estimate(
        RecoveryPath path,
        @Nullable Part imaging,
        @Nullable Part scanning,
        Part effort,
        Part quote,
        String currency,
        String chance,
        List<String> chanceRestsOn) {

    /** A band and the reasons for it, in words. */
    public record Part(double low, double high, List<String> reasons) {
        static Part of(Band band, List<String> reasons) {
            return new Part(band.low(), band.high(), List.copyOf(reasons));
        }
    }
}
