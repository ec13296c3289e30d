package org.brantel.core.health;

import java.util.Arrays;

/**
 * A reading that was saved to a file: an NVMe log page (512 bytes), or ATA data, alone or followed by its thresholds.
 */
public final class HealthFile {

    /** What an uploaded file holds. */
    public enum Kind {
        ATA,
        NVME
    }

    private HealthFile() {}

    /** @throws IllegalArgumentException with a sentence for a person */
    public static HealthReading parse(Kind kind, byte[] bytes) {
        if (kind == Kind.NVME) {
            return NvmeLog.parse(bytes);
        }
        if (bytes.length == 2 * AtaSmart.SECTOR) {
            return AtaSmart.parse(
                    Arrays.copyOf(bytes, AtaSmart.SECTOR),
                    Arrays.copyOfRange(bytes, AtaSmart.SECTOR, 2 * AtaSmart.SECTOR));
        }
        if (bytes.length != AtaSmart.SECTOR) {
            throw new IllegalArgumentException(
                    "A file of SMART data has 512 bytes, or 1024 with the thresholds behind it; this has "
                            + bytes.length + ".");
        }
        return AtaSmart.parse(bytes, null);
    }
}
