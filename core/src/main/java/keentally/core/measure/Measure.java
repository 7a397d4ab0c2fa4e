package keentally.core.measure;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * A number about one object. Its title, definition and source stand in {@code measures.properties} under its id. Lengths and
 * areas are in pixels here. Measures of shape are not-a-number, shown as empty, for objects below {@value #LEAST_FOR_SHAPE}
 * pixels.
 */
public enum Measure {
    AREA("area", Dimension.AREA, m -> m.pixels()),
    ECD("ecd", Dimension.LENGTH, m -> 2 * Math.sqrt(m.pixels() / Math.PI)),
    PERIMETER("perimeter", Dimension.LENGTH, m -> m.perimeter()),
    FERET_MAX("feret-max", Dimension.LENGTH, m -> m.hull().longest()),
    FERET_MIN("feret-min", Dimension.LENGTH, m -> m.hull().narrowest()),
    CIRCULARITY("circularity", Dimension.NONE, shape(m -> 4 * Math.PI * m.pixels() / (m.perimeter() * m.perimeter()))),
    SOLIDITY("solidity", Dimension.NONE, shape(m -> m.pixels() / m.hull().area())),
    ECCENTRICITY("eccentricity", Dimension.NONE, shape(m -> m.ellipse().eccentricity())),
    ORIENTATION("orientation", Dimension.ANGLE, shape(m -> m.ellipse().angleDegrees())),
    ELLIPSE_MAJOR("ellipse-major", Dimension.LENGTH, shape(m -> m.ellipse().major())),
    ELLIPSE_MINOR("ellipse-minor", Dimension.LENGTH, shape(m -> m.ellipse().minor())),
    X("x", Dimension.LENGTH, m -> m.x()),
    Y("y", Dimension.LENGTH, m -> m.y()),
    TOUCHES_EDGE("touches-edge", Dimension.FLAG, m -> m.touchesEdge() ? 1 : 0),
    MEAN("mean", Dimension.SIGNAL, m -> m.signal().mean()),
    SD("sd", Dimension.SIGNAL, m -> m.signal().sd()),
    MIN("min", Dimension.SIGNAL, m -> m.signal().min()),
    MAX("max", Dimension.SIGNAL, m -> m.signal().max());

    public static final int LEAST_FOR_SHAPE = 16;

    private final String id;
    private final Dimension dimension;
    private final ToDoubleFunction<MeasuredObject> of;

    Measure(String id, Dimension dimension, ToDoubleFunction<MeasuredObject> of) {
        this.id = id;
        this.dimension = dimension;
        this.of = of;
    }

    private static ToDoubleFunction<MeasuredObject> shape(ToDoubleFunction<MeasuredObject> of) {
        return m -> m.pixels() < LEAST_FOR_SHAPE ? Double.NaN : of.applyAsDouble(m);
    }

    public String id() {
        return id;
    }

    public Dimension dimension() {
        return dimension;
    }

    double of(MeasuredObject object) {
        return of.applyAsDouble(object);
    }

    public static Optional<Measure> find(String id) {
        return Arrays.stream(values()).filter(m -> m.id.equals(id)).findFirst();
    }
}
