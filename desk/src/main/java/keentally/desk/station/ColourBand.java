package keentally.desk.station;

import java.util.List;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import keentally.core.colour.ColourCounts;
import keentally.core.colour.ColourSpace;
import keentally.core.setting.RangeSetting.Range;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;

/**
 * One component of a colour as an upright band, values running up: how often they occur in the field, over it how often under the strokes,
 * and the range as two bars to be dragged, or together between them. Hue runs up one and a quarter turns, so that a range over red stays in
 * one piece.
 */
final class ColourBand extends Pane {
    private static final PseudoClass HELD = PseudoClass.getPseudoClass("held");
    private static final double STRIP = 9;
    private static final double TOP = 22;
    private static final double PAD = 9;
    private static final double MORE = 1.25;
    private static final double VALUE = 17;
    private static final double NEAR = 8;

    private final ColourSpace space;
    private final int component;
    private final double least;
    private final double span;
    private final ImageView strip;
    private final Path kept = new Path();
    private final Path rest = new Path();
    private final Path stroked = new Path();
    private final Label title = new Label();
    private final Region[] bars = {new Region(), new Region()};
    private final Label[] values = {new Label(), new Label()};
    private final Consumer<Range> onDrag;
    private final Consumer<Range> onDone;
    private int[] field = new int[ColourCounts.STEPS];
    private int[] strokes = new int[ColourCounts.STEPS];

    /** The ends as they stand on the band: of a hue that runs over its end the high one lies above 360. */
    private double low;

    private double high;

    /** 0 and 1 for an end, 2 for both; −1 for none. */
    private int held = -1;

    private int last = 1;
    private double grip;

