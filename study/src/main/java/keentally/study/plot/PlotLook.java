package keentally.study.plot;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.util.ArrayList;
import java.util.List;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.ui.RectangleInsets;

/** The colours and the type of a plot. */
public record PlotLook(Color paper, Color ink, Color grid, Color first, Color second, Font font) {
    /** On white paper, for files. */
    public static final PlotLook PRINT = new PlotLook(
            Color.WHITE,
            new Color(0x1E2730),
            new Color(0xE4E0D6),
            new Color(0x35A4AE),
            new Color(0x7A2E6E),
            Typeface.regular(12));

    /** Puts colours and type on a plot and its axes. */
    void dress(XYPlot plot) {
        plot.setBackgroundPaint(paper);
        plot.setDomainGridlinesVisible(false);
        plot.setRangeGridlinePaint(grid);
        plot.setRangeGridlineStroke(new BasicStroke(1));
        plot.setOutlineVisible(false);
        plot.setAxisOffset(RectangleInsets.ZERO_INSETS);
        List<ValueAxis> axes = new ArrayList<>(List.of(plot.getDomainAxis()));
        for (int i = 0; i < plot.getRangeAxisCount(); i++) {
            axes.add(plot.getRangeAxis(i));
        }
        for (ValueAxis axis : axes) {
            axis.setLabelFont(font);
            axis.setTickLabelFont(font);
            axis.setLabelPaint(ink);
            axis.setTickLabelPaint(ink);
            axis.setAxisLinePaint(grid);
            axis.setTickMarksVisible(false);
        }
    }
}
