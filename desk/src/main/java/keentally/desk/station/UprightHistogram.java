package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.IntegerProperty;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import keentally.core.words.Figures;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;

/**
 * The histogram standing upright, levels running up, with the cuts as bars across it. What is kept is filled, the rest is
 * hollow. A bar is dragged by the mouse, the one touched last is moved by the arrow keys; none passes another. Where two cuts are the ends
 * of one band, the bracket between them moves both, and so does Shift with an arrow key.
 */
final class UprightHistogram extends Pane {
    private static final PseudoClass KEPT = PseudoClass.getPseudoClass("kept");
    private static final PseudoClass HELD = PseudoClass.getPseudoClass("held");
    private static final double GRIP = 9;
    private static final double LEFT = 62;
    private static final double PAD = 12;
    private static final double SHARE_ROOM = 28;
    private static final double LINE = 16;

    /** What lies between two cuts. */
    interface Parts {
        /** Whether the part, from 0 below the first cut upwards, is filled. */
        boolean kept(int part);

        /** What is said of its share. */
        String share(int part, double percent);

        /** Whether two cuts are the ends of a band, which can be moved as one. */
        default boolean isBand() {
            return false;
        }
    }

    /** The whole histogram for each part between cuts, of which only that part is seen. */
    private final List<UprightRows> sides = new ArrayList<>();

    private final Label top = new Label();
    private final Label bottom = new Label();
    private final Label above = new Label();
    private final Label below = new Label();
    private final List<Bar> bars = new ArrayList<>();
    private final Parts parts;
    private Optional<LevelProfile> profile = Optional.empty();
    private double[] cuts = {};
    private final IntegerProperty held;
    private final Region bracket = new Region();
    private boolean dragging;

    /** Whether the bracket is dragged, and from which value. */
    private boolean together;

    private double from;

    /** A cut's line, its grip and its value. */
    private record Bar(Region line, Region grip, Label value) {
        static Bar make(int number) {
            Bar bar = new Bar(new Region(), new Region(), new Label());
            bar.line.getStyleClass().add("cut-bar");
            bar.grip.getStyleClass().add("cut-grip");
            bar.value.getStyleClass().add("cut-value");
            bar.value.setId(number == 0 ? "cut-value" : "cut-value-" + number);
            return bar;
        }

        List<Region> regions() {
            return List.of(line, grip, value);
        }
    }

