package keentally.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import keentally.core.colour.ColourSpace;
import keentally.core.geometry.EnclosingCircle;
import keentally.core.quantity.LengthUnit;
import keentally.core.stats.Averaging;

/**
 * A number about one object. Its title, definition and source stand in {@code measures.properties} under its id. Lengths and
 * areas are in pixels here. Measures of shape are not-a-number, shown as empty, for objects below {@value #LEAST_FOR_SHAPE}
 * pixels.
 */
public enum Measure implements Column {
    AREA("area", Group.SIZE, Dimension.AREA, m -> m.pixels()),
    FILLED_AREA(
            "filled-area", Group.SIZE, Dimension.AREA, m -> m.filled().mask().count()),
    HULL_AREA("hull-area", Group.SIZE, Dimension.AREA, m -> m.hull().area()),
    PERIMETER("perimeter", Group.SIZE, Dimension.LENGTH, m -> m.perimeter()),
    SIDE_PERIMETER("side-perimeter", Group.SIZE, Dimension.LENGTH, m -> m.sides()),
    ECD("ecd", Group.SIZE, Dimension.LENGTH, m -> 2 * Math.sqrt(m.pixels() / Math.PI)),
    FERET_MAX("feret-max", Group.SIZE, Dimension.LENGTH, m -> m.hull().longest()),
    FERET_MIN("feret-min", Group.SIZE, Dimension.LENGTH, m -> m.hull().narrowest()),
    FERET_ANGLE("feret-angle", Group.SIZE, Dimension.ANGLE, m -> m.hull().longestAngle()),
    INNER_CIRCLE("inner-circle", Group.SIZE, Dimension.LENGTH, m -> 2 * m.depth() - 1),
    OUTER_CIRCLE("outer-circle", Group.SIZE, Dimension.LENGTH, m -> EnclosingCircle.diameter(m.hull())),
    SKELETON_LENGTH("skeleton-length", Group.SIZE, Dimension.LENGTH, m -> m.skeletonLength()),
    CIRCULARITY("circularity", shape(m -> 4 * Math.PI * m.pixels() / (m.perimeter() * m.perimeter()))),
    SIDE_CIRCULARITY("side-circularity", shape(m -> 4 * Math.PI * m.pixels() / (m.sides() * m.sides()))),
    ROUNDNESS(
            "roundness",
            shape(m -> 4 * m.pixels() / (Math.PI * Math.pow(m.hull().longest(), 2)))),
    ASPECT_RATIO("aspect-ratio", shape(m -> m.ellipse().major() / m.ellipse().minor())),
    ECCENTRICITY("eccentricity", shape(m -> m.ellipse().eccentricity())),
    ORIENTATION(
            "orientation", Group.SHAPE, Dimension.ANGLE, shape(m -> m.ellipse().angleDegrees())),
    ELLIPSE_MAJOR(
            "ellipse-major",
            Group.SHAPE,
            Dimension.LENGTH,
            shape(m -> m.ellipse().major())),
    ELLIPSE_MINOR(
            "ellipse-minor",
            Group.SHAPE,
            Dimension.LENGTH,
            shape(m -> m.ellipse().minor())),
    SOLIDITY("solidity", shape(m -> m.pixels() / m.hull().area())),
    EXTENT("extent", shape(m -> m.pixels() / (m.boxWidth() * m.boxHeight()))),
    CONVEXITY("convexity", shape(m -> m.hull().perimeter() / m.perimeter())),
    HOLES("holes", shape(m -> m.filled().holes())),
    EULER("euler", shape(m -> 1 - m.filled().holes())),
    X("x", Group.PLACE, Dimension.LENGTH, m -> m.x()),
    Y("y", Group.PLACE, Dimension.LENGTH, m -> m.y()),
    WEIGHTED_X("weighted-x", Group.PLACE, Dimension.LENGTH, m -> m.signal().x()),
    WEIGHTED_Y("weighted-y", Group.PLACE, Dimension.LENGTH, m -> m.signal().y()),
    LEFT("left", Group.PLACE, Dimension.LENGTH, m -> m.box()[0]),
    TOP("top", Group.PLACE, Dimension.LENGTH, m -> m.box()[1]),
    WIDTH("width", Group.PLACE, Dimension.LENGTH, m -> m.boxWidth()),
    HEIGHT("height", Group.PLACE, Dimension.LENGTH, m -> m.boxHeight()),
    NEAREST_DISTANCE("nearest-distance", Group.NEIGHBOURS, Dimension.LENGTH, m -> m.nearest()),
    TOUCHES_EDGE("touches-edge", Group.PLACE, Dimension.FLAG, m -> m.touchesEdge() ? 1 : 0),
    MEAN("mean", Group.SIGNAL, Dimension.SIGNAL, m -> m.signal().mean()),
    MEDIAN("median", Group.SIGNAL, Dimension.SIGNAL, m -> m.percentile(0.5)),
    SD("sd", Group.SIGNAL, Dimension.SIGNAL, m -> m.signal().sd()),
    MIN("min", Group.SIGNAL, Dimension.SIGNAL, m -> m.signal().min()),
    MAX("max", Group.SIGNAL, Dimension.SIGNAL, m -> m.signal().max()),
    SUM("sum", Group.SIGNAL, Dimension.SIGNAL, m -> m.signal().sum()),
    P5("p5", Group.SIGNAL, Dimension.SIGNAL, m -> m.percentile(0.05)),
    P95("p95", Group.SIGNAL, Dimension.SIGNAL, m -> m.percentile(0.95)),
    MEAN_RED("mean-red", Dimension.SIGNAL, ColourSpace.RGB, 0),
    MEAN_GREEN("mean-green", Dimension.SIGNAL, ColourSpace.RGB, 1),
    MEAN_BLUE("mean-blue", Dimension.SIGNAL, ColourSpace.RGB, 2),
    MEAN_LIGHTNESS("mean-lightness", Dimension.NONE, ColourSpace.LAB, 0),
    MEAN_A("mean-a", Dimension.NONE, ColourSpace.LAB, 1),
    MEAN_B("mean-b", Dimension.NONE, ColourSpace.LAB, 2),
    MEAN_HUE("mean-hue", Dimension.ANGLE, ColourSpace.HSV, 0),
    MEAN_SATURATION("mean-saturation", Dimension.NONE, ColourSpace.HSV, 1),
    MEAN_VALUE("mean-value", Dimension.NONE, ColourSpace.HSV, 2);

