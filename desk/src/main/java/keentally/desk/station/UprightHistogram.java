package keentally.desk.station;

import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;

/**
 * The histogram standing upright, levels running up, with the cut as a bar across it. What is kept is filled, the rest is
 * hollow. The bar is dragged by the mouse or moved by the arrow keys.
 */
final class UprightHistogram extends Pane {
    private static final PseudoClass KEPT = PseudoClass.getPseudoClass("kept");
    private static final double GRIP = 9;
    private static final double LEFT = 62;
    private static final double PAD = 12;
    private static final double SHARE_ROOM = 28;

    private final Path kept = new Path();
    private final Path rest = new Path();
    private final Region bar = new Region();
    private final Region grip = new Region();
    private final Label top = new Label();
    private final Label bottom = new Label();
    private final Label at = new Label();
    private final Label above = new Label();
    private final Label below = new Label();
    private Optional<LevelProfile> profile = Optional.empty();
    private double cut = Double.NaN;
    private boolean keepsBright = true;
    private boolean dragging;

    /**
     * @param onDrag told each value while the bar is dragged
     * @param onDone told the value where it is let go
     */
    UprightHistogram(DoubleConsumer onDrag, DoubleConsumer onDone) {
        setId("histogram");
        getStyleClass().add("histogram");
        kept.getStyleClass().add("histogram-kept");
        rest.getStyleClass().add("histogram-rest");
        bar.getStyleClass().add("cut-bar");
        grip.getStyleClass().add("cut-grip");
        at.getStyleClass().add("cut-value");
        at.setId("cut-value");
        top.getStyleClass().add("axis");
        bottom.getStyleClass().add("axis");
        above.getStyleClass().add("share");
        above.setId("share-bright");
        below.getStyleClass().add("share");
        below.setId("share-dark");
        above.setAlignment(Pos.TOP_RIGHT);
        below.setAlignment(Pos.BOTTOM_RIGHT);
        for (Region r : new Region[] {bar, grip, top, bottom, at, above, below}) {
            r.setMouseTransparent(true);
        }
        getChildren().addAll(rest, kept, top, bottom, above, below, bar, grip, at);
        setCursor(Cursor.V_RESIZE);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Texts.of("threshold.bar"));
        setPrefHeight(300);
        setMinHeight(170);
        setOnMousePressed(e -> {
            requestFocus();
            dragging = profile.isPresent();
            drag(e.getY(), onDrag);
            e.consume();
        });
        setOnMouseDragged(e -> drag(e.getY(), onDrag));
        setOnMouseReleased(e -> {
            if (dragging) {
                dragging = false;
                onDone.accept(cut);
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, e -> step(e, onDone));
    }

    private void drag(double y, DoubleConsumer onDrag) {
        if (dragging) {
            cut = valueAt(y);
            requestLayout();
            onDrag.accept(cut);
        }
    }

    private void step(KeyEvent e, DoubleConsumer onDone) {
        int sign = e.getCode() == KeyCode.UP ? 1 : e.getCode() == KeyCode.DOWN ? -1 : 0;
        if (sign == 0 || profile.isEmpty() || Double.isNaN(cut)) {
            return;
        }
        LevelProfile p = profile.get();
        double step = p.whole() ? Math.max(1, Math.rint((p.high() - p.low()) / 500)) : (p.high() - p.low()) / 500;
        cut = Math.clamp(cut + sign * step, p.low(), p.high());
        onDone.accept(cut);
        e.consume();
    }

    /** Shows another histogram, or none while it is being made. */
    void show(Optional<LevelProfile> other) {
        profile = other;
        requestLayout();
    }

    /** Puts the bar at a cut, unless it is being dragged. */
    void show(double newCut, boolean bright) {
        keepsBright = bright;
        if (!dragging) {
            cut = newCut;
        }
        requestLayout();
    }

    private double valueAt(double y) {
        LevelProfile p = profile.orElseThrow();
        double share = Math.clamp((getHeight() - PAD - y) / (getHeight() - 2 * PAD), 0, 1);
        double value = p.low() + share * (p.high() - p.low());
        return p.whole() ? Math.rint(value) : value;
    }

    private double yOf(LevelProfile p, double value) {
        double share = p.high() > p.low() ? (value - p.low()) / (p.high() - p.low()) : 0;
        return getHeight() - PAD - Math.clamp(share, 0, 1) * (getHeight() - 2 * PAD);
    }

    @Override
    protected void layoutChildren() {
        kept.getElements().clear();
        rest.getElements().clear();
        boolean there = profile.isPresent();
        for (var node : getChildren()) {
            node.setVisible(there);
        }
        if (!there) {
            return;
        }
        LevelProfile p = profile.get();
        boolean isCut = !Double.isNaN(cut);
        double width = getWidth() - LEFT - 6;
        bars(p, width);
        place(top, Figures.number(p.high()), 0, PAD - 8, LEFT - 8);
        place(bottom, Figures.number(p.low()), 0, getHeight() - PAD - 8, LEFT - 8);
        for (Region r : new Region[] {bar, grip, at, above, below}) {
            r.setVisible(isCut);
        }
        if (!isCut) {
            return;
        }
        double y = yOf(p, cut);
        bar.resizeRelocate(LEFT - 4, y - 1, getWidth() - LEFT + 4, 2);
        grip.resizeRelocate(getWidth() - 2 * GRIP - 2, y - GRIP / 1.5, 2 * GRIP, GRIP * 1.34);
        place(at, Figures.number(cut), 0, Math.clamp(y - 9, 10, getHeight() - 28), LEFT - 4);
        boolean nearTop = Math.abs(at.getLayoutY() - top.getLayoutY()) < 16;
        boolean nearBottom = Math.abs(at.getLayoutY() - bottom.getLayoutY()) < 16;
        top.setVisible(!nearTop);
        bottom.setVisible(!nearBottom);
        double dark = p.percentUpTo(cut);
        above.setText(Texts.of("threshold.share.bright", Figures.percent(100 - dark)));
        below.setText(Texts.of("threshold.share.dark", Figures.percent(dark)));
        double above0 = y < SHARE_ROOM ? y + 6 : y > getHeight() - SHARE_ROOM ? y - 46 : y - 26;
        double below0 = y < SHARE_ROOM ? y + 26 : y > getHeight() - SHARE_ROOM ? y - 26 : y + 6;
        above.resizeRelocate(LEFT, above0, width - 2 * GRIP - 2, 20);
        below.resizeRelocate(LEFT, below0, width - 2 * GRIP - 2, 20);
        above.pseudoClassStateChanged(KEPT, keepsBright);
        below.pseudoClassStateChanged(KEPT, !keepsBright);
    }

    private static void place(Label label, String text, double x, double y, double width) {
        label.setText(text);
        label.setAlignment(Pos.CENTER_RIGHT);
        label.resizeRelocate(x, y, width, 18);
    }

    /** Bars as long as the square root of their counts, so that a small hump beside a large one can be seen. */
    private void bars(LevelProfile p, double width) {
        double tallest = Math.sqrt(p.tallest());
        double step = (getHeight() - 2 * PAD) / LevelProfile.ROWS;
        for (int i = 0; i < LevelProfile.ROWS; i++) {
            if (p.rows()[i] == 0) {
                continue;
            }
            double length = Math.max(1, width * Math.sqrt(p.rows()[i]) / tallest);
            double y = getHeight() - PAD - (i + 1) * step;
            double value = p.low() + (i + 0.5) / LevelProfile.ROWS * (p.high() - p.low());
            boolean chosen = Double.isNaN(cut) || value > cut == keepsBright;
            (chosen ? kept : rest)
                    .getElements()
                    .addAll(
                            new MoveTo(LEFT, y),
                            new LineTo(LEFT + length, y),
                            new LineTo(LEFT + length, y + step + 0.3),
                            new LineTo(LEFT, y + step + 0.3),
                            new ClosePath());
        }
    }
}
