package keentally.study.plot;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import keentally.core.stats.Bins;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.LogAxis;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.block.BlockBorder;
import org.jfree.chart.plot.DatasetRenderingOrder;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.XYStepAreaRenderer;
import org.jfree.chart.renderer.xy.XYStepRenderer;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;

/**
 * One histogram, or two laid over each other: the first filled, the second as a line; more are lines, each in its own ink and dashes, with a
 * legend.
 *
 * @param series in bins of one width
 * @param logarithmic whether counts stand on a logarithmic axis; empty bins are then not drawn
 * @param shares per cent of each one's own pixels instead of counts
 * @param values what the values are, for the axis
 */
public record HistogramPlot(List<Series> series, boolean logarithmic, boolean shares, String values) {
    /** As many as can be told apart. */
    public static final int MOST = 8;

    /** Teal, plum, marigold and grey of middle lightness, to be seen on light and dark paper. */
    private static final List<Color> LINES =
            List.of(new Color(0x35A4AE), new Color(0xB65FC0), new Color(0xD0902A), new Color(0x8E9196));

    private static final int PRINT_WIDTH = 900;
    private static final int PRINT_HEIGHT = 560;
    private static final int PRINT_DENSITY = 2;

    public HistogramPlot {
        series = List.copyOf(series);
        if (series.isEmpty() || series.size() > MOST) {
            throw new IllegalArgumentException("a histogram plot shows 1 to " + MOST + ", was " + series.size());
        }
    }

    /** Bins with what they are of. */
    public record Series(String name, Bins bins) {}

    private double height(Series of, int bin) {
        long count = of.bins().counts()[bin];
        return shares ? 100.0 * count / Math.max(1, of.bins().total()) : count;
    }

    private JFreeChart chart(PlotLook look) {
        NumberAxis across = PlotAxis.even(values);
        across.setAutoRangeIncludesZero(false);
        across.setLowerMargin(0);
        across.setUpperMargin(0);
        XYPlot plot = new XYPlot();
        plot.setDomainAxis(across);
        plot.setRangeAxis(upright());
        for (int i = 0; i < series.size(); i++) {
            plot.setDataset(i, new XYSeriesCollection(steps(series.get(i))));
        }
        if (series.size() > 2) {
            lines(plot, look);
            return finished(plot, look, true);
        }
        XYStepAreaRenderer filled = new XYStepAreaRenderer(XYStepAreaRenderer.AREA);
        filled.setSeriesPaint(0, look.first());
        filled.setDefaultCreateEntities(false);
        plot.setRenderer(0, filled);
        if (series.size() > 1) {
            XYStepRenderer line = new XYStepRenderer();
            line.setSeriesPaint(0, look.second());
            line.setSeriesStroke(0, new BasicStroke(1.8f));
            line.setDefaultCreateEntities(false);
            plot.setRenderer(1, line);
        }
        return finished(plot, look, false);
    }

    private void lines(XYPlot plot, PlotLook look) {
        for (int i = 0; i < series.size(); i++) {
            XYStepRenderer line = new XYStepRenderer();
            line.setSeriesPaint(0, i == 0 ? look.ink() : LINES.get((i - 1) % LINES.size()));
            float[] dashes = {7f - i % 3 * 2, i % 3 * 2 + 1f};
            line.setSeriesStroke(
                    0,
                    i == 0
                            ? new BasicStroke(1.8f)
                            : new BasicStroke(1.8f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND, 1, dashes, 0));
            line.setDefaultCreateEntities(false);
            plot.setRenderer(i, line);
        }
    }

    private static JFreeChart finished(XYPlot plot, PlotLook look, boolean legend) {
        plot.setDatasetRenderingOrder(DatasetRenderingOrder.FORWARD);
        look.dress(plot);
        JFreeChart chart = new JFreeChart(null, look.font(), plot, legend);
        if (legend) {
            chart.getLegend().setBackgroundPaint(look.paper());
            chart.getLegend().setItemPaint(look.ink());
            chart.getLegend().setItemFont(look.font());
            chart.getLegend().setFrame(BlockBorder.NONE);
        }
        chart.setBackgroundPaint(look.paper());
        chart.setPadding(new RectangleInsets(4, 2, 2, 10));
        return chart;
    }

    private ValueAxis upright() {
        String label = shares ? "% of its pixels" : "pixels";
        if (!logarithmic) {
            return PlotAxis.even(label);
        }
        LogAxis axis = PlotAxis.log(label);
        axis.setSmallestValue(least());
        axis.setBase(10);
        return axis;
    }

    /** Half the lowest bin that holds anything. */
    private double least() {
        double least = Double.POSITIVE_INFINITY;
        for (Series s : series) {
            for (int i = 0; i < s.bins().counts().length; i++) {
                double height = height(s, i);
                least = height > 0 ? Math.min(least, height) : least;
            }
        }
        return Double.isFinite(least) ? least / 2 : 0.5;
    }

    private XYSeries steps(Series of) {
        XYSeries steps = new XYSeries(of.name(), false, true);
        Bins bins = of.bins();
        double floor = logarithmic ? least() : 0;
        for (int i = 0; i < bins.counts().length; i++) {
            steps.add(bins.from(i), Math.max(floor, height(of, i)));
        }
        steps.add(bins.from(bins.counts().length), floor);
        return steps;
    }

    /** Drawn for a screen. @param density screen pixels to a point */
    public BufferedImage image(int width, int height, double density, PlotLook look) {
        return new ChartDrawing(chart(look), width, height).image(density);
    }

    /** Writes PNG, SVG or CSV, as the file's ending says. */
    public void save(Path file) throws FileFault {
        print().save(file, PRINT_DENSITY, this::csv);
    }

    private ChartDrawing print() {
        return new ChartDrawing(chart(PlotLook.PRINT), PRINT_WIDTH, PRINT_HEIGHT);
    }

    public String svg() {
        return print().svg("plot");
    }

    /** A row a bin: its ends, and the count in each of the histograms. */
    public String csv() {
        List<String> header = new ArrayList<>(List.of("from", "to"));
        series.forEach(s -> header.add("pixels_" + s.name().replaceAll("[^\\p{L}\\p{Nd}]+", "_")));
        Bins bins = series.getFirst().bins();
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < bins.counts().length; i++) {
            List<String> row = new ArrayList<>(List.of(Sheet.number(bins.from(i)), Sheet.number(bins.from(i + 1))));
            for (Series s : series) {
                row.add(String.valueOf(s.bins().counts()[i]));
            }
            rows.add(row);
        }
        return Sheet.whole(header, rows);
    }
}
