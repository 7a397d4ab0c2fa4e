package keentally.study.plot;

import java.awt.BasicStroke;
import java.nio.file.Path;
import keentally.core.quantity.Amounts;
import keentally.core.stats.Distribution;
import keentally.study.file.FileFault;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.StandardXYBarPainter;
import org.jfree.chart.renderer.xy.XYBarRenderer;
import org.jfree.chart.renderer.xy.XYLineAndShapeRenderer;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.xy.XYIntervalSeries;
import org.jfree.data.xy.XYIntervalSeriesCollection;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;

/**
 * How a measure is spread over objects: classes as bars, the cumulative share as a line.
 *
 * @param log whether the axis across is logarithmic
 * @param measure its title with its unit, for the axis
 * @param weight what the shares are of: objects, or area
 */
public record SpreadPlot(Distribution spread, boolean log, String measure, String weight) {
    private static final int WIDTH = 900;
    private static final int HEIGHT = 560;
    private static final int DENSITY = 2;
    private static final int STEPS = 400;

    private JFreeChart chart() {
        PlotLook look = PlotLook.PRINT;
        XYIntervalSeries bars = new XYIntervalSeries("classes");
        for (int i = 0; i < spread.classes(); i++) {
            double from = spread.edge(i);
            double to = spread.edge(i + 1);
            bars.add((from + to) / 2, from, to, spread.percent(i), 0, spread.percent(i));
        }
        XYIntervalSeriesCollection classes = new XYIntervalSeriesCollection();
        classes.addSeries(bars);
        ValueAxis across = across();
        XYPlot plot = new XYPlot(classes, across, PlotAxis.even("% of " + weight + " in a class"), barRenderer(look));
        plot.setDataset(1, new XYSeriesCollection(sum()));
        NumberAxis upTo = PlotAxis.even("% up to");
        upTo.setRange(0, 100);
        plot.setRangeAxis(1, upTo);
        plot.mapDatasetToRangeAxis(1, 1);
        XYLineAndShapeRenderer line = new XYLineAndShapeRenderer(true, false);
        line.setSeriesPaint(0, look.second());
        line.setSeriesStroke(0, new BasicStroke(1.8f));
        plot.setRenderer(1, line);
        plot.setDatasetRenderingOrder(org.jfree.chart.plot.DatasetRenderingOrder.FORWARD);
        look.dress(plot);
        JFreeChart chart = new JFreeChart(null, look.font(), plot, false);
        chart.setBackgroundPaint(look.paper());
        chart.setPadding(new RectangleInsets(8, 4, 4, 10));
        return chart;
    }

    private static XYBarRenderer barRenderer(PlotLook look) {
        XYBarRenderer bars = new XYBarRenderer(0.04);
        bars.setBarPainter(new StandardXYBarPainter());
        bars.setShadowVisible(false);
        bars.setSeriesPaint(0, look.first());
        bars.setDefaultCreateEntities(false);
        return bars;
    }

    private ValueAxis across() {
        if (log) {
            return PlotAxis.log(measure);
        }
        NumberAxis even = PlotAxis.even(measure);
        even.setAutoRangeIncludesZero(false);
        return even;
    }

    private XYSeries sum() {
        XYSeries sum = new XYSeries("up to");
        if (spread.classes() == 0) {
            return sum;
        }
        double least = spread.edge(0);
        double most = spread.edge(spread.classes());
        for (int i = 0; i <= STEPS; i++) {
            double share = (double) i / STEPS;
            double value = log ? least * Math.pow(most / least, share) : least + share * (most - least);
            sum.addOrUpdate(value, spread.percentUpTo(value));
        }
        return sum;
    }

    /** Writes PNG, SVG or CSV, as the file's ending says. */
    public void save(Path file) throws FileFault {
        new ChartDrawing(chart(), WIDTH, HEIGHT).save(file, DENSITY, this::csv);
    }

    /** A row a class: its ends, its share, and the share up to its end. */
    public String csv() {
        StringBuilder text = new StringBuilder("from,to,percent,percent_up_to\r\n");
        for (int i = 0; i < spread.classes(); i++) {
            text.append(Amounts.text(spread.edge(i)))
                    .append(',')
                    .append(Amounts.text(spread.edge(i + 1)))
                    .append(',')
                    .append(Amounts.text(spread.percent(i)))
                    .append(',')
                    .append(Amounts.text(spread.percentUpTo(spread.edge(i + 1))))
                    .append("\r\n");
        }
        return text.toString();
    }
}
