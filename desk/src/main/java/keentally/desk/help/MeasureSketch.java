package keentally.desk.help;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.paint.CycleMethod;
import javafx.scene.paint.LinearGradient;
import javafx.scene.paint.Stop;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.transform.Rotate;
import keentally.core.geometry.ConvexHull;
import keentally.core.geometry.Point;
import keentally.core.measure.Measure;

/**
 * A small picture of what a measure looks at, on one bent thing with a hole: what belongs to it is tinted, what is measured is drawn in
 * the accent, what helps to find it is dashed. Values of brightness are drawn as their distribution, colours as a band.
 */
final class MeasureSketch extends Pane {
    static final double WIDTH = 240;
    static final double HEIGHT = 124;
    private static final Point MIDDLE = new Point(WIDTH / 2, HEIGHT / 2 - 8);

    /** Of the thing: half its length, half its thickness, how far it is bent, and how it is turned. */
    private static final double LONG = 54;

    private static final double THICK = 23;
    private static final double BENT = 22;
    private static final double TURNED = Math.toRadians(-14);

    private static final double HOLE = 6;
    private static final int CORNERS = 180;
    private static final double STAIR = 8;
    private static final double CROSS = 6;

    /** Places at which it is looked whether they are in the thing. */
    private static final double GRID = 3;

    /** Between which the values of a thing lie, in parts of the width. */
    private static final double LEAST = 0.1;

    private static final double MOST = 0.9;

    private static final List<Point> OUTLINE = IntStream.range(0, CORNERS)
            .mapToObj(i -> 2 * Math.PI * i / CORNERS)
            .map(t -> place(Math.cos(t), Math.sin(t)))
            .toList();

    private static final keentally.core.geometry.Polygon SHAPE = new keentally.core.geometry.Polygon(OUTLINE);

    /** Hulls are of whole numbers. */
    private static final int PARTS = 16;

    MeasureSketch(Measure measure) {
        setId("measure-sketch");
        getStyleClass().add("sketch");
        setMinSize(WIDTH, HEIGHT);
        setPrefSize(WIDTH, HEIGHT);
        setMaxSize(WIDTH, HEIGHT);
        setClip(new Rectangle(WIDTH, HEIGHT));
        draw(measure);
    }

    /** A place in the thing, from −1 to 1 along it and across it. */
    private static Point place(double along, double across) {
        double x = LONG * along;
        double y = THICK * across + BENT * (along * along - 0.5);
        return new Point(
                MIDDLE.x() + x * Math.cos(TURNED) - y * Math.sin(TURNED),
                MIDDLE.y() + x * Math.sin(TURNED) + y * Math.cos(TURNED));
    }

