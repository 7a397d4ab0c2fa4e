package keentally.desk.objects;

import java.nio.IntBuffer;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import keentally.core.words.Figures;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** Points of two measures, the gates on both as bars to be dragged, and a box to be drawn round points. */
final class ScatterPlot extends Pane {
    static final double LEFT = 48;
    static final double RIGHT = 12;
    static final double TOP = 8;
    static final double BOTTOM = 22;
    private static final double REACH = 6;
    private static final double GRIP = 9;

    /** A side of the plot: the lower or the upper end of the gate across or up. */
    private enum Side {
        LEFT,
        RIGHT,
        BOTTOM,
        TOP
    }

    /** Who is told what the hand does. */
    interface Hand {
        /** @param across whether the gate is that of the measure across */
        void gating(boolean across, MeasureGate.Range range, boolean done);

        /** A box was drawn; a click is a small one. */
        void boxed(MeasureGate.Range across, MeasureGate.Range up);
    }

    private final Hand hand;
    private final ImageView points = new ImageView();
    private final Region box = new Region();
    private final Region[] bars = new Region[4];
    private final List<Label> labels = List.of(new Label(), new Label(), new Label(), new Label());
    private MeasureGate.Range extentX = new MeasureGate.Range(0, 1);
    private MeasureGate.Range extentY = new MeasureGate.Range(0, 1);
    private MeasureGate.Range gateX = MeasureGate.Range.ALL;
    private MeasureGate.Range gateY = MeasureGate.Range.ALL;
    private Optional<double[]> drawn = Optional.empty();
    private boolean log;
    private Side held;
    private double pressX;
    private double pressY;

    /** @param resized told the new size, so that the points are painted anew */
    ScatterPlot(Hand hand, BiConsumer<Integer, Integer> resized) {
        Copies.from(this, () -> Copies.put(Copies.plot(this, "")));
        this.hand = hand;
        setId("scatter");
        getStyleClass().add("histogram");
        setMinHeight(170);
        setPrefHeight(250);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(Texts.of("scatter.plot"));
        Tip.on(this, Texts.of("scatter.hint"));
        points.setMouseTransparent(true);
        box.getStyleClass().add("scatter-box");
        box.setMouseTransparent(true);
        getChildren().addAll(points, box);
        for (Side side : Side.values()) {
            Region bar = new Region();
            bar.setId("scatter-" + side.name().toLowerCase(java.util.Locale.ROOT));
            bar.getStyleClass().add(side == Side.LEFT || side == Side.RIGHT ? "gate-bar" : "gate-bar-level");
            bar.setMouseTransparent(true);
            bars[side.ordinal()] = bar;
            getChildren().add(bar);
        }
        for (Label label : labels) {
            label.getStyleClass().add("axis");
            label.setMouseTransparent(true);
            getChildren().add(label);
        }
        setOnMousePressed(this::pressed);
        setOnMouseDragged(this::dragged);
        setOnMouseReleased(this::released);
        widthProperty().addListener(o -> resized.accept((int) getWidth(), (int) getHeight()));
        heightProperty().addListener(o -> resized.accept((int) getWidth(), (int) getHeight()));
    }

    Axis across() {
        return new Axis(extentX, log, LEFT, Math.max(LEFT + 1, getWidth() - RIGHT));
    }

    Axis up() {
        return new Axis(extentY, log, Math.max(TOP + 1, getHeight() - BOTTOM), TOP);
    }

    /** What the axes and gates are from here on; while a gate is dragged, they stay. */
    void show(MeasureGate.Range newX, MeasureGate.Range newY, boolean isLog, MeasureGate.Range x, MeasureGate.Range y) {
        if (held == null) {
            extentX = newX;
            extentY = newY;
            log = isLog;
            gateX = x;
            gateY = y;
        }
        requestLayout();
    }

    /** Takes the box away. */
    void unbox() {
        drawn = Optional.empty();
        requestLayout();
    }

