package keentally.study.plot;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import keentally.core.agree.CountDifferences;
import keentally.core.agree.CountDifferences.Pair;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.plot.ValueMarker;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.XYLineAndShapeRenderer;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;

/**
 * Differences of two counts against their means, a point a sample, with the mean difference and the limits of agreement as lines.
 *
 * @param first what was counted first
 * @param second what it is held against
 */
public record DifferencePlot(CountDifferences of, String first, String second) {
    private static final int WIDTH = 560;
    private static final int HEIGHT = 360;
    private static final int DENSITY = 2;
    private static final double DOT = 7;
    private static final float[] DASH = {6, 4};

    private JFreeChart chart(PlotLook look) {
        XYSeries points = new XYSeries("samples", false, true);
        for (Pair pair : of.pairs()) {
            points.add(pair.mean(), pair.difference());
        }
        XYLineAndShapeRenderer dots = new XYLineAndShapeRenderer(false, true);
        dots.setSeriesPaint(0, look.second());
        dots.setSeriesShape(0, new Ellipse2D.Double(-DOT / 2, -DOT / 2, DOT, DOT));
        NumberAxis across = PlotAxis.even("mean of the two counts");
        across.setAutoRangeIncludesZero(false);
        XYPlot plot =
                new XYPlot(new XYSeriesCollection(points), across, PlotAxis.even(second + " less " + first), dots);
        look.dress(plot);
        line(plot, of.mean(), look.first(), new BasicStroke(1.8f));
        BasicStroke dashed = new BasicStroke(1.4f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, DASH, 0);
        line(plot, of.lower(), look.first(), dashed);
        line(plot, of.upper(), look.first(), dashed);
        JFreeChart chart = new JFreeChart(null, look.font(), plot, false);
        chart.setBackgroundPaint(look.paper());
        chart.setPadding(new RectangleInsets(8, 4, 4, 10));
        return chart;
    }

    private static void line(XYPlot plot, double at, Color colour, BasicStroke stroke) {
        if (Double.isFinite(at)) {
            plot.addRangeMarker(new ValueMarker(at, colour, stroke));
        }
    }

    /** As pixels, twice as many as it is to take on the screen. */
    public BufferedImage image(PlotLook look) {
        return new ChartDrawing(chart(look), WIDTH, HEIGHT).image(DENSITY);
    }

    /** Writes PNG, SVG or CSV, as the file's ending says. */
    public void save(Path file) throws FileFault {
        new ChartDrawing(chart(PlotLook.PRINT), WIDTH, HEIGHT).save(file, DENSITY, this::csv);
    }

    private String csv() {
        return Sheet.whole(
                List.of("sample", "first", "second", "mean", "difference"),
                of.pairs().stream()
                        .map(p -> List.of(
                                Sheet.text(p.sample()),
                                Sheet.number(p.first()),
                                Sheet.number(p.second()),
                                Sheet.number(p.mean()),
                                Sheet.number(p.difference())))
                        .toList());
    }
}