    private void draw(Measure measure) {
        switch (measure) {
            case AREA, SUM -> thing("sketch-measured-area", "sketch-gap");
            case FILLED_AREA -> thing("sketch-measured-area", "sketch-measured-area");
            case HOLES, EULER -> {
                thing("sketch-thing", "sketch-gap");
                add("sketch-measured", hole());
            }
            case HULL_AREA, SOLIDITY, CONVEXITY -> {
                add("sketch-measured-area", polygon(hull()));
                thing("sketch-thing", "sketch-gap");
                add("sketch-measured", polygon(hull()));
            }
            case PERIMETER, CIRCULARITY -> {
                thing("sketch-thing", "sketch-gap");
                add("sketch-measured", polygon(OUTLINE), hole());
            }
            case SIDE_PERIMETER, SIDE_CIRCULARITY -> stairs();
            case ECD -> {
                thing("sketch-thing", "sketch-gap");
                double radius = Math.sqrt((area() - Math.PI * HOLE * HOLE) / Math.PI);
                add("sketch-measured", new Circle(centre().x(), centre().y(), radius));
            }
            case FERET_MAX, ROUNDNESS -> calliper(turn(true));
            case FERET_ANGLE -> {
                calliper(turn(true));
                angle(turn(true));
            }
            case FERET_MIN -> calliper(turn(false));
            case INNER_CIRCLE -> {
                add("sketch-thing", polygon(OUTLINE));
                Point deepest = place(0, 0);
                add("sketch-measured", new Circle(deepest.x(), deepest.y(), reach(deepest)));
            }
            case OUTER_CIRCLE -> {
                thing("sketch-thing", "sketch-gap");
                Point middle = outerMiddle();
                add("sketch-measured", new Circle(middle.x(), middle.y(), farthest(middle)));
            }
            case SKELETON_LENGTH -> {
                add("sketch-thing", polygon(OUTLINE));
                add("sketch-measured", line(IntStream.rangeClosed(-16, 16).mapToObj(i -> place(i / 20.0, 0))));
            }
            case ASPECT_RATIO, ECCENTRICITY -> ellipse(true, true);
            case ELLIPSE_MAJOR -> ellipse(true, false);
            case ELLIPSE_MINOR -> ellipse(false, true);
            case ORIENTATION -> {
                ellipse(true, false);
                angle(TURNED);
            }
            case EXTENT, LEFT, TOP, Measure.WIDTH, Measure.HEIGHT -> box(measure);
            case X, Y, WEIGHTED_X, WEIGHTED_Y -> {
                thing("sketch-thing", "sketch-gap");
                cross(centre());
                boolean across = measure == Measure.X || measure == Measure.WEIGHTED_X;
                Point c = centre();
                add("sketch-aid", across ? new Line(0, c.y(), c.x(), c.y()) : new Line(c.x(), 0, c.x(), c.y()));
            }
            case NEAREST_DISTANCE -> neighbours();
            case TOUCHES_EDGE -> {
                thing("sketch-thing", "sketch-gap");
                double at = OUTLINE.stream().mapToDouble(Point::x).max().orElseThrow() - LONG / 4;
                add("sketch-gap", new Rectangle(at, 0, WIDTH - at, HEIGHT));
                add("sketch-measured", new Line(at, 0, at, HEIGHT));
            }
            case MEAN -> values(0.46, 0.46);
            case MEDIAN -> values(0.44, 0.44);
            case SD -> values(0.33, 0.59);
            case MIN -> values(LEAST, LEAST);
            case MAX -> values(MOST, MOST);
            case P5 -> values(0.23, 0.23);
            case P95 -> values(0.72, 0.72);
            case MEAN_RED -> band(Color.BLACK, Color.RED);
            case MEAN_GREEN -> band(Color.BLACK, Color.LIME);
            case MEAN_BLUE -> band(Color.BLACK, Color.BLUE);
            case MEAN_LIGHTNESS -> band(Color.BLACK, Color.WHITE);
            case MEAN_A -> band(Color.web("#0a8f7a"), Color.web("#8d8d8d"), Color.web("#d6456f"));
            case MEAN_B -> band(Color.web("#3a6fc4"), Color.web("#8d8d8d"), Color.web("#b79a1c"));
            case MEAN_HUE ->
                band(IntStream.rangeClosed(0, 12)
                        .mapToObj(i -> Color.hsb(30 * i, 0.8, 0.85))
                        .toArray(Color[]::new));
            case MEAN_SATURATION -> band(Color.hsb(190, 0, 0.7), Color.hsb(190, 1, 0.7));
            case MEAN_VALUE -> band(Color.BLACK, Color.hsb(190, 0.7, 1));
        }
    }

    private void add(String style, Shape... shapes) {
        for (Shape shape : shapes) {
            shape.getStyleClass().add(style);
            getChildren().add(shape);
        }
    }

    private void thing(String style, String within) {
        add(style, polygon(OUTLINE));
        add(within, hole());
    }

    private static Circle hole() {
        Point at = place(0.3, -0.1);
        return new Circle(at.x(), at.y(), HOLE);
    }

    private static Polygon polygon(List<Point> corners) {
        return new Polygon(corners.stream()
                .flatMap(p -> List.of(p.x(), p.y()).stream())
                .mapToDouble(v -> v)
                .toArray());
    }

    private static Polyline line(Stream<Point> places) {
        return new Polyline(places.flatMap(p -> List.of(p.x(), p.y()).stream())
                .mapToDouble(v -> v)
                .toArray());
    }

    private double area() {
        return SHAPE.area();
    }

    private Point centre() {
        return SHAPE.centroid();
    }

    private static List<Point> hull() {
        List<Point> ordered = OUTLINE.stream()
                .map(p -> new Point(Math.rint(PARTS * p.x()), Math.rint(PARTS * p.y())))
                .sorted(Comparator.comparingDouble(Point::y).thenComparingDouble(Point::x))
                .toList();
        int[] x = ordered.stream().mapToInt(p -> (int) p.x()).toArray();
        int[] y = ordered.stream().mapToInt(p -> (int) p.y()).toArray();
        ConvexHull hull = ConvexHull.of(x, y, CORNERS);
        return IntStream.range(0, hull.corners())
                .mapToObj(i -> new Point((double) hull.x(i) / PARTS, (double) hull.y(i) / PARTS))
                .toList();
    }

