package keentally.desk.look;

import java.util.ArrayList;
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

    private List<List<At>> shown = List.of();

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

    /** Each list is a line; not-a-number is left out. Lines of as many points as are there are moved, which a drag needs to be cheap. */
    @SafeVarargs
    public final void show(List<At>... lines) {
        List<List<At>> told = new ArrayList<>();
        for (List<At> line : lines) {
            told.add(line.stream().filter(at -> !Double.isNaN(at.y())).toList());
        }
        if (told.equals(shown)) {
            return;
        }
        if (told.stream()
                .map(List::size)
                .toList()
                .equals(shown.stream().map(List::size).toList())) {
            move(told);
        } else {
            getData().setAll(told.stream().map(Curve::series).toList());
        }
        shown = told;
    }

    private void move(List<List<At>> lines) {
        for (int i = 0; i < lines.size(); i++) {
            List<XYChart.Data<Number, Number>> points = getData().get(i).getData();
            for (int j = 0; j < points.size(); j++) {
                points.get(j).setXValue(lines.get(i).get(j).x());
                points.get(j).setYValue(lines.get(i).get(j).y());
            }
        }
    }

    private static XYChart.Series<Number, Number> series(List<At> line) {
        XYChart.Series<Number, Number> series = new XYChart.Series<>();
        line.forEach(at -> series.getData().add(new XYChart.Data<>(at.x(), at.y())));
        return series;
    }
}
