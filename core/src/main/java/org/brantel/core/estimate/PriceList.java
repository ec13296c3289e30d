package org.brantel.core.estimate;

import java.util.Map;

/**
 * The lab's prices.
 *
 * @param currency      as it stands before an amount
 * @param byPath        what a case on each path costs
 * @param perTerabyte   on top for every terabyte beyond the first
 * @param urgentPercent on top when it is needed within {@code urgentDays}
 */
public record PriceList(
        String currency, Map<String, Band> byPath, double perTerabyte, int urgentPercent, int urgentDays) {

    /** Prices to begin with; a lab sets its own. */
    public static PriceList toBeginWith() {
        return new PriceList(
                "£",
                Map.of(
                        "existing-copy",
                        new Band(0, 60),
                        "straight-copy",
                        new Band(60, 120),
                        "image-then-scan",
                        new Band(180, 420),
                        "careful-imaging",
                        new Band(320, 780),
                        "hardware-work",
                        new Band(420, 1400),
                        "unlock-first",
                        new Band(120, 480),
                        "assemble-first",
                        new Band(480, 1600),
                        "decline",
                        new Band(0, 0)),
                40,
                50,
                3);
    }
}
