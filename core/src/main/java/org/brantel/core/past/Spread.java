package org.brantel.core.past;

import java.util.Collection;
import org.apache.commons.math3.stat.descriptive.rank.Percentile;
import org.apache.commons.math3.stat.descriptive.rank.Percentile.EstimationType;

/**
 * How some numbers lie: half of them between the quarters.
 *
 * @param count of them
 * @param low   a quarter is not above it
 * @param high  a quarter is not below it
 */
public record Spread(long count, double low, double median, double high) {

    /** @throws IllegalArgumentException when there are none */
    public static Spread of(Collection<Double> values) {
        if (values.isEmpty()) {
            throw new IllegalArgumentException("nothing lies nowhere");
        }
        double[] all = values.stream().mapToDouble(Double::doubleValue).toArray();
        // Quarters that are values themselves: between two that are made up, of few numbers less than half would lie.
        Percentile quarter = new Percentile().withEstimationType(EstimationType.R_1);
        Percentile middle = new Percentile().withEstimationType(EstimationType.R_2);
        return new Spread(all.length, quarter.evaluate(all, 25), middle.evaluate(all, 50), quarter.evaluate(all, 75));
    }
}
