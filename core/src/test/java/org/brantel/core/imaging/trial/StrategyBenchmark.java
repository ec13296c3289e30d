package org.brantel.core.imaging.trial;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** Compares the planner with plain ways of reading on every simulated device. */
final class StrategyBenchmark {

    private StrategyBenchmark() {}

    static List<Trial.Curve> curves(Devices.Device d) {
        return List.of(
                Trial.run("planned", Trial::planned, d.plan(), d.size(), d.profile()),
                Trial.run("straight through", Trial::straight, d.plan(), d.size(), d.profile()),
                Trial.run("straight through with skip", Trial::straightWithSkip, d.plan(), d.size(), d.profile()));
    }

    /** @param args a folder for the curves, if they are wanted */
    public static void main(String[] args) throws IOException {
        for (Devices.Device d : Devices.all()) {
            List<Trial.Curve> curves = curves(d);
            if (args.length > 0) {
                CurvePlot.write(d, curves, Path.of(args[0], d.code() + ".svg"));
            }
            double longest = curves.stream().mapToLong(Trial.Curve::nanos).max().orElseThrow();
            System.out.println(
                    "\n" + d.words() + ", " + d.profile().code() + ", longest " + Math.round(longest / 1e9) + " s");
            for (Trial.Curve c : curves) {
                StringBuilder row = new StringBuilder("%-28s".formatted(c.strategy()));
                for (int tenth = 1; tenth <= 10; tenth++) {
                    row.append(" %7.3f".formatted(100.0 * c.at(longest * tenth / 10) / d.size()));
                }
                System.out.println(
                        row + "  %8.0f s %6d faults, %d unread".formatted(c.nanos() / 1e9, c.faults(), c.unread()));
            }
        }
    }
}
