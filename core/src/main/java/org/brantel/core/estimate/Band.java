package org.brantel.core.estimate;

/** From low to high, both included. The unit is the user's: seconds, hours, money. */
public record Band(double low, double high) {

    public Band {
        if (!(low >= 0 && low <= high && high < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(
                    "a band goes from a low number to a high one, not from " + low + " to " + high);
        }
    }

    Band times(Band factor) {
        return new Band(low * factor.low, high * factor.high);
    }

    Band plus(Band other) {
        return new Band(low + other.low, high + other.high);
    }
}