    ColourBand(ColourSpace space, int component, String name, Consumer<Range> onDrag, Consumer<Range> onDone) {
        this.space = space;
        this.component = component;
        this.least = space.least(component);
        double whole = space.most(component) - least;
        this.span = space.wraps(component) ? MORE * whole : whole;
        this.onDrag = onDrag;
        this.onDone = onDone;
        this.strip = new ImageView(strip());
        setId("band-" + space.component(component));
        getStyleClass().add("colour-band");
        title.setText(name.split(",")[0]); // its unit stands in the row below
        title.getStyleClass().add("band-title");
        kept.getStyleClass().add("histogram-kept");
        rest.getStyleClass().add("histogram-rest");
        stroked.getStyleClass().add("band-strokes");
        getChildren().addAll(title, strip, rest, kept, stroked);
        for (int end = 0; end < 2; end++) {
            bars[end].getStyleClass().add("cut-bar");
            values[end].getStyleClass().add("cut-value");
            values[end].setId(getId() + (end == 0 ? "-from" : "-to"));
            values[end].setAlignment(Pos.CENTER);
            getChildren().addAll(bars[end], values[end]);
        }
        getChildren().forEach(n -> n.setMouseTransparent(true));
        setCursor(Cursor.V_RESIZE);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Texts.of("band.help", name));
        setOnMousePressed(e -> {
            requestFocus();
            take(e.getY());
            e.consume();
        });
        setOnMouseDragged(e -> drag(e.getY()));
        setOnMouseReleased(e -> {
            if (held >= 0) {
                held = -1;
                onDone.accept(range());
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    private WritableImage strip() {
        int tall = ColourCounts.STEPS;
        WritableImage image = new WritableImage(1, tall);
        for (int i = 0; i < tall; i++) {
            double value = least + (i + 0.5) / tall * span;
            image.getPixelWriter().setColor(0, tall - 1 - i, ColourInks.of(space, component, value));
        }
        return image;
    }

    /** Puts the bars at a range, unless one is being dragged. */
    void show(Range now) {
        if (held < 0) {
            low = now.from();
            high = now.from() <= now.to() ? now.to() : now.to() + turn();
            requestLayout();
        }
    }

    /** @param ofStrokes of the colours that were stroked */
    void show(int[] ofField, int[] ofStrokes) {
        field = ofField;
        strokes = ofStrokes;
        requestLayout();
    }

    private double turn() {
        return space.most(component) - least;
    }

    private Range range() {
        return space.wraps(component) && high > space.most(component)
                ? new Range(low % 360, high - turn())
                : new Range(low, high);
    }

    private void take(double y) {
        double at = valueAt(y);
        double toLow = Math.abs(yOf(low) - y);
        double toHigh = Math.abs(yOf(high) - y);
        boolean between = at > low && at < high && Math.min(toLow, toHigh) > NEAR;
        held = between ? 2 : toLow < toHigh ? 0 : 1;
        last = held == 2 ? last : held;
        grip = at;
        if (held < 2) {
            drag(y);
        }
    }

    private void drag(double y) {
        if (held < 0) {
            return;
        }
        double at = valueAt(y);
        if (held == 2) {
            moveBoth(at - grip);
            grip = at;
        } else {
            move(held, at);
        }
        requestLayout();
        onDrag.accept(range());
    }

    private void move(int end, double to) {
        double top = least + span;
        if (end == 0) {
            low = Math.clamp(to, Math.max(least, high - turn()), Math.min(high, least + turn()));
        } else {
            high = Math.clamp(to, low, Math.min(top, low + turn()));
        }
    }

    private void moveBoth(double by) {
        double within = Math.clamp(by, Math.min(0, least - low), Math.max(0, least + span - high));
        low += within;
        high += within;
        if (space.wraps(component) && low >= space.most(component)) {
            low -= turn();
            high -= turn();
        }
    }

    private void key(KeyEvent e) {
        int sign = e.getCode() == KeyCode.UP ? 1 : e.getCode() == KeyCode.DOWN ? -1 : 0;
        if (sign == 0) {
            return;
        }
        double step = sign * turn() / 180;
        if (e.isShiftDown()) {
            moveBoth(step);
        } else {
            move(last, (last == 0 ? low : high) + step);
        }
        requestLayout();
        onDone.accept(range());
        e.consume();
    }

    private double tall() {
        return getHeight() - TOP - 2 * PAD;
    }

    private double yOf(double value) {
        return TOP + PAD + tall() * (1 - (value - least) / span);
    }

    private double valueAt(double y) {
        return least + span * Math.clamp(1 - (y - TOP - PAD) / tall(), 0, 1);
    }

    @Override
    protected void layoutChildren() {
        title.resizeRelocate(0, 0, getWidth(), 16);
        strip.setLayoutX(0);
        strip.setLayoutY(TOP + PAD);
        strip.setFitWidth(STRIP);
        strip.setFitHeight(tall());
        rows();
        for (int end = 0; end < 2; end++) {
            double value = end == 0 ? low : high;
            double y = yOf(value);
            bars[end].resizeRelocate(0, y - 1, getWidth(), 2);
            bars[end].pseudoClassStateChanged(HELD, end == last);
            double shown = space.wraps(component) && value > space.most(component) ? value - turn() : value;
            values[end].setText(Figures.number(Math.rint(shown * 1000) / 1000));
            double wide = values[end].prefWidth(-1) + 2;
            values[end].resizeRelocate(
                    getWidth() - wide,
                    Math.clamp(end == 0 ? y + 1 : y - VALUE - 1, TOP - 4, getHeight() - VALUE),
                    wide,
                    VALUE);
        }
    }

    private void rows() {
        for (Path path : List.of(kept, rest, stroked)) {
            path.getElements().clear();
        }
        int steps = ColourCounts.STEPS;
        double room = getWidth() - STRIP - 6;
        double most = Math.sqrt(most(field));
        double over = Math.sqrt(most(strokes));
        double per = turn() / steps;
        double step = tall() * per / span;
        boolean begun = false;
        for (int i = 0; i < span / per - 1e-9; i++) {
            double value = least + (i + 0.5) * per;
            double y = yOf(least + (i + 1) * per);
            int count = field[i % steps];
            boolean in = value >= low && value <= high || space.wraps(component) && value + turn() <= high;
            if (count > 0) {
                double length = Math.max(1, room * Math.sqrt(count) / most);
                (in ? kept : rest)
                        .getElements()
                        .addAll(
                                new MoveTo(STRIP + 3, y),
                                new LineTo(STRIP + 3 + length, y),
                                new LineTo(STRIP + 3 + length, y + step + 0.3),
                                new LineTo(STRIP + 3, y + step + 0.3),
                                new ClosePath());
            }
            if (over > 0) {
                double length = STRIP + 3 + room * Math.sqrt(strokes[i % steps]) / over;
                stroked.getElements().add(begun ? new LineTo(length, y + step / 2) : new MoveTo(length, y + step / 2));
                begun = true;
            }
        }
    }

    private static int most(int[] counts) {
        int most = 0;
        for (int count : counts) {
            most = Math.max(most, count);
        }
        return most;
    }
}
