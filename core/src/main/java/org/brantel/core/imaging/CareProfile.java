package org.brantel.core.imaging;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * How gently a device is read.
 *
 * <p>Sizes are bytes. The large block keeps a healthy device streaming; a failing one gets smaller requests, since
 * one bad sector fails the whole request and costs the device its own retries. After trouble the sweep jumps away,
 * each time {@code jumpGrowth} times further, so that the good parts come first.
 */
public enum CareProfile {
    HEALTHY(1 << 20, 1 << 20, 2, 2),
    AGEING(256 << 10, 1 << 20, 2, 2),
    FAILING(64 << 10, 2 << 20, 2, 1),
    LAST_CHANCE(64 << 10, 4 << 20, 4, 0);

    private final int blockBytes;
    private final int jumpBytes;
    private final int jumpGrowth;
    private final int retries;

    CareProfile(int blockBytes, int jumpBytes, int jumpGrowth, int retries) {
        this.blockBytes = blockBytes;
        this.jumpBytes = jumpBytes;
        this.jumpGrowth = jumpGrowth;
        this.retries = retries;
    }

    /** Size of one request in the sweep. */
    public int blockBytes() {
        return blockBytes;
    }

    /** First distance to jump over after a fault. */
    public int jumpBytes() {
        return jumpBytes;
    }

    public int jumpGrowth() {
        return jumpGrowth;
    }

    /** How often a single sector that failed is tried again. */
    public int retries() {
        return retries;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static CareProfile ofWord(String word) {
        for (CareProfile profile : values()) {
            if (profile.word().equals(word)) {
                return profile;
            }
        }
        throw new IllegalArgumentException("There is no care profile '" + word + "'; take one of "
                + Arrays.stream(values()).map(CareProfile::word).collect(Collectors.joining(", ")) + ".");
    }
}
