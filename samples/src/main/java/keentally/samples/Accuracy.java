package keentally.samples;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Shape;
import keentally.core.label.Labeller;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PlaneF;
import keentally.core.region.ObjectSet;
import keentally.core.threshold.Cut;
import keentally.core.work.Work;

/**
 * Drawn shapes against what is true of them: edges at half level, blurred a little, no noise, cut at half level. Shapes lie anywhere
 * between pixels and at any angle, from fixed seeds.
 */
public final class Accuracy {
    private static final int SIDE = 160;
    private static final int EACH = 60;
    private static final double[] BLURS = {0, 0.6, 1};

    private final List<Row> rows = new ArrayList<>();

    private Accuracy() {}

    /** How far a measured number may lie from the truth. */
    private enum Kind {
        /** Per cent of the truth. */
        SHARE("%"),
        /** Pixels. */
        LENGTH("px"),
        /** Degrees, the shorter way round a half turn. */
        ANGLE("°"),
        /** The number itself. */
        NUMBER("");

        private final String unit;

        Kind(String unit) {
            this.unit = unit;
        }

        double error(double found, double truth) {
            double apart = found - truth;
            return switch (this) {
                case SHARE -> 100 * apart / truth;
                case LENGTH, NUMBER -> apart;
                case ANGLE -> apart - 180 * Math.rint(apart / 180);
            };
        }
    }

    /** What is true of a shape, and how near a measure must come. */
    private record Truth(double value, Kind kind, double limit, double limitInTheMean) {
        static Truth share(double value, double percent) {
            return new Truth(value, Kind.SHARE, percent, percent);
        }

        static Truth length(double value) {
            return new Truth(value, Kind.LENGTH, 1.5, 1.5);
        }

        static Truth number(double value, double limit) {
            return new Truth(value, Kind.NUMBER, limit, limit);
        }

        static Truth angle(double degrees) {
            return new Truth(degrees, Kind.ANGLE, 0.5, 0.5);
        }
    }

    /** A shape and the truth about it. */
    private record Drawn(Shape shape, Map<Measure, Truth> truth) {}

    /**
     * One line of the table.
     *
     * @param worst the error farthest from 0
     * @param mean of all errors, with their signs
     * @param limit for the worst
     * @param limitInTheMean for the mean
     */
    public record Row(
            String shapes,
            Measure measure,
            double worst,
            double mean,
            double limit,
            double limitInTheMean,
            String unit) {
        private String with(String number) {
            return unit.isEmpty() ? number : number + " " + unit;
        }

        public boolean holds() {
            return Math.abs(worst) <= limit && Math.abs(mean) <= limitInTheMean;
        }
    }

    /** Draws and measures everything. */
    public static List<Row> rows() {
        Accuracy all = new Accuracy();
        all.family("discs", new Chance(6), Accuracy::disc);
        all.family("ellipses", new Chance(7), Accuracy::ellipse);
        all.family("rectangles, turned", new Chance(8), Accuracy::rectangle);
        all.family("L shapes, turned", new Chance(9), Accuracy::bracket);
        return List.copyOf(all.rows);
    }

    private interface Maker {
        Drawn make(Chance chance);
    }

    private void family(String name, Chance chance, Maker maker) {
        Map<Measure, List<Double>> errors = new LinkedHashMap<>();
        Map<Measure, Truth> last = new LinkedHashMap<>();
        for (double blur : BLURS) {
            for (int i = 0; i < EACH; i++) {
                Drawn drawn = maker.make(chance);
                List<Measure> measures = List.copyOf(drawn.truth.keySet());
                ObjectTable table = measured(drawn.shape, blur, measures);
                for (int m = 0; m < measures.size(); m++) {
                    Truth truth = drawn.truth.get(measures.get(m));
                    last.put(measures.get(m), truth);
                    errors.computeIfAbsent(measures.get(m), x -> new ArrayList<>())
                            .add(truth.kind.error(table.at(0, m), truth.value));
                }
            }
        }
        errors.forEach((measure, found) -> rows.add(row(name, measure, last.get(measure), found)));
    }

