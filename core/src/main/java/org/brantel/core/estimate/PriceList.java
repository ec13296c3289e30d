package org.brantel.core.estimate;

import java.util.Map;
import org.brantel.core.triage.RecoveryPath;

/**
 * The lab's prices.
 *
 * @param currency      as it stands before an amount
 * @param byPath        what a case on each path costs
 * @param perTerabyte   on top for every terabyte beyond the first
 * @param urgentPercent on top when it is needed within {@code urgentDays}
 */
public record PriceList(
        String currency, Map<RecoveryPath, Band> byPath, double perTerabyte, int urgentPercent, int urgentDays) {

    /** Prices to begin with; a lab sets its own. */
    public static PriceList toBeginWith() {
        return new PriceList(
                "£",
                Map.of(
                        RecoveryPath.EXISTING_COPY,
                        new Band(0, 60),
                        RecoveryPath.STRAIGHT_COPY,
                        new Band(60, 120),
                        RecoveryPath.IMAGE_THEN_SCAN,
                        new Band(180, 420),
                        RecoveryPath.CAREFUL_IMAGING,
                        new Band(320, 780),
                        RecoveryPath.HARDWARE_WORK,
                        new Band(420, 1400),
                        RecoveryPath.UNLOCK_FIRST,
                        new Band(120, 480),
                        RecoveryPath.ASSEMBLE_FIRST,
                        new Band(480, 1600),
                        RecoveryPath.DECLINE,
                        new Band(0, 0)),
                40,
                50,
                3);
    }
}