    /** What a measure tells about. */
    public enum Group {
        SIZE,
        SHAPE,
        PLACE,
        SIGNAL,
        COLOUR,
        NEIGHBOURS
    }

    public static final int LEAST_FOR_SHAPE = 16;

    private final String id;
    private final Group group;
    private final Dimension dimension;
    private final ToDoubleFunction<MeasuredObject> of;

    /** A shape without a unit. */
    Measure(String id, ToDoubleFunction<MeasuredObject> of) {
        this(id, Group.SHAPE, Dimension.NONE, of);
    }

    Measure(String id, Dimension dimension, ColourSpace space, int component) {
        this(id, Group.COLOUR, dimension, m -> m.colour(space, component));
    }

    Measure(String id, Group group, Dimension dimension, ToDoubleFunction<MeasuredObject> of) {
        this.id = id;
        this.group = group;
        this.dimension = dimension;
        this.of = of;
    }

    private static ToDoubleFunction<MeasuredObject> shape(ToDoubleFunction<MeasuredObject> of) {
        return m -> m.pixels() < LEAST_FOR_SHAPE ? Double.NaN : of.applyAsDouble(m);
    }

    @Override
    public String id() {
        return id;
    }

    @Override
    public double lengths() {
        return dimension.lengths();
    }

    @Override
    public String unitId(LengthUnit unit) {
        return dimension.unitId(unit);
    }

    @Override
    public String unitSymbol(LengthUnit unit) {
        return dimension.unitSymbol(unit);
    }

    @Override
    public Averaging averaging() {
        return this == MEAN_HUE ? Averaging.CIRCULAR : dimension == Dimension.ANGLE ? Averaging.AXIAL : Averaging.PLAIN;
    }

    public Group group() {
        return group;
    }

    public Dimension dimension() {
        return dimension;
    }

    double of(MeasuredObject object) {
        return of.applyAsDouble(object);
    }

    /** Those that most people ask for, in the order in which they are told before the others of their group. */
    private static List<Measure> usual() {
        return List.of(
                AREA,
                ECD,
                PERIMETER,
                FERET_MAX,
                FERET_MIN,
                CIRCULARITY,
                ASPECT_RATIO,
                SOLIDITY,
                ROUNDNESS,
                X,
                Y,
                MEAN,
                SD,
                MEDIAN,
                MEAN_LIGHTNESS,
                MEAN_HUE);
    }

    /** The measures of a group, what is asked for most first. */
    public static List<Measure> of(Group group) {
        return Stream.concat(usual().stream(), Arrays.stream(values()))
                .filter(m -> m.group == group)
                .distinct()
                .toList();
    }

    /** All measures, group by group. */
    public static List<Measure> grouped() {
        return Arrays.stream(Group.values()).flatMap(g -> of(g).stream()).toList();
    }

    /** The measure of an id of the catalogue, {@link #id()}. */
    public static Optional<Measure> find(String id) {
        return Arrays.stream(values()).filter(m -> m.id.equals(id)).findFirst();
    }
}