    /**
     * @param onDrag told the cuts again and again while a bar is dragged
     * @param onDone told the cuts where it is let go
     * @param held the cut touched last, from 0
     */
    UprightHistogram(Parts parts, Consumer<double[]> onDrag, Consumer<double[]> onDone, IntegerProperty held) {
        Copies.from(this, () -> Copies.put(Copies.plot(this, "")));
        this.parts = parts;
        this.held = held;
        setId("histogram");
        getStyleClass().add("histogram");
        top.getStyleClass().add("axis");
        bottom.getStyleClass().add("axis");
        above.getStyleClass().add("share");
        above.setId("share-bright");
        below.getStyleClass().add("share");
        below.setId("share-dark");
        above.setAlignment(Pos.TOP_RIGHT);
        below.setAlignment(Pos.BOTTOM_RIGHT);
        for (Region r : List.of(top, bottom, above, below)) {
            r.setMouseTransparent(true);
        }
        bracket.getStyleClass().add("cut-bracket");
        bracket.setId("cut-bracket");
        bracket.setMouseTransparent(true);
        getChildren().addAll(bracket, top, bottom, above, below);
        pieces();
        setCursor(Cursor.V_RESIZE);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Texts.of("threshold.bar"));
        setPrefHeight(300);
        setMinHeight(170);
        setOnMousePressed(e -> {
            requestFocus();
            dragging = profile.isPresent();
            take(e.getY());
            drag(e.getY(), onDrag);
            e.consume();
        });
        setOnMouseDragged(e -> drag(e.getY(), onDrag));
        setOnMouseReleased(e -> {
            if (dragging) {
                dragging = false;
                onDone.accept(cuts.clone());
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, e -> step(e, onDone));
    }

    /** Holds the cut that is nearest; the first press on a histogram without cuts makes one. */
    private void take(double y) {
        if (!dragging) {
            return;
        }
        if (cuts.length == 0) {
            cuts = new double[] {valueAt(y)};
            pieces();
        }
        LevelProfile p = profile.orElseThrow();
        together = isBand() && inBracket(p, y);
        from = valueAt(y);
        int nearest = 0;
        for (int i = 1; i < cuts.length; i++) {
            boolean nearer = Math.abs(yOf(p, cuts[i]) - y) < Math.abs(yOf(p, cuts[nearest]) - y);
            nearest = nearer ? i : nearest;
        }
        held.set(nearest);
    }

    private boolean isBand() {
        return parts.isBand() && cuts.length == 2;
    }

    /** Nearer to the middle of the band than to its ends. */
    private boolean inBracket(LevelProfile p, double y) {
        double low = yOf(p, cuts[0]);
        double high = yOf(p, cuts[1]);
        return Math.abs(y - (low + high) / 2) < (low - high) / 4;
    }

    private void drag(double y, Consumer<double[]> onDrag) {
        if (dragging) {
            if (together) {
                double to = valueAt(y);
                moveBoth(to - from);
                from = to;
            } else {
                move(valueAt(y));
            }
            requestLayout();
            onDrag.accept(cuts.clone());
        }
    }

    /** Where two cuts are as near as they can be, the one that is held stays where it is. */
    private void move(double value) {
        LevelProfile p = profile.orElseThrow();
        int at = held.get();
        double least = p.whole() ? 1 : (p.high() - p.low()) / 1000;
        double low = at > 0 ? cuts[at - 1] + least : p.low();
        double high = at < cuts.length - 1 ? cuts[at + 1] - least : p.high();
        if (low <= high) {
            cuts[at] = Math.clamp(value, low, high);
        }
    }

    /** As far as both ends stay within what occurs. */
    private void moveBoth(double by) {
        LevelProfile p = profile.orElseThrow();
        double within = Math.clamp(by, Math.min(0, p.low() - cuts[0]), Math.max(0, p.high() - cuts[1]));
        cuts = new double[] {cuts[0] + within, cuts[1] + within};
    }

    private void step(KeyEvent e, Consumer<double[]> onDone) {
        int sign = e.getCode() == KeyCode.UP ? 1 : e.getCode() == KeyCode.DOWN ? -1 : 0;
        if (sign == 0 || profile.isEmpty() || cuts.length == 0) {
            return;
        }
        LevelProfile p = profile.get();
        double step = p.whole() ? Math.max(1, Math.rint((p.high() - p.low()) / 500)) : (p.high() - p.low()) / 500;
        if (e.isShiftDown() && isBand()) {
            moveBoth(sign * step);
        } else {
            move(cuts[held.get()] + sign * step);
        }
        onDone.accept(cuts.clone());
        e.consume();
    }

    /** Shows another histogram, or none while it is being made. */
    void show(Optional<LevelProfile> other) {
        profile = other;
        requestLayout();
    }

    /** Puts the bars at cuts, upwards, unless one is being dragged. */
    void show(double... newCuts) {
        if (!dragging) {
            cuts = newCuts.clone();
            if (cuts.length > 0) {
                held.set(Math.min(held.get(), cuts.length - 1));
            }
        }
        pieces();
        requestLayout();
    }

    /** As many bars as there are cuts, and a part more. */
    private void pieces() {
        while (sides.size() <= cuts.length) {
            UprightRows side = new UprightRows("histogram-kept");
            sides.add(side);
            getChildren().addFirst(side);
        }
        while (bars.size() < cuts.length) {
            Bar bar = Bar.make(bars.size());
            bars.add(bar);
            bar.regions().forEach(r -> r.setMouseTransparent(true));
            getChildren().addAll(bar.regions());
        }
    }

    /** The cut touched last, from 0. */
    IntegerProperty held() {
        return held;
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
        boolean there = profile.isPresent();
        for (var node : getChildren()) {
            node.setVisible(there);
        }
        if (!there) {
            return;
        }
        LevelProfile p = profile.get();
        sides(p);
        place(top, Figures.number(p.high()), 0, PAD - 8, LEFT - 8);
        place(bottom, Figures.number(p.low()), 0, getHeight() - PAD - 8, LEFT - 8);
        for (int i = 0; i < bars.size(); i++) {
            boolean isCut = i < cuts.length;
            bars.get(i).regions().forEach(r -> r.setVisible(isCut));
            if (isCut) {
                bar(p, i);
            }
        }
        bracket(p);
        above.setVisible(cuts.length > 0);
        below.setVisible(cuts.length > 0);
        if (cuts.length > 0) {
            shares(p);
        }
    }

    private void bracket(LevelProfile p) {
        bracket.setVisible(isBand());
        if (isBand()) {
            double high = yOf(p, cuts[1]);
            double low = yOf(p, cuts[0]);
            double tall = Math.max(0, (low - high) / 2);
            bracket.resizeRelocate(getWidth() - GRIP - 4, (low + high - tall) / 2, GRIP, tall);
        }
    }

    private void bar(LevelProfile p, int i) {
        int at = held.get();
        Bar bar = bars.get(i);
        double y = yOf(p, cuts[i]);
        bar.line.resizeRelocate(LEFT - 4, y - 1, getWidth() - LEFT + 4, 2);
        bar.grip.resizeRelocate(getWidth() - 2 * GRIP - 2, y - GRIP / 1.5, 2 * GRIP, GRIP * 1.34);
        bar.grip.pseudoClassStateChanged(HELD, cuts.length > 1 && i == at);
        place(bar.value, Figures.number(cuts[i]), 0, Math.clamp(y - 9, 10, getHeight() - 28), LEFT - 4);
        boolean crowded = i != at && Math.abs(y - yOf(p, cuts[at])) < LINE
                || i > 0 && i - 1 != at && Math.abs(y - yOf(p, cuts[i - 1])) < LINE;
        bar.value.setVisible(i == at || !crowded);
        boolean nearTop = bar.value.isVisible() && Math.abs(bar.value.getLayoutY() - top.getLayoutY()) < LINE;
        boolean nearBottom = bar.value.isVisible() && Math.abs(bar.value.getLayoutY() - bottom.getLayoutY()) < LINE;
        top.setVisible(top.isVisible() && !nearTop);
        bottom.setVisible(bottom.isVisible() && !nearBottom);
    }

    /** What lies above and below the cut that is held. */
    private void shares(LevelProfile p) {
        int at = held.get();
        double y = yOf(p, cuts[at]);
        double upTo = p.percentUpTo(cuts[at]);
        double before = at > 0 ? p.percentUpTo(cuts[at - 1]) : 0;
        double after = at < cuts.length - 1 ? p.percentUpTo(cuts[at + 1]) : 100;
        above.setText(parts.share(at + 1, after - upTo));
        below.setText(parts.share(at, upTo - before));
        double above0 = y < SHARE_ROOM ? y + 6 : y > getHeight() - SHARE_ROOM ? y - 46 : y - 26;
        double below0 = y < SHARE_ROOM ? y + 26 : y > getHeight() - SHARE_ROOM ? y - 26 : y + 6;
        double width = getWidth() - LEFT - 8 - 2 * GRIP;
        above.resizeRelocate(LEFT, above0, width, 20);
        below.resizeRelocate(LEFT, below0, width, 20);
        above.pseudoClassStateChanged(KEPT, parts.kept(at + 1));
        below.pseudoClassStateChanged(KEPT, parts.kept(at));
    }

    private static void place(Label label, String text, double x, double y, double width) {
        label.setText(text);
        label.setAlignment(Pos.CENTER_RIGHT);
        label.resizeRelocate(x, y, width, 18);
    }

    private void sides(LevelProfile p) {
        double room = getWidth() - LEFT - 6;
        long tallest = p.tallest();
        double[] lengths = Arrays.stream(p.rows())
                .mapToDouble(count -> UprightRows.length(count, tallest, room))
                .toArray();
        for (int part = 0; part < sides.size(); part++) {
            UprightRows side = sides.get(part);
            side.setVisible(part <= cuts.length);
            if (side.isVisible()) {
                side.style(cuts.length == 0 || parts.kept(part) ? "histogram-kept" : "histogram-rest");
                side.rows(LEFT, getHeight() - PAD, (getHeight() - 2 * PAD) / lengths.length, lengths);
                double top = part < cuts.length ? yOf(p, cuts[part]) : 0;
                side.see(top, part > 0 ? yOf(p, cuts[part - 1]) : getHeight(), getWidth());
            }
        }
    }
}
