package keentally.desk.objects;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import keentally.core.stats.Distribution;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** Classes as bars, the cumulative share as a line, and the two ends of a gate to be dragged. What the gate keeps is filled. */
final class DistributionPlot extends Pane {
    private static final double LEFT = 40;
    private static final double RIGHT = 38;
    private static final double TOP = 12;
    private static final double BOTTOM = 22;
    private static final double REACH = 7;
    private static final double GRIP = 9;

    private final Path kept = new Path();
    private final Path rest = new Path();
    private final Path chosen = new Path();
    private final Path sum = new Path();
    private final Region low = bar("gate-low");
    private final Region high = bar("gate-high");
    private final List<Label> axis = List.of(new Label(), new Label(), new Label(), new Label(), new Label());
    private Optional<Distribution> shown = Optional.empty();
    private double[] picked = {};
    private boolean log;
    private boolean cumulative;
    private MeasureGate.Range range = MeasureGate.Range.ALL;

    /** The end that the hand holds: −1 the lower, 1 the upper, 0 none. */
    private int held;

    private boolean moved;

    /**
     * @param onDrag told the range while one of its ends is dragged
     * @param onDone told the range when it is let go
     * @param onPick told a value that was clicked
     */
    DistributionPlot(Consumer<MeasureGate.Range> onDrag, Consumer<MeasureGate.Range> onDone, DoubleConsumer onPick) {
        setId("distribution");
        getStyleClass().add("histogram");
        kept.getStyleClass().add("histogram-kept");
        rest.getStyleClass().add("histogram-rest");
        chosen.getStyleClass().add("distribution-chosen");
        sum.getStyleClass().add("distribution-sum");
        setMinHeight(110); // so that the numbers below it are seen where the row above it takes two lines
        setPrefHeight(190);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(Texts.of("distribution.plot"));
        Tip.on(this, Texts.of("distribution.hint"));
        getChildren().addAll(rest, kept, chosen, sum, low, high);
        for (Label label : axis) {
            label.getStyleClass().add("axis");
            label.setMouseTransparent(true);
            getChildren().add(label);
        }
        setOnMousePressed(e -> {
            moved = false;
            held = shown.isPresent() ? end(e.getX()) : 0;
            e.consume();
        });
        setOnMouseDragged(e -> {
            if (held != 0) {
                moved = true;
                range = dragged(valueAt(e.getX()));
                requestLayout();
                onDrag.accept(range);
            }
        });
        setOnMouseReleased(e -> {
            if (held != 0 && moved) {
                onDone.accept(range);
            } else if (shown.isPresent()) {
                onPick.accept(valueAt(e.getX()));
            }
            held = 0;
            requestLayout();
        });
    }

    private static Region bar(String id) {
        Region bar = new Region();
        bar.setId(id);
        bar.getStyleClass().add("gate-bar");
        bar.setMouseTransparent(true);
        return bar;
    }

    /** The end of the gate under the mouse; open ends lie at the plot's sides. */
    private int end(double x) {
        double toLow = Math.abs(x - xOf(lowShown()));
        double toHigh = Math.abs(x - xOf(highShown()));
        return Math.min(toLow, toHigh) > REACH ? 0 : toLow <= toHigh ? -1 : 1;
    }

    /** An end that is dragged to the plot's side is open. */
    private MeasureGate.Range dragged(double value) {
        Distribution d = shown.orElseThrow();
        double least = d.edge(0);
        double most = d.edge(d.classes());
        if (held < 0) {
            double to = Math.min(value, highShown());
            return new MeasureGate.Range(to <= least ? Double.NEGATIVE_INFINITY : to, range.high());
        }
        double to = Math.max(value, lowShown());
        return new MeasureGate.Range(range.low(), to >= most ? Double.POSITIVE_INFINITY : to);
    }

    private double lowShown() {
        Distribution d = shown.orElseThrow();
        return Math.clamp(range.low(), d.edge(0), d.edge(d.classes()));
    }

    private double highShown() {
        Distribution d = shown.orElseThrow();
        return Math.clamp(range.high(), d.edge(0), d.edge(d.classes()));
    }

    /** Shows a distribution; while an end is dragged, the one that was. @param isLog as its classes are */
    void show(Optional<Distribution> other, boolean isLog, boolean showsSum, MeasureGate.Range gate) {
        if (held == 0) {
            shown = other.filter(d -> d.classes() > 0);
            log = isLog;
            range = gate;
        }
        cumulative = showsSum;
        requestLayout();
    }

    /** Values of the objects that are selected. */
    void pick(double[] values) {
        picked = values.clone();
        requestLayout();
    }

