package org.brantel.core.estimate;

import java.util.List;

/**
 * Bytes a second, learned: the defaults and the lab's own tenth and ninetieth percentile, mixed on a logarithmic scale.
 * One session weighs a fifth, four weigh half, sixteen weigh four fifths.
 */
record Pace(Band rate, String reason) {

    private static final double DOUBT = 4;
    private static final int NEWEST = 200;

    static Pace of(Band defaults, List<Measured> measured, String what) {
        double[] logs = measured.stream()
                .filter(Measured::isUsable)
                .limit(NEWEST)
                .mapToDouble(m -> Math.log(m.rate()))
                .sorted()
                .toArray();
        if (logs.length == 0) {
            return new Pace(defaults, "the usual rate for " + what + "; none was measured here yet");
        }
        double weight = logs.length / (logs.length + DOUBT);
        double low = Math.exp(weight * quantile(logs, 0.1) + (1 - weight) * Math.log(defaults.low()));
        double high = Math.exp(weight * quantile(logs, 0.9) + (1 - weight) * Math.log(defaults.high()));
        return new Pace(
                new Band(Math.min(low, high), Math.max(low, high)),
                (logs.length == 1 ? "one session" : logs.length + " sessions") + " of " + what + " measured here, "
                        + megabytes(Math.exp(quantile(logs, 0.5))) + " in the middle");
    }

    private static double quantile(double[] sorted, double share) {
        double at = share * (sorted.length - 1);
        int below = (int) at;
        int above = Math.min(below + 1, sorted.length - 1);
        return sorted[below] + (at - below) * (sorted[above] - sorted[below]);
    }

    private static String megabytes(double rate) {
        double mb = rate / 1e6;
        return (mb < 10 ? String.valueOf(Math.round(mb * 10) / 10.0) : String.valueOf(Math.round(mb))) + " MB/s";
    }
}
