package keentally.desk.station;

import java.nio.IntBuffer;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import keentally.core.colour.ColourDensity;
import keentally.core.colour.ColourSpace;
import keentally.core.setting.RangeSetting.Range;
import keentally.desk.look.Texts;

/**
 * The colours of the field on one flat map, with the chosen region drawn on it, and a bar of lightness beside it. Both can be dragged by
 * their edges.
 */
final class ColourMap extends Pane {
    private static final double SIDE = 164;
    private static final double GAP = 18;
    private static final double BAR = 26;
    private static final int ARC = 64;

    private final ImageView map = new ImageView();
    private final ImageView bar = new ImageView();
    private final Path regionUnder = new Path();
    private final Path region = new Path();
    private final Region kept = new Region();
    private final Consumer<Range[]> onDrag;
    private final Consumer<Range[]> onDone;
    private ColourSpace space = ColourSpace.HSV;

    /** Hue, saturation and value, or lightness, a and b. */
    private Range[] ranges = {new Range(0, 360), new Range(0, 1), new Range(0, 1)};

    /** Component and end that the hand holds: 2·c for the low end, 2·c + 1 for the high one; −1 for none. */
    private int held = -1;

    ColourMap(Consumer<Range[]> onDrag, Consumer<Range[]> onDone) {
        this.onDrag = onDrag;
        this.onDone = onDone;
        setId("colour-map");
        getStyleClass().add("colour-map");
        map.setFitWidth(SIDE);
        map.setFitHeight(SIDE);
        bar.setLayoutX(SIDE + GAP);
        bar.setFitWidth(BAR);
        bar.setFitHeight(SIDE);
        regionUnder.getStyleClass().add("mark-under");
        region.getStyleClass().add("mark-over");
        kept.getStyleClass().add("light-kept");
        kept.setManaged(false);
        for (var node : new javafx.scene.Node[] {map, bar, regionUnder, region, kept}) {
            node.setMouseTransparent(true);
        }
        getChildren().addAll(map, bar, regionUnder, region, kept);
        setMinSize(SIDE + GAP + BAR + 8, SIDE);
        setPrefSize(SIDE + GAP + BAR + 8, SIDE);
        setMaxHeight(SIDE);
        setAccessibleText(Texts.of("colour-map.help"));
        setOnMousePressed(this::pressed);
        setOnMouseDragged(e -> dragged(e, onDrag));
        setOnMouseReleased(e -> {
            if (held >= 0) {
                dragged(e, onDone);
                held = -1;
            }
        });
    }

    /** @param now by component */
    void show(ColourSpace of, Range[] now) {
        if (held < 0) {
            space = of;
            ranges = now.clone();
            outline();
        }
    }

    void show(Optional<int[][]> painted) {
        map.setVisible(painted.isPresent());
        bar.setVisible(painted.isPresent());
        painted.ifPresent(p -> {
            map.setImage(image(p[0], ColourDensity.SIDE, ColourDensity.SIDE));
            bar.setImage(image(p[1], 1, ColourDensity.LIGHTS));
        });
    }

