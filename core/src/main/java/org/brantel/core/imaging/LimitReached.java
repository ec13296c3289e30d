package org.brantel.core.imaging;

import java.util.Locale;

/**
 * A stop limit that was reached, with its numbers.
 *
 * @param value as counted
 * @param bound that was set
 */
public record LimitReached(Limit limit, long value, long bound) {

    /** What is limited. */
    public enum Limit {
        FAULTS_IN_ROW("faults in a row"),
        FAULTS_IN_ALL("faults in all"),
        CELSIUS("degrees Celsius"),
        GROWTH("more damaged sectors than at its start"),
        MINUTES("minutes of reading");

        private final String unit;

        Limit(String unit) {
            this.unit = unit;
        }

        /** In the records. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Like {@code 64 faults in a row, the limit is 64}. */
    public String words() {
        return value + " " + limit.unit + ", the limit is " + bound;
    }
}
