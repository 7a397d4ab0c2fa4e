package keentally.study.plot;

import java.awt.BasicStroke;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.stats.FieldStatistics;
import keentally.core.stats.LinearTrend;
import keentally.core.words.Sentences;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import org.jfree.chart.ChartRenderingInfo;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.SymbolAxis;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.DeviationRenderer;
import org.jfree.chart.renderer.xy.XYLineAndShapeRenderer;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;
import org.jfree.data.xy.YIntervalSeries;
import org.jfree.data.xy.YIntervalSeriesCollection;

/**
 * A number of the ledger, a dot a sample: by group with mean and 95 % interval, or against the number on the label with a fitted line and
 * its interval.
 *
 * @param title of the number, with its unit
 * @param across what the dots stand against; empty for groups
 */
public record LedgerPlot(String title, Optional<String> across, List<Dot> dots) {
    private static final int WIDTH = 560;
    private static final int HEIGHT = 360;
    private static final int DENSITY = 2;
    private static final double DOT = 7;
    private static final int LINE_PARTS = 40;

    /** Dots of a group lie in so many columns beside each other. */
    private static final int BESIDE = 5;

    private static final double APART = 0.07;

    public LedgerPlot {
        dots = List.copyOf(dots);
    }

    /**
     * A sample.
     *
     * @param id in its study
     * @param tag the number on its label; not-a-number for none
     * @param far whether it lies far from the rest
     */
    public record Dot(String id, String sample, String group, double tag, double value, boolean far) {}

    private List<String> groups() {
        return dots.stream().map(Dot::group).distinct().toList();
    }

    private double x(int dot) {
        Dot of = dots.get(dot);
        if (across.isPresent()) {
            return of.tag();
        }
        int before = 0;
        for (int i = 0; i < dot; i++) {
            before += dots.get(i).group().equals(of.group()) ? 1 : 0;
        }
        return groups().indexOf(of.group()) + APART * (before % BESIDE - BESIDE / 2);
    }

    private JFreeChart chart(PlotLook look) {
        XYSeries near = new XYSeries("samples", false, true);
        XYSeries far = new XYSeries("far", false, true);
        for (int i = 0; i < dots.size(); i++) {
            if (!Double.isNaN(x(i) + dots.get(i).value())) {
                (dots.get(i).far() ? far : near).add(x(i), dots.get(i).value());
            }
        }
        XYSeriesCollection points = new XYSeriesCollection(near);
        points.addSeries(far);
        XYLineAndShapeRenderer drawn = new XYLineAndShapeRenderer(false, true);
        drawn.setSeriesPaint(0, look.second());
        drawn.setSeriesShape(0, new Ellipse2D.Double(-DOT / 2, -DOT / 2, DOT, DOT));
        drawn.setSeriesPaint(1, look.ink());
        drawn.setSeriesShape(1, new Rectangle2D.Double(-DOT / 2, -DOT / 2, DOT, DOT));
        NumberAxis up = PlotAxis.even(title);
        up.setAutoRangeIncludesZero(false);
        up.setAutoRangeStickyZero(false);
        XYPlot plot = new XYPlot(points, axis(), up, drawn);
        look.dress(plot);
        if (across.isPresent()) {
            trend(plot, look);
        } else {
            means(plot, look);
        }
        JFreeChart chart = new JFreeChart(null, look.font(), plot, false);
        chart.setBackgroundPaint(look.paper());
        chart.setPadding(new RectangleInsets(8, 4, 4, 10));
        return chart;
    }

    private ValueAxis axis() {
        if (across.isPresent()) {
            NumberAxis axis = PlotAxis.even(across.get());
            axis.setAutoRangeIncludesZero(false);
            axis.setAutoRangeStickyZero(false);
            return axis;
        }
        SymbolAxis axis = new SymbolAxis(
                null,
                groups().stream()
                        .map(g -> g.isEmpty() ? Sentences.worded("no group") : g)
                        .toArray(String[]::new));
        axis.setGridBandsVisible(false);
        axis.setRange(-0.5, Math.max(0.5, groups().size() - 0.5));
        return axis;
    }

    /** A stroke at each group's mean, and its interval as a line up and down. */
    private void means(XYPlot plot, PlotLook look) {
        XYSeriesCollection lines = new XYSeriesCollection();
        for (int g = 0; g < groups().size(); g++) {
            FieldStatistics of = statistics(groups().get(g));
            add(lines, "m" + g, g - 0.28, of.mean(), g + 0.28, of.mean());
            if (!Double.isNaN(of.halfWidth())) {
                add(lines, "i" + g, g, of.mean() - of.halfWidth(), g, of.mean() + of.halfWidth());
            }
        }
        XYLineAndShapeRenderer drawn = new XYLineAndShapeRenderer(true, false);
        drawn.setDefaultPaint(look.first());
        drawn.setAutoPopulateSeriesPaint(false);
        drawn.setAutoPopulateSeriesStroke(false);
        drawn.setDefaultStroke(new BasicStroke(2.2f));
        plot.setDataset(1, lines);
        plot.setRenderer(1, drawn);
    }