    private static WritableImage image(int[] pixels, int width, int height) {
        return new WritableImage(
                new PixelBuffer<>(width, height, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }

    private int flatFirst() {
        return space == ColourSpace.LAB ? 1 : 0;
    }

    private int light() {
        return space == ColourSpace.LAB ? 0 : 2;
    }

    private double lightMost() {
        return space == ColourSpace.LAB ? 100 : 1;
    }

    /** The two flat components at a place of the map. */
    private double[] at(double x, double y) {
        double across = 2 * x / SIDE - 1;
        double up = 1 - 2 * y / SIDE;
        if (space == ColourSpace.LAB) {
            return new double[] {across * ColourDensity.REACH, up * ColourDensity.REACH};
        }
        double hue = (Math.toDegrees(Math.atan2(up, across)) + 360) % 360;
        return new double[] {hue, Math.min(1, across * across + up * up)};
    }

    private double[] place(double first, double second) {
        double[] components =
                space == ColourSpace.LAB ? new double[] {0, first, second} : new double[] {first, second, 0};
        double[] place = new double[2];
        ColourDensity.place(space, components, place);
        return new double[] {place[0] * SIDE, place[1] * SIDE};
    }

    private void pressed(MouseEvent e) {
        held = nearest(e.getX(), e.getY());
        dragged(e, onDrag);
        e.consume();
    }

    private int nearest(double x, double y) {
        if (x > SIDE + GAP / 2) {
            double light = (1 - y / SIDE) * lightMost();
            Range now = ranges[light()];
            return 2 * light() + (Math.abs(light - now.from()) <= Math.abs(light - now.to()) ? 0 : 1);
        }
        double[] at = at(x, y);
        int best = -1;
        double nearest = Double.POSITIVE_INFINITY;
        for (int c = 0; c < 2; c++) {
            Range now = ranges[flatFirst() + c];
            for (int end = 0; end < 2; end++) {
                double value = end == 0 ? now.from() : now.to();
                double off = distance(c, at, value);
                if (off < nearest) {
                    nearest = off;
                    best = 2 * (flatFirst() + c) + end;
                }
            }
        }
        return best;
    }

    /** How far off an end lies, in window pixels. */
    private double distance(int c, double[] at, double value) {
        if (space == ColourSpace.LAB) {
            return Math.abs(at[c] - value) / (2 * ColourDensity.REACH) * SIDE;
        }
        if (c == 1) {
            return Math.abs(Math.sqrt(at[1]) - Math.sqrt(value)) * SIDE / 2;
        }
        double turn = Math.abs(at[0] - value) % 360;
        return Math.toRadians(Math.min(turn, 360 - turn)) * Math.sqrt(at[1]) * SIDE / 2;
    }

    private void dragged(MouseEvent e, Consumer<Range[]> tell) {
        if (held < 0) {
            return;
        }
        int c = held / 2;
        double value = c == light()
                ? Math.clamp(1 - e.getY() / SIDE, 0, 1) * lightMost()
                : at(e.getX(), e.getY())[c - flatFirst()];
        Range now = ranges[c];
        boolean wraps = space.wraps(c);
        ranges[c] = held % 2 == 0
                ? new Range(wraps ? value : Math.min(value, now.to()), now.to())
                : new Range(now.from(), wraps ? value : Math.max(value, now.from()));
        outline();
        tell.accept(ranges.clone());
    }

    private void outline() {
        Range first = ranges[flatFirst()];
        Range second = ranges[flatFirst() + 1];
        region.getElements().clear();
        if (space == ColourSpace.LAB) {
            corners(new double[][] {
                {first.from(), second.from()},
                {first.to(), second.from()},
                {first.to(), second.to()},
                {first.from(), second.to()}
            });
        } else {
            ring(first, second);
        }
        regionUnder.getElements().setAll(region.getElements());
        Range light = ranges[light()];
        double top = SIDE * (1 - Math.min(1, light.to() / lightMost()));
        double bottom = SIDE * (1 - Math.max(0, light.from() / lightMost()));
        kept.resizeRelocate(SIDE + GAP - 4, top, BAR + 8, Math.max(2, bottom - top));
    }

    private void corners(double[][] at) {
        for (int i = 0; i < at.length; i++) {
            double[] p = place(
                    Math.clamp(at[i][0], -ColourDensity.REACH, ColourDensity.REACH),
                    Math.clamp(at[i][1], -ColourDensity.REACH, ColourDensity.REACH));
            region.getElements().add(i == 0 ? new MoveTo(p[0], p[1]) : new LineTo(p[0], p[1]));
        }
        region.getElements().add(new ClosePath());
    }

    private void ring(Range hue, Range saturation) {
        double sweep = hue.from() <= hue.to() ? hue.to() - hue.from() : hue.to() + 360 - hue.from();
        boolean round = sweep >= 359.5;
        for (int i = 0; i <= ARC; i++) {
            double[] p = place(hue.from() + sweep * i / ARC, saturation.to());
            region.getElements().add(i == 0 ? new MoveTo(p[0], p[1]) : new LineTo(p[0], p[1]));
        }
        for (int i = ARC; i >= 0; i--) {
            double[] p = place(hue.from() + sweep * i / ARC, saturation.from());
            region.getElements().add(i == ARC && round ? new MoveTo(p[0], p[1]) : new LineTo(p[0], p[1]));
        }
        if (!round) {
            region.getElements().add(new ClosePath());
        }
    }

    /** The map's and the bar's pixels: each cell in its colour, the stronger the more often it occurs. */
    static int[][] paint(ColourDensity density) {
        int side = ColourDensity.SIDE;
        int[] pixels = new int[side * side];
        double most = Math.log1p(density.most());
        for (int i = 0; i < pixels.length; i++) {
            double across = 2 * (i % side + 0.5) / side - 1;
            double up = 1 - 2 * (i / side + 0.5) / side;
            if (density.space() == ColourSpace.HSV && across * across + up * up > 1) {
                continue;
            }
            double strength = most == 0 ? 0 : Math.log1p(density.counts()[i]) / most;
            int colour = density.space() == ColourSpace.HSV ? hsv(across, up) : lab(across, up);
            pixels[i] = mixed(colour, density.counts()[i] == 0 ? 0.16 : 0.35 + 0.65 * strength);
        }
        int[] bar = new int[ColourDensity.LIGHTS];
        double longest = 1;
        for (int count : density.light()) {
            longest = Math.max(longest, Math.log1p(count));
        }
        for (int i = 0; i < bar.length; i++) {
            int grey = (int) Math.round(255.0 * i / (bar.length - 1));
            double strength = Math.log1p(density.light()[i]) / longest;
            bar[bar.length - 1 - i] = mixed(grey << 16 | grey << 8 | grey, 0.12 + 0.88 * strength);
        }
        return new int[][] {pixels, bar};
    }

    /** On the neutral grey that colours are judged on. */
    private static int mixed(int colour, double strength) {
        int out = 0xff;
        for (int shift = 16; shift >= 0; shift -= 8) {
            double part = strength * (colour >> shift & 0xff) + (1 - strength) * 0x8c;
            out = out << 8 | (int) Math.round(part);
        }
        return out;
    }

    private static int hsv(double across, double up) {
        javafx.scene.paint.Color c = javafx.scene.paint.Color.hsb(
                (Math.toDegrees(Math.atan2(up, across)) + 360) % 360, Math.min(1, across * across + up * up), 0.92);
        return packed(c.getRed(), c.getGreen(), c.getBlue());
    }

    /** Of a lightness of 65, kept within what a screen can show. */
    private static int lab(double across, double up) {
        double fy = (65 + 16) / 116.0;
        double fx = fy + across * ColourDensity.REACH / 500;
        double fz = fy - up * ColourDensity.REACH / 200;
        double x = 0.95047 * cube(fx);
        double y = cube(fy);
        double z = 1.08883 * cube(fz);
        return packed(
                gamma(3.2404542 * x - 1.5371385 * y - 0.4985314 * z),
                gamma(-0.9692660 * x + 1.8760108 * y + 0.0415560 * z),
                gamma(0.0556434 * x - 0.2040259 * y + 1.0572252 * z));
    }

    private static double cube(double f) {
        return f > 6.0 / 29 ? f * f * f : (116 * f - 16) * 27 / 24389;
    }

    private static double gamma(double v) {
        double kept = Math.clamp(v, 0, 1);
        return kept <= 0.0031308 ? 12.92 * kept : 1.055 * Math.pow(kept, 1 / 2.4) - 0.055;
    }

    private static int packed(double red, double green, double blue) {
        return (int) Math.round(255 * red) << 16 | (int) Math.round(255 * green) << 8 | (int) Math.round(255 * blue);
    }
}
