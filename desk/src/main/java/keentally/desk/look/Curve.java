package keentally.desk.look;

import java.util.List;
import javafx.scene.chart.LineChart;
import javafx.scene.chart.NumberAxis;
import javafx.scene.chart.XYChart;
import javafx.util.StringConverter;
import keentally.core.words.Figures;

/** A small plot of one number against another, or of two numbers against one, in a panel. */
public final class Curve extends LineChart<Number, Number> {
    /**
     * @param x across
     * @param y up
     */
    public record At(double x, double y) {}

    /** @param across and up are what stands beside the axes, where anything does */
    public Curve(String id, String across, String up, double height) {
        super(axis(across), axis(up));
        setId(id);
        setAnimated(false);
        setLegendVisible(false);
        setVerticalGridLinesVisible(false);
        setMinHeight(height);
        setPrefHeight(height);
        setMaxHeight(height);
        getStyleClass().add("curve");
    }

    public static final StringConverter<Number> NUMBERS = new StringConverter<>() {
        @Override
        public String toString(Number number) {
            return Figures.number(number.doubleValue());
        }

        @Override
        public Number fromString(String text) {
            throw new UnsupportedOperationException("told, not typed");
        }
    };

    private static NumberAxis axis(String label) {
        NumberAxis axis = new NumberAxis();
        axis.setForceZeroInRange(false);
        axis.setMinorTickVisible(false);
        axis.setTickLabelFormatter(NUMBERS);
        axis.setLabel(label.isEmpty() ? null : label);
        return axis;
    }

    /** Each list is a line; not-a-number is left out. */
    @SafeVarargs
    public final void show(List<At>... lines) {
        getData().clear();
        for (List<At> line : lines) {
            XYChart.Series<Number, Number> series = new XYChart.Series<>();
            for (At at : line) {
                if (!Double.isNaN(at.y())) {
                    series.getData().add(new XYChart.Data<>(at.x(), at.y()));
                }
            }
            getData().add(series);
        }
    }
}