    private static Row row(String name, Measure measure, Truth truth, List<Double> errors) {
        double worst = 0;
        double sum = 0;
        for (double error : errors) {
            worst = Math.abs(error) > Math.abs(worst) ? error : worst;
            sum += error;
        }
        return new Row(name, measure, worst, sum / errors.size(), truth.limit, truth.limitInTheMean, truth.kind.unit);
    }

    private static ObjectTable measured(Shape shape, double blur, List<Measure> measures) {
        PlaneF drawn = new ShapeRenderer(SIDE, SIDE).add(shape).plane(0, 100);
        PlaneF blurred = Gaussian.of(drawn, blur, Work.alone());
        Field field = Field.whole(SIDE, SIDE);
        Mask mask = Cut.bright(50).mask(blurred, field, Work.alone());
        ObjectSet objects = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
        if (objects.count() != 1) {
            throw new IllegalStateException("one shape was drawn but " + objects.count() + " were found");
        }
        return ObjectTable.of(objects, measures, Ground.grey(blurred, field), Work.alone());
    }

    private static Drawn disc(Chance chance) {
        double r = chance.between(20.0, 70);
        double x = chance.between(78.0, 82);
        double y = chance.between(78.0, 82);
        Map<Measure, Truth> truth = new LinkedHashMap<>();
        truth.put(Measure.AREA, new Truth(Math.PI * r * r, Kind.SHARE, 1, 0.5));
        truth.put(Measure.ECD, Truth.share(2 * r, 1));
        truth.put(Measure.PERIMETER, Truth.share(2 * Math.PI * r, 1.5));
        truth.put(Measure.CIRCULARITY, Truth.number(1, 0.04));
        truth.put(Measure.FERET_MAX, Truth.length(2 * r));
        truth.put(Measure.FERET_MIN, Truth.length(2 * r));
        truth.put(Measure.INNER_CIRCLE, new Truth(2 * r, Kind.LENGTH, 2.5, 2));
        truth.put(Measure.OUTER_CIRCLE, Truth.length(2 * r));
        truth.put(Measure.X, new Truth(x, Kind.LENGTH, 0.1, 0.02));
        truth.put(Measure.Y, new Truth(y, Kind.LENGTH, 0.1, 0.02));
        return new Drawn(Ellipse.disc(x, y, r), truth);
    }

    private static Drawn ellipse(Chance chance) {
        double a = chance.between(40.0, 70);
        double b = chance.between(20.0, 34);
        double angle = chance.between(-89.0, 90);
        Map<Measure, Truth> truth = new LinkedHashMap<>();
        truth.put(Measure.AREA, new Truth(Math.PI * a * b, Kind.SHARE, 1, 0.5));
        truth.put(Measure.ELLIPSE_MAJOR, Truth.share(2 * a, 1));
        truth.put(Measure.ELLIPSE_MINOR, Truth.share(2 * b, 1));
        truth.put(Measure.ASPECT_RATIO, Truth.share(a / b, 1));
        truth.put(Measure.ECCENTRICITY, Truth.number(Math.sqrt(1 - b * b / (a * a)), 0.01));
        truth.put(Measure.ORIENTATION, Truth.angle(angle));
        truth.put(Measure.FERET_MAX, Truth.length(2 * a));
        truth.put(Measure.FERET_MIN, Truth.length(2 * b));
        truth.put(Measure.INNER_CIRCLE, Truth.length(2 * b));
        truth.put(Measure.OUTER_CIRCLE, Truth.length(2 * a));
        return new Drawn(new Ellipse(chance.between(79.5, 80.5), chance.between(79.5, 80.5), a, b, angle), truth);
    }

