package keentally.study.document;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;

/** Shapes of a field as text, in pixels: {@code rect:x,y,w,h}, {@code not:ellipse:cx,cy,rx,ry}, {@code polygon:x,y,...}, {@code whole}. */
public final class FieldText {
    private static final Rectangle EVERYTHING = new Rectangle(0, 0, 1 << 30, 1 << 30);

    private FieldText() {}

    /** @throws IllegalArgumentException in a sentence that says what was found and what is expected */
    public static Field.Part read(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        boolean takenAway = plain.startsWith("not:");
        String shape = takenAway ? plain.substring(4) : plain;
        int colon = shape.indexOf(':');
        String kind = colon < 0 ? shape : shape.substring(0, colon);
        double[] n = colon < 0 ? new double[0] : numbers(text, shape.substring(colon + 1));
        return new Field.Part(shape(text, kind, n), takenAway);
    }

    /** As {@link #read}, or {@code round} for the round field that is to be found in each picture. */
    public static FieldRequest readWish(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        return switch (plain) {
            case "round" -> new FieldRequest(Optional.empty(), false);
            case "not:round" -> new FieldRequest(Optional.empty(), true);
            default -> FieldRequest.of(read(text));
        };
    }

    /** As {@link #readWish} takes it, exactly. */
    public static String writeWish(FieldRequest wish) {
        return wish.shape()
                .map(shape -> write(new Field.Part(shape, wish.takenAway())))
                .orElse(wish.takenAway() ? "not:round" : "round");
    }

    /** As {@link #read} takes it, exactly. */
    public static String write(Field.Part part) {
        String shape = switch (part.shape()) {
            case Rectangle r -> r.equals(EVERYTHING) ? "whole" : "rect:" + list(r.x(), r.y(), r.width(), r.height());
            case Ellipse e ->
                "ellipse:"
                        + (e.angleDegrees() == 0
                                ? list(e.cx(), e.cy(), e.a(), e.b())
                                : list(e.cx(), e.cy(), e.a(), e.b(), e.angleDegrees()));
            case Polygon p ->
                "polygon:"
                        + list(p.corners().stream()
                                .flatMapToDouble(c -> DoubleStream.of(c.x(), c.y()))
                                .toArray());
        };
        return (part.takenAway() ? "not:" : "") + shape;
    }

    private static String list(double... numbers) {
        return Arrays.stream(numbers)
                .mapToObj(n -> n == Math.rint(n) && Math.abs(n) < 1e15 ? String.valueOf((long) n) : String.valueOf(n))
                .collect(Collectors.joining(","));
    }

    private static double[] numbers(String text, String list) {
        try {
            return Arrays.stream(list.split(",", -1))
                    .mapToDouble(s -> Double.parseDouble(s.strip()))
                    .toArray();
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("the field \"" + text + "\" needs numbers with commas between them", e);
        }
    }

    private static Shape shape(String text, String kind, double[] n) {
        return switch (kind) {
            case "whole" -> {
                expect(n.length == 0, text, "no numbers behind 'whole'");
                yield EVERYTHING;
            }
            case "rect" -> {
                expect(n.length == 4 && n[2] > 0 && n[3] > 0, text, "rect:x,y,width,height with sides above 0");
                yield new Rectangle(n[0], n[1], n[2], n[3]);
            }
            case "ellipse" -> {
                boolean fits = (n.length == 4 || n.length == 5) && n[2] > 0 && n[3] > 0;
                expect(fits, text, "ellipse:cx,cy,rx,ry with radii above 0, and its angle behind them if it has one");
                yield new Ellipse(n[0], n[1], n[2], n[3], n.length == 5 ? n[4] : 0);
            }
            case "polygon" -> {
                expect(n.length >= 6 && n.length % 2 == 0, text, "polygon:x,y,... with three corners or more");
                yield Polygon.of(n);
            }
            default ->
                throw new IllegalArgumentException("the field \"" + text
                        + "\" is none of whole, round, rect:..., ellipse:..., polygon:..., or not: before one");
        };
    }

    private static void expect(boolean holds, String text, String expected) {
        if (!holds) {
            throw new IllegalArgumentException("the field \"" + text + "\" should be " + expected);
        }
    }
}