    /** Puts points there that were painted for a size of the plot. */
    void put(int[] pixels, int width, int height) {
        points.setImage(
                pixels.length == 0
                        ? null
                        : new WritableImage(new PixelBuffer<>(
                                width, height, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
    }

    private void pressed(MouseEvent e) {
        pressX = e.getX();
        pressY = e.getY();
        held = side(e.getX(), e.getY());
        drawn = Optional.empty();
        e.consume();
    }

    private Side side(double x, double y) {
        Side best = null;
        double least = REACH;
        for (Side side : Side.values()) {
            boolean across = side == Side.LEFT || side == Side.RIGHT;
            double apart = Math.abs((across ? x : y) - place(side));
            if (apart <= least) {
                least = apart;
                best = side;
            }
        }
        return best;
    }

    private double place(Side side) {
        return switch (side) {
            case LEFT -> across().end(gateX.low());
            case RIGHT -> across().end(gateX.high());
            case BOTTOM -> up().end(gateY.low());
            case TOP -> up().end(gateY.high());
        };
    }

    private void dragged(MouseEvent e) {
        if (held == null) {
            drawn = Optional.of(new double[] {pressX, pressY, e.getX(), e.getY()});
        } else if (Math.hypot(e.getX() - pressX, e.getY() - pressY) > 1) {
            gate(e, false);
        }
        requestLayout();
    }

    /** An end that is dragged to the plot's side is open. */
    private void gate(MouseEvent e, boolean done) {
        boolean across = held == Side.LEFT || held == Side.RIGHT;
        Axis axis = across ? across() : up();
        double value = axis.valueAt(across ? e.getX() : e.getY());
        MeasureGate.Range gate = across ? gateX : gateY;
        MeasureGate.Range next = held == Side.LEFT || held == Side.BOTTOM
                ? new MeasureGate.Range(
                        value <= axis.extent().low() ? Double.NEGATIVE_INFINITY : Math.min(value, gate.high()),
                        gate.high())
                : new MeasureGate.Range(
                        gate.low(),
                        value >= axis.extent().high() ? Double.POSITIVE_INFINITY : Math.max(value, gate.low()));
        gateX = across ? next : gateX;
        gateY = across ? gateY : next;
        hand.gating(across, next, done);
    }

    private void released(MouseEvent e) {
        boolean moved = Math.hypot(e.getX() - pressX, e.getY() - pressY) > 1;
        if (held != null && moved) {
            gate(e, true);
        } else if (held == null) {
            double reach = moved ? 0 : 5;
            hand.boxed(
                    between(across(), pressX - reach, e.getX() + reach),
                    between(up(), pressY + reach, e.getY() - reach));
        }
        held = null;
        requestLayout();
    }

    private static MeasureGate.Range between(Axis axis, double a, double b) {
        double one = axis.valueAt(a);
        double other = axis.valueAt(b);
        return new MeasureGate.Range(Math.min(one, other), Math.max(one, other));
    }

    @Override
    protected void layoutChildren() {
        double bottom = getHeight() - BOTTOM;
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            bars[side.ordinal()].resizeRelocate(place(side) - GRIP / 2, TOP - 3, GRIP, bottom - TOP + 6);
        }
        for (Side side : List.of(Side.BOTTOM, Side.TOP)) {
            bars[side.ordinal()].resizeRelocate(LEFT - 3, place(side) - GRIP / 2, getWidth() - LEFT - RIGHT + 6, GRIP);
        }
        box.setVisible(drawn.isPresent());
        drawn.ifPresent(d -> box.resizeRelocate(
                Math.min(d[0], d[2]), Math.min(d[1], d[3]), Math.abs(d[2] - d[0]), Math.abs(d[3] - d[1])));
        place(labels.get(0), Figures.number(extentX.low()), LEFT, bottom + 3, 90, Pos.CENTER_LEFT);
        place(labels.get(1), Figures.number(extentX.high()), getWidth() - RIGHT - 90, bottom + 3, 90, Pos.CENTER_RIGHT);
        place(labels.get(2), Figures.number(extentY.high()), 0, TOP - 4, LEFT - 5, Pos.CENTER_RIGHT);
        place(labels.get(3), Figures.number(extentY.low()), 0, bottom - 13, LEFT - 5, Pos.CENTER_RIGHT);
    }

    private static void place(Label label, String text, double x, double y, double width, Pos at) {
        label.setText(text);
        label.setAlignment(at);
        label.resizeRelocate(x, y, width, 17);
    }
}