    private static Drawn rectangle(Chance chance) {
        double a = chance.between(70.0, 120);
        double b = chance.between(40.0, 60);
        double degrees = chance.between(-89.0, 90);
        Map<Measure, Truth> truth = new LinkedHashMap<>();
        truth.put(Measure.AREA, new Truth(a * b, Kind.SHARE, 1, 0.5));
        truth.put(Measure.FERET_MAX, Truth.length(Math.hypot(a, b)));
        truth.put(Measure.FERET_MIN, Truth.length(b));
        truth.put(Measure.OUTER_CIRCLE, Truth.length(Math.hypot(a, b)));
        truth.put(Measure.INNER_CIRCLE, Truth.length(b));
        truth.put(Measure.ELLIPSE_MAJOR, Truth.share(2 * a / Math.sqrt(3), 1));
        truth.put(Measure.ELLIPSE_MINOR, Truth.share(2 * b / Math.sqrt(3), 1));
        truth.put(Measure.ORIENTATION, Truth.angle(degrees));
        return new Drawn(
                turned(
                        degrees,
                        new Point(-a / 2, -b / 2),
                        new Point(a / 2, -b / 2),
                        new Point(a / 2, b / 2),
                        new Point(-a / 2, b / 2)),
                truth);
    }

    /** Two arms of the same length and width, square to each other. */
    private static Drawn bracket(Chance chance) {
        double length = chance.between(60.0, 90);
        double width = chance.between(20.0, 28);
        double o = -length / 2;
        Map<Measure, Truth> truth = new LinkedHashMap<>();
        double area = width * (2 * length - width);
        double hull = length * length - (length - width) * (length - width) / 2;
        truth.put(Measure.AREA, new Truth(area, Kind.SHARE, 1, 0.5));
        truth.put(Measure.HULL_AREA, Truth.share(hull, 4));
        truth.put(Measure.SOLIDITY, Truth.number(area / hull, 0.03));
        truth.put(Measure.FERET_MAX, new Truth(length * Math.sqrt(2), Kind.LENGTH, 2.5, 1.5));
        return new Drawn(
                turned(
                        chance.between(-89.0, 90),
                        new Point(o, o),
                        new Point(o + length, o),
                        new Point(o + length, o + width),
                        new Point(o + width, o + width),
                        new Point(o + width, o + length),
                        new Point(o, o + length)),
                truth);
    }

    /** Turned about the picture's middle, counter-clockwise as seen. */
    private static Polygon turned(double degrees, Point... corners) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        List<Point> turned = new ArrayList<>();
        for (Point p : corners) {
            turned.add(new Point(80.2 + c * p.x() + s * p.y(), 79.7 - s * p.x() + c * p.y()));
        }
        return new Polygon(turned);
    }

    /** Rows as a page. */
    public static String page(List<Row> rows) {
        StringBuilder page = new StringBuilder("""
                # Accuracy

                Written by `build/accuracy`; `./check` writes it again and compares. Shapes are drawn with their edges at half level, anywhere
                between pixels and at any angle, blurred with σ 0, 0.6 and 1 px (%d of each), and cut at half level; no noise. Errors are what was
                measured less what is true. Discs have radii from 20 to 70 px, ellipses half axes from 20 to 70 px, rectangles sides from 40 to
                120 px, L shapes arms 60 to 90 px long and 20 to 28 px wide.

                `inner-circle` reaches for pixel centres and so falls short; `feret-max`, `feret-min`, `outer-circle` and `hull-area` take whole
                pixels with their corners and so lie high. A right angle recedes by up to 0.8 px where σ is 1, which is why the L shapes' Feret
                falls short at both ends.

                | shapes | measure | worst error | allowed | mean error | allowed in the mean |
                | --- | --- | ---: | ---: | ---: | ---: |
                """.formatted(EACH));
        for (Row row : rows) {
            page.append(String.join(
                            " | ",
                            "| " + row.shapes,
                            "`" + row.measure.id() + "`",
                            row.with(String.format(Locale.ROOT, "%+.3f", row.worst)),
                            row.with(number(row.limit)),
                            row.with(String.format(Locale.ROOT, "%+.3f", row.mean)),
                            row.with(number(row.limitInTheMean))))
                    .append(" |\n");
        }
        return page.toString();
    }

    private static String number(double limit) {
        return limit == Math.rint(limit) ? Long.toString((long) limit) : Double.toString(limit);
    }

    /** Writes the page into a file. */
    public static void main(String[] args) throws IOException {
        Files.writeString(Path.of(args[0]), page(rows()));
    }
}
