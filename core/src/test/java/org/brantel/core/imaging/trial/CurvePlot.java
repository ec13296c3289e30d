package org.brantel.core.imaging.trial;

import java.awt.BasicStroke;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jfree.svg.SVGGraphics2D;
import org.knowm.xchart.XYChart;
import org.knowm.xchart.XYChartBuilder;
import org.knowm.xchart.style.Styler.LegendPosition;
import org.knowm.xchart.style.markers.SeriesMarkers;

/** Good bytes against device time, one line for each way of reading; time on a logarithmic scale. */
final class CurvePlot {

    /** Dark enough on white, and told apart by their dashes as well. */
    private static final List<Color> COLOURS = List.of(new Color(0x0b5d6b), new Color(0x9a4a00), new Color(0x5b5b66));

    private static final List<float[]> DASHES = List.of(new float[] {1, 0}, new float[] {9, 5}, new float[] {2, 4});
    private static final int STEPS = 100;
    private static final int WIDTH = 760;
    private static final int HEIGHT = 380;

    private CurvePlot() {}

    static void write(Devices.Device device, List<Trial.Curve> curves, Path file) throws IOException {
        XYChart chart = new XYChartBuilder()
                .width(WIDTH)
                .height(HEIGHT)
                .title(device.words() + ", profile " + device.profile().code())
                .xAxisTitle("device time, seconds")
                .yAxisTitle("good bytes, % of the device")
                .build();
        chart.getStyler()
                .setXAxisLogarithmic(true)
                .setYAxisMin(0.0)
                .setYAxisMax(100.0)
                .setLegendPosition(LegendPosition.OutsideS)
                .setChartBackgroundColor(Color.WHITE)
                .setPlotBorderVisible(false);
        double longest = curves.stream().mapToLong(Trial.Curve::nanos).max().orElseThrow();
        for (int i = 0; i < curves.size(); i++) {
            Trial.Curve curve = curves.get(i);
            List<Double> seconds = new ArrayList<>();
            List<Double> percent = new ArrayList<>();
            for (int step = 0; step <= STEPS; step++) {
                double when = longest / 1e4 * Math.pow(1e4, (double) step / STEPS);
                seconds.add(when / 1e9);
                percent.add(100.0 * curve.at(when) / device.size());
            }
            chart.addSeries(curve.strategy(), seconds, percent)
                    .setMarker(SeriesMarkers.NONE)
                    .setLineColor(COLOURS.get(i))
                    .setLineStyle(
                            new BasicStroke(2f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND, 10f, DASHES.get(i), 0f));
        }
        SVGGraphics2D svg = new SVGGraphics2D(WIDTH, HEIGHT);
        svg.setGeomDoubleConverter(n -> Double.toString(Math.round(n * 10) / 10.0));
        chart.paint(svg, WIDTH, HEIGHT);
        Files.writeString(file, svg.getSVGDocument());
    }
}