    private double share(double value) {
        Distribution d = shown.orElseThrow();
        double least = d.edge(0);
        double most = d.edge(d.classes());
        if (most <= least) {
            return 0.5;
        }
        return log ? Math.log(value / least) / Math.log(most / least) : (value - least) / (most - least);
    }

    private double xOf(double value) {
        return LEFT + share(value) * (getWidth() - LEFT - RIGHT);
    }

    private double valueAt(double x) {
        Distribution d = shown.orElseThrow();
        double share = Math.clamp((x - LEFT) / (getWidth() - LEFT - RIGHT), 0, 1);
        double least = d.edge(0);
        double most = d.edge(d.classes());
        return log ? least * Math.pow(most / least, share) : least + share * (most - least);
    }

    @Override
    protected void layoutChildren() {
        for (Path path : List.of(kept, rest, chosen, sum)) {
            path.getElements().clear();
        }
        getChildren().forEach(n -> n.setVisible(shown.isPresent()));
        if (shown.isEmpty()) {
            return;
        }
        Distribution d = shown.get();
        double bottom = getHeight() - BOTTOM;
        double tallest = 0;
        for (int i = 0; i < d.classes(); i++) {
            tallest = Math.max(tallest, d.percent(i));
        }
        for (int i = 0; i < d.classes(); i++) {
            double height = d.percent(i) / tallest * (bottom - TOP);
            double middle = (d.edge(i) + d.edge(i + 1)) / 2;
            double left = d.classes() == 1 ? getWidth() / 2 - 20 : xOf(d.edge(i));
            double right = d.classes() == 1 ? getWidth() / 2 + 20 : xOf(d.edge(i + 1)) - 1;
            box(range.holds(middle) ? kept : rest, left, bottom - height, right, bottom);
        }
        ticks(d, bottom);
        if (cumulative) {
            sum(d, bottom);
        }
        low.resizeRelocate(xOf(lowShown()) - GRIP / 2, TOP - 4, GRIP, bottom - TOP + 8);
        high.resizeRelocate(xOf(highShown()) - GRIP / 2, TOP - 4, GRIP, bottom - TOP + 8);
        numbers(d, tallest, bottom);
    }

    /** Selected values, however many: one tick a pixel at most. */
    private void ticks(Distribution d, double bottom) {
        Arrays.stream(picked)
                .filter(v -> v >= d.edge(0) && v <= d.edge(d.classes()))
                .mapToLong(v -> Math.round(xOf(v)))
                .distinct()
                .forEach(x -> box(chosen, x - 0.75, bottom - 10, x + 0.75, bottom + 3));
    }

    private static void box(Path path, double left, double top, double right, double bottom) {
        path.getElements()
                .addAll(
                        new MoveTo(left, bottom),
                        new LineTo(left, top),
                        new LineTo(right, top),
                        new LineTo(right, bottom),
                        new ClosePath());
    }

    private void sum(Distribution d, double bottom) {
        int steps = 120;
        for (int i = 0; i <= steps; i++) {
            double x = LEFT + i * (getWidth() - LEFT - RIGHT) / steps;
            double y = bottom - d.percentUpTo(valueAt(x)) / 100 * (bottom - TOP);
            sum.getElements().add(i == 0 ? new MoveTo(x, y) : new LineTo(x, y));
        }
    }

    /** Least and greatest below, the tallest class at the left, 100 % of the line at the right. */
    private void numbers(Distribution d, double tallest, double bottom) {
        double half = (getWidth() - LEFT - RIGHT) / 2;
        place(axis.get(0), Figures.number(d.edge(0)), LEFT, bottom + 3, half, Pos.CENTER_LEFT);
        place(axis.get(1), Figures.number(d.edge(d.classes())), LEFT + half, bottom + 3, half, Pos.CENTER_RIGHT);
        place(axis.get(2), Math.round(tallest) + " %", 0, TOP - 8, LEFT - 4, Pos.CENTER_RIGHT);
        place(axis.get(3), cumulative ? "100 %" : "", getWidth() - RIGHT + 4, TOP - 8, RIGHT - 4, Pos.CENTER_LEFT);
        place(
                axis.get(4),
                held == 0
                        ? Texts.of(log ? "distribution.log" : "distribution.linear")
                        : Texts.of(
                                held < 0 ? "distribution.from" : "distribution.to",
                                Figures.number(held < 0 ? lowShown() : highShown())),
                LEFT,
                bottom + 3,
                2 * half,
                Pos.CENTER);
    }

    private static void place(Label label, String text, double x, double y, double width, Pos at) {
        label.setText(text);
        label.setAlignment(at);
        label.resizeRelocate(x, y, width, 18);
    }
}
