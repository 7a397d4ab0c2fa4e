package keentally.study.plot;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.view.Inks;
import keentally.core.words.Sentences;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.block.BlockBorder;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.xy.XYLineAndShapeRenderer;
import org.jfree.chart.ui.RectangleEdge;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.xy.XYSeries;
import org.jfree.data.xy.XYSeriesCollection;

/**
 * How a measure is distributed over the objects of each group of samples: what share of the objects has no more of it, by number.
 *
 * @param title of the measure, with its unit
 */
public record SizesPlot(String title, List<Group> groups) {
    private static final int WIDTH = 560;
    private static final int HEIGHT = 360;
    private static final int DENSITY = 2;

    /** More points than these nobody sees apart. */
    private static final int MOST_POINTS = 400;

    private static final float[][] STROKES = {{}, {9, 3}, {3, 3}, {9, 3, 3, 3}};

    public SizesPlot {
        groups = List.copyOf(groups);
    }

    /**
     * The objects of some samples.
     *
     * @param name empty for no group
     * @param values of the measure, without those that are no number
     */
    public record Group(String name, double[] values) {
        public Group {
            values =
                    Arrays.stream(values).filter(v -> !Double.isNaN(v)).sorted().toArray();
        }

        String title() {
            return (name.isEmpty() ? Sentences.worded("no group") : name) + ", " + values.length;
        }
    }

    private JFreeChart chart(PlotLook look) {
        XYSeriesCollection lines = new XYSeriesCollection();
        XYLineAndShapeRenderer drawn = new XYLineAndShapeRenderer(true, false);
        for (int g = 0; g < groups.size(); g++) {
            lines.addSeries(line(g));
            drawn.setSeriesPaint(g, new Color(Inks.OBJECTS.get(g % Inks.OBJECTS.size())));
            float[] dashes = STROKES[g / Inks.OBJECTS.size() % STROKES.length];
            drawn.setSeriesStroke(
                    g,
                    dashes.length == 0
                            ? new BasicStroke(1.8f)
                            : new BasicStroke(1.8f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, dashes, 0));
        }
        NumberAxis across = PlotAxis.even(title);
        NumberAxis up = PlotAxis.even("% of objects, up to");
        up.setRange(0, 100);
        XYPlot plot = new XYPlot(lines, across, up, drawn);
        look.dress(plot);
        JFreeChart chart = new JFreeChart(null, look.font(), plot, true);
        chart.setBackgroundPaint(look.paper());
        chart.setPadding(new RectangleInsets(8, 4, 4, 10));
        chart.getLegend().setBackgroundPaint(look.paper());
        chart.getLegend().setItemFont(look.font());
        chart.getLegend().setItemPaint(look.ink());
        chart.getLegend().setPosition(RectangleEdge.TOP);
        chart.getLegend().setFrame(BlockBorder.NONE);
        return chart;
    }

    private XYSeries line(int group) {
        Group of = groups.get(group);
        String all = Sentences.worded(of.values().length + (of.values().length == 1 ? " object" : " objects"));
        boolean alone = groups.size() == 1 && of.name().isEmpty();
        String first = group == 0 ? " " + Sentences.worded("objects") : "";
        XYSeries line = new XYSeries(alone ? all : of.title() + first, false, true);
        int n = of.values().length;
        int step = Math.max(1, n / MOST_POINTS);
        for (int i = 0; i < n; i += step) {
            line.add(of.values()[i], 100.0 * (i + 1) / n);
        }
        if (n > 0) {
            line.add(of.values()[n - 1], 100);
        }
        return line;
    }

    /** As pixels, twice as many as it is to take on the screen. */
    public BufferedImage image(PlotLook look) {
        return new ChartDrawing(chart(look), WIDTH, HEIGHT).image(DENSITY);
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

    private String csv() {
        return Sheet.whole(
                List.of("group", "value", "percent_up_to"),
                groups.stream()
                        .flatMap(g -> IntStream.range(0, g.values().length)
                                .mapToObj(i -> List.of(
                                        Sheet.text(g.name()),
                                        Sheet.number(g.values()[i]),
                                        Sheet.number(100.0 * (i + 1) / g.values().length))))
                        .toList());
    }
}
