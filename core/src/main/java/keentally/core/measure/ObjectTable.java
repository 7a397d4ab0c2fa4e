package keentally.core.measure;

import java.util.List;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.region.Objects;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * The measures of the kept objects: a column a measure, a row an object, row i being object number i + 1. Values are in
 * pixels; a number that does not exist is not-a-number.
 */
public final class ObjectTable {
    private final Objects objects;
    private final List<Measure> measures;
    private final double[][] columns;

    private ObjectTable(Objects objects, List<Measure> measures, double[][] columns) {
        this.objects = objects;
        this.measures = measures;
        this.columns = columns;
    }

    /**
     * Measures every kept object. Cost: O(runs) for most sizes and shapes, O(pixels of objects) where the signal is asked for, O(pixels of
     * their boxes) for circles inside, holes and skeletons.
     *
     * @param ground of the objects' size
     */
    public static ObjectTable of(Objects objects, List<Measure> measures, Ground ground, Work work) {
        Regions regions = objects.regions();
        Plane signal = ground.signal();
        if (signal.width() != regions.width() || signal.height() != regions.height()) {
            throw new IllegalArgumentException("the signal is " + signal.width() + " × " + signal.height()
                    + " but the objects were found in " + regions.width() + " × " + regions.height());
        }
        Mask inner = ground.field().inner(Neighbours.EIGHT);
        double[] nearest = measures.contains(Measure.NEAREST_DISTANCE) ? nearest(objects, ground, work) : null;
        double[][] columns = new double[measures.size()][objects.count()];
        work.bands(objects.count(), (from, to) -> {
            for (int i = from; i < to; i++) {
                int region = objects.region(i);
                double apart = nearest == null ? Double.NaN : nearest[i];
                MeasuredObject object =
                        new MeasuredObject(regions, region, ground, regions.leaves(region, inner), apart);
                for (int m = 0; m < columns.length; m++) {
                    columns[m][i] = measures.get(m).of(object);
                }
            }
        });
        return new ObjectTable(objects, List.copyOf(measures), columns);
    }

    private static double[] nearest(Objects objects, Ground ground, Work work) {
        ObjectTable centres = of(objects, List.of(Measure.X, Measure.Y), ground, work);
        return Nearest.distances(centres.columns[0], centres.columns[1]);
    }

    public Objects objects() {
        return objects;
    }

    public List<Measure> measures() {
        return measures;
    }

    public int rows() {
        return objects.count();
    }

    /** The value in pixels. */
    public double at(int row, int column) {
        return columns[column][row];
    }

    /** A column in pixels; a copy. */
    public double[] column(int column) {
        return columns[column].clone();
    }

    /** A column with lengths and areas in a unit of which a pixel holds {@code perPixel}; a copy. */
    public double[] column(int column, double perPixel) {
        double factor = measures.get(column).dimension().factor(perPixel);
        double[] values = columns[column].clone();
        for (int i = 0; i < values.length; i++) {
            values[i] *= factor;
        }
        return values;
    }
}
