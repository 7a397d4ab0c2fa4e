package keentally.core.measure;

import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * The measures of the kept objects: a column a measure, a row an object, row i being object number i + 1. Values are in
 * pixels; a number that does not exist is not-a-number.
 */
public final class ObjectTable {
    private final ObjectSet objects;
    private final List<Column> columns;
    private final double[][] values;

    private ObjectTable(ObjectSet objects, List<Column> columns, double[][] values) {
        this.objects = objects;
        this.columns = columns;
        this.values = values;
    }

    /**
     * Measures every kept object. Cost: O(runs) for most sizes and shapes, O(pixels of objects) where the signal is asked for, O(pixels of
     * their boxes) for circles inside, holes and skeletons.
     *
     * @param ground of the objects' size
     * @throws keentally.core.quantity.MissingScaleException where a formula has a real unit and the ground no scale
     */
    public static ObjectTable of(ObjectSet objects, List<? extends Column> columns, Ground ground, Work work) {
        Regions regions = objects.regions();
        Plane signal = ground.signal();
        if (signal.width() != regions.width() || signal.height() != regions.height()) {
            throw new IllegalArgumentException("the signal is " + signal.width() + " × " + signal.height()
                    + " but the objects were found in " + regions.width() + " × " + regions.height());
        }
        Mask inner = ground.field().inner(Neighbours.EIGHT);
        double[] nearest = asks(columns, Measure.NEAREST_DISTANCE) ? nearest(objects, ground, work) : null;
        double[][] values = new double[columns.size()][objects.count()];
        work.bands(objects.count(), (from, to) -> {
            ColourMemo memo = new ColourMemo(ground.original().depth());
            for (int i = from; i < to; i++) {
                int region = objects.region(i);
                double apart = nearest == null ? Double.NaN : nearest[i];
                MeasuredObject object =
                        new MeasuredObject(regions, region, ground, memo, regions.leaves(region, inner), apart);
                for (int c = 0; c < values.length; c++) {
                    values[c][i] = switch (columns.get(c)) {
                        case Measure measure -> measure.of(object);
                        case OwnColumn own -> own.formula().value(m -> m.of(object), ground.scale());
                    };
                }
            }
        });
        return new ObjectTable(objects, List.copyOf(columns), values);
    }

    private static boolean asks(List<? extends Column> columns, Measure measure) {
        return columns.stream().anyMatch(c -> switch (c) {
            case Measure m -> m == measure;
            case OwnColumn own -> own.formula().measures().contains(measure);
        });
    }

    private static double[] nearest(ObjectSet objects, Ground ground, Work work) {
        ObjectTable centres = of(objects, List.of(Measure.X, Measure.Y), ground, work);
        return Nearest.distances(centres.values[0], centres.values[1]);
    }

    public ObjectSet objects() {
        return objects;
    }

    public List<Column> columns() {
        return columns;
    }

    public int rows() {
        return objects.count();
    }

    /** The value in pixels. */
    public double at(int row, int column) {
        return values[column][row];
    }

    /** A column in pixels; a copy. */
    public double[] column(int column) {
        return values[column].clone();
    }

    /** A column as it is told; a copy. */
    public double[] column(int column, PixelSize size) {
        Column of = columns.get(column);
        return Arrays.stream(values[column]).map(px -> of.told(px, size)).toArray();
    }
}