    private double[] along(double angle) {
        return OUTLINE.stream()
                .mapToDouble(p -> p.x() * Math.cos(angle) + p.y() * Math.sin(angle))
                .toArray();
    }

    private double extent(double angle) {
        double[] along = along(angle);
        return Arrays.stream(along).max().orElseThrow()
                - Arrays.stream(along).min().orElseThrow();
    }

    /** The angle at which two parallel lines that hold the thing lie farthest apart, or nearest. */
    private double turn(boolean longest) {
        double best = 0;
        for (int i = 1; i < CORNERS; i++) {
            double angle = Math.PI * i / CORNERS - Math.PI / 2;
            boolean more = extent(angle) > extent(best);
            best = more == longest ? angle : best;
        }
        return best;
    }

    /** Two lines that hold the thing, and what lies between them. */
    private void calliper(double angle) {
        thing("sketch-thing", "sketch-gap");
        double[] along = along(angle);
        double from = Arrays.stream(along).min().orElseThrow();
        double to = Arrays.stream(along).max().orElseThrow();
        double across = -MIDDLE.x() * Math.sin(angle) + MIDDLE.y() * Math.cos(angle);
        for (double at : new double[] {from, to}) {
            add("sketch-aid", between(turned(at, across - HEIGHT / 2, angle), turned(at, across + HEIGHT / 2, angle)));
        }
        add("sketch-measured", between(turned(from, across, angle), turned(to, across, angle)));
    }

    private static Point turned(double along, double across, double angle) {
        return new Point(
                along * Math.cos(angle) - across * Math.sin(angle), along * Math.sin(angle) + across * Math.cos(angle));
    }

    private static Line between(Point a, Point b) {
        return new Line(a.x(), a.y(), b.x(), b.y());
    }

    /** What an angle is counted from. */
    private void angle(double angle) {
        Point c = centre();
        add("sketch-aid", new Line(c.x(), c.y(), c.x() + LONG, c.y()));
        double radius = 0.6 * LONG;
        add(
                "sketch-measured",
                line(IntStream.rangeClosed(0, 12)
                        .mapToObj(i -> new Point(
                                c.x() + radius * Math.cos(angle * i / 12),
                                c.y() + radius * Math.sin(angle * i / 12)))));
    }

    private double reach(Point from) {
        return OUTLINE.stream().mapToDouble(p -> apart(p, from)).min().orElseThrow();
    }

    private double farthest(Point from) {
        return OUTLINE.stream().mapToDouble(p -> apart(p, from)).max().orElseThrow();
    }