    private static void add(XYSeriesCollection lines, String name, double x, double y, double toX, double toY) {
        XYSeries line = new XYSeries(name, false, true);
        line.add(x, y);
        line.add(toX, toY);
        lines.addSeries(line);
    }

    private FieldStatistics statistics(String group) {
        return FieldStatistics.of(dots.stream()
                .filter(d -> d.group().equals(group))
                .mapToDouble(Dot::value)
                .toArray());
    }

    /** The line through the dots; empty where there is none. */
    public Optional<LinearTrend> trend() {
        return LinearTrend.of(
                dots.stream().mapToDouble(Dot::tag).toArray(),
                dots.stream().mapToDouble(Dot::value).toArray());
    }

    private void trend(XYPlot plot, PlotLook look) {
        Optional<LinearTrend> fitted = trend();
        if (fitted.isEmpty()) {
            return;
        }
        LinearTrend trend = fitted.get();
        double[] tags = dots.stream()
                .mapToDouble(Dot::tag)
                .filter(t -> !Double.isNaN(t))
                .sorted()
                .toArray();
        YIntervalSeries line = new YIntervalSeries("trend");
        for (int i = 0; i <= LINE_PARTS; i++) {
            double x = tags[0] + (tags[tags.length - 1] - tags[0]) * i / LINE_PARTS;
            double half = Double.isNaN(trend.halfWidth(x)) ? 0 : trend.halfWidth(x);
            line.add(x, trend.at(x), trend.at(x) - half, trend.at(x) + half);
        }
        YIntervalSeriesCollection lines = new YIntervalSeriesCollection();
        lines.addSeries(line);
        DeviationRenderer drawn = new DeviationRenderer(true, false);
        drawn.setSeriesPaint(0, look.first());
        drawn.setSeriesFillPaint(0, look.first());
        drawn.setAlpha(0.2f);
        drawn.setSeriesStroke(0, new BasicStroke(2f));
        plot.setDataset(1, lines);
        plot.setRenderer(1, drawn);
    }

    /**
     * As pixels, twice as many as it is to take on the screen, with the place of each dot.
     *
     * @param places of the dots in points of the picture; nothing for a dot that is not drawn
     */
    public record Drawn(BufferedImage image, List<Optional<double[]>> places) {
        /** The dot that is nearest to a place, where one lies near it. */
        public Optional<Integer> at(double x, double y) {
            double nearest = 2 * DOT;
            Optional<Integer> found = Optional.empty();
            for (int i = 0; i < places.size(); i++) {
                if (places.get(i).isPresent()) {
                    double off =
                            Math.hypot(places.get(i).get()[0] - x, places.get(i).get()[1] - y);
                    if (off < nearest) {
                        nearest = off;
                        found = Optional.of(i);
                    }
                }
            }
            return found;
        }
    }

    /** Drawn for the screen. */
    public Drawn drawn(PlotLook look) {
        JFreeChart chart = chart(look);
        BufferedImage image = new ChartDrawing(chart, WIDTH, HEIGHT).image(DENSITY);
        ChartRenderingInfo info = new ChartRenderingInfo();
        chart.draw(
                new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics(),
                new Rectangle2D.Double(0, 0, WIDTH, HEIGHT),
                info);
        Rectangle2D area = info.getPlotInfo().getDataArea();
        XYPlot plot = chart.getXYPlot();
        List<Optional<double[]>> places = new ArrayList<>();
        for (int i = 0; i < dots.size(); i++) {
            double x = plot.getDomainAxis().valueToJava2D(x(i), area, plot.getDomainAxisEdge());
            double y = plot.getRangeAxis().valueToJava2D(dots.get(i).value(), area, plot.getRangeAxisEdge());
            places.add(Double.isNaN(x + y) ? Optional.empty() : Optional.of(new double[] {x, y}));
        }
        return new Drawn(image, places);
    }

    /** In points. */
    public static int width() {
        return WIDTH;
    }

    /** Writes PNG, SVG or CSV, as the file's ending says. */
    public void save(Path file) throws FileFault {
        print().save(file, DENSITY, this::csv);
    }

    /** For a page. */
    public Drawing drawing() {
        return print();
    }

    private ChartDrawing print() {
        return new ChartDrawing(chart(PlotLook.PRINT), WIDTH, HEIGHT);
    }

    public String csv() {
        return Sheet.whole(
                List.of("sample", "group", "tag", "value", "far"),
                dots.stream()
                        .map(d -> List.of(
                                Sheet.text(d.sample()),
                                Sheet.text(d.group()),
                                Sheet.number(d.tag()),
                                Sheet.number(d.value()),
                                d.far() ? "1" : "0"))
                        .toList());
    }
}
