package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
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
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
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
    private final UprightRows rest = new UprightRows("histogram-rest");
    private final UprightRows kept = new UprightRows("histogram-kept");

    /** What is kept of the first turn, where the range goes round past its end. */
    private final UprightRows round = new UprightRows("histogram-kept");

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
        stroked.getStyleClass().add("band-strokes");
        getChildren().addAll(title, strip, rest, kept, round, stroked);
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
        int steps = ColourCounts.STEPS;
        double left = STRIP + 3;
        double room = getWidth() - STRIP - 6;
        int most = most(field);
        double per = turn() / steps;
        double step = tall() * per / span;
        double[] lengths = IntStream.range(0, (int) Math.ceil(span / per - 1e-9))
                .mapToDouble(i -> UprightRows.length(field[i % steps], most, room))
                .toArray();
        for (UprightRows rows : List.of(rest, kept, round)) {
            rows.rows(left, yOf(least), step, lengths);
        }
        rest.see(0, getHeight(), getWidth());
        kept.see(yOf(high), yOf(low), getWidth());
        round.see(yOf(Math.max(least, high - turn())), space.wraps(component) ? yOf(least) : 0, getWidth());
        strokes(left, room, step, lengths.length);
    }

    /** The line of the colours that were stroked. */
    private void strokes(double left, double room, double step, int rows) {
        double over = Math.sqrt(most(strokes));
        List<PathElement> line = new ArrayList<>();
        for (int i = 0; over > 0 && i < rows; i++) {
            double x = left + room * Math.sqrt(strokes[i % ColourCounts.STEPS]) / over;
            double y = yOf(least) - (i + 0.5) * step;
            line.add(i == 0 ? new MoveTo(x, y) : new LineTo(x, y));
        }
        stroked.getElements().setAll(line);
    }

    private static int most(int[] counts) {
        int most = 0;
        for (int count : counts) {
            most = Math.max(most, count);
        }
        return most;
    }
}