    private static double apart(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    /** From which the farthest corner is nearest: steps towards it that grow shorter lead there. */
    private Point outerMiddle() {
        Point at = centre();
        for (int i = 1; i <= 200; i++) {
            Point from = at;
            Point far = OUTLINE.stream()
                    .max((a, b) -> Double.compare(apart(a, from), apart(b, from)))
                    .orElseThrow();
            at = new Point(at.x() + (far.x() - at.x()) / (i + 1), at.y() + (far.y() - at.y()) / (i + 1));
        }
        return at;
    }

    /** As one with the same second moments, nearly. */
    private void ellipse(boolean major, boolean minor) {
        thing("sketch-thing", "sketch-gap");
        Point c = centre();
        double[] axes = axes(c);
        Ellipse ellipse = new Ellipse(c.x(), c.y(), axes[0], axes[1]);
        ellipse.getTransforms().add(new Rotate(Math.toDegrees(TURNED), c.x(), c.y()));
        add(major && minor ? "sketch-measured" : "sketch-aid", ellipse);
        if (major) {
            axis(c, axes[0], TURNED);
        }
        if (minor) {
            axis(c, axes[1], TURNED + Math.PI / 2);
        }
    }

    private void axis(Point c, double half, double angle) {
        Point end = turned(half, 0, angle);
        add("sketch-measured", new Line(c.x() - end.x(), c.y() - end.y(), c.x() + end.x(), c.y() + end.y()));
    }

    /** Twice the root of the variance along the thing and across it. */
    private double[] axes(Point c) {
        double[] squares = new double[2];
        int n = 0;
        for (double y = 0; y < HEIGHT; y += GRID) {
            for (double x = 0; x < WIDTH; x += GRID) {
                if (SHAPE.contains(x, y)) {
                    double dx = x - c.x();
                    double dy = y - c.y();
                    squares[0] += Math.pow(dx * Math.cos(TURNED) + dy * Math.sin(TURNED), 2);
                    squares[1] += Math.pow(dy * Math.cos(TURNED) - dx * Math.sin(TURNED), 2);
                    n++;
                }
            }
        }
        return new double[] {2 * Math.sqrt(squares[0] / n), 2 * Math.sqrt(squares[1] / n)};
    }

    private void box(Measure measure) {
        thing("sketch-thing", "sketch-gap");
        keentally.core.geometry.Rectangle box = SHAPE.bounds();
        Rectangle all = new Rectangle(box.x(), box.y(), box.width(), box.height());
        if (measure == Measure.EXTENT) {
            add("sketch-measured", all);
            return;
        }
        add("sketch-aid", all);
        double right = box.x() + box.width();
        add(
                "sketch-measured",
                switch (measure) {
                    case LEFT -> new Line(box.x(), 0, box.x(), HEIGHT);
                    case TOP -> new Line(0, box.y(), WIDTH, box.y());
                    case HEIGHT -> new Line(right, box.y(), right, box.bottom());
                    default -> new Line(box.x(), box.bottom(), right, box.bottom());
                });
    }

    private void cross(Point at) {
        add(
                "sketch-measured",
                new Line(at.x() - CROSS, at.y(), at.x() + CROSS, at.y()),
                new Line(at.x(), at.y() - CROSS, at.x(), at.y() + CROSS));
    }

    /** The sides of pixels, which are large here. */
    private void stairs() {
        List<Line> sides = new ArrayList<>();
        for (double y = 0; y < HEIGHT; y += STAIR) {
            for (double x = 0; x < WIDTH; x += STAIR) {
                boolean in = isIn(x, y);
                if (in) {
                    add("sketch-pixel", new Rectangle(x, y, STAIR, STAIR));
                }
                if (in != isIn(x + STAIR, y)) {
                    sides.add(new Line(x + STAIR, y, x + STAIR, y + STAIR));
                }
                if (in != isIn(x, y + STAIR)) {
                    sides.add(new Line(x, y + STAIR, x + STAIR, y + STAIR));
                }
            }
        }
        add("sketch-measured", sides.toArray(Line[]::new));
    }

    private static boolean isIn(double x, double y) {
        return SHAPE.contains(x + STAIR / 2, y + STAIR / 2);
    }

    private void neighbours() {
        double[][] places = {{0.22, 0.55, 24}, {0.56, 0.36, 19}, {0.85, 0.7, 22}};
        for (double[] p : places) {
            add("sketch-thing", new Circle(p[0] * WIDTH, p[1] * HEIGHT, p[2]));
        }
        add(
                "sketch-measured",
                new Line(places[0][0] * WIDTH, places[0][1] * HEIGHT, places[1][0] * WIDTH, places[1][1] * HEIGHT));
    }

    /** How often each value occurs in the thing; what is measured lies at one place of it, or reaches between two. */
    private void values(double from, double to) {
        double ground = HEIGHT - 22;
        List<Point> curve = IntStream.rangeClosed(0, 60)
                .mapToObj(i -> LEAST + (MOST - LEAST) * i / 60)
                .map(v -> new Point(v * WIDTH, ground - 84 * often(v)))
                .toList();
        add("sketch-thing", polygon(curve));
        add("sketch-aid", new Line(0, ground, WIDTH, ground));
        if (from == to) {
            add("sketch-measured", new Line(from * WIDTH, 10, from * WIDTH, ground + 8));
        } else {
            double y = ground - 47;
            add("sketch-measured", new Line(from * WIDTH, y, to * WIDTH, y));
            add("sketch-aid", new Line((from + to) / 2 * WIDTH, 10, (from + to) / 2 * WIDTH, ground));
        }
    }

    /** From 0 at either end to 1; sooner up than down. */
    private static double often(double value) {
        double at = (value - LEAST) / (MOST - LEAST);
        return Math.pow(Math.sin(Math.PI * Math.pow(at, 0.8)), 2);
    }

    /** From the least to the most, upwards. */
    private void band(Color... colours) {
        List<Stop> stops = IntStream.range(0, colours.length)
                .mapToObj(i -> new Stop(i / (colours.length - 1.0), colours[i]))
                .toList();
        Rectangle band = new Rectangle(WIDTH / 2 - 16, 10, 32, HEIGHT - 20);
        band.setFill(new LinearGradient(0, 1, 0, 0, true, CycleMethod.NO_CYCLE, stops));
        Node mark = new Line(WIDTH / 2 - 26, 0.4 * HEIGHT, WIDTH / 2 + 26, 0.4 * HEIGHT);
        mark.getStyleClass().add("sketch-measured");
        getChildren().addAll(band, mark);
    }
}
