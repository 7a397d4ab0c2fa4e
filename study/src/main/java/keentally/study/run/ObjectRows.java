package keentally.study.run;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import keentally.core.measure.Column;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.stats.Averages;

/** The kept objects of a sample in numbers: a column a measure, a row an object, in pixels. */
public final class ObjectRows {
    private final List<Column> columns;
    private final double[][] px;
    private final int[] phases;
    private final List<String> classes;
    private final long keptPixels;

    /**
     * @param px one array a column, as long as there are objects; not changed afterwards
     * @param phases of each object; not changed afterwards
     * @param classes that they were given, empty for none; no entry at all where nobody gave any
     * @param keptPixels what all of them cover
     */
    ObjectRows(List<Column> columns, double[][] px, int[] phases, List<String> classes, long keptPixels) {
        if (!classes.isEmpty() && classes.size() != phases.length) {
            throw new IllegalArgumentException("a record needs a class for each object, or for none");
        }
        if (px.length != columns.size() || Arrays.stream(px).anyMatch(c -> c.length != phases.length)) {
            throw new IllegalArgumentException("a record of " + phases.length
                    + " objects needs as many rows in each of its " + columns.size() + " columns");
        }
        this.columns = List.copyOf(columns);
        this.px = px;
        this.phases = phases;
        this.classes = List.copyOf(classes);
        this.keptPixels = keptPixels;
    }

    static ObjectRows of(ObjectTable table, Readings readings) {
        double[][] px = IntStream.range(0, table.columns().size())
                .mapToObj(table::column)
                .toArray(double[][]::new);
        ObjectSet objects = table.objects();
        List<String> classes = objects.isSorted()
                ? IntStream.range(0, objects.count())
                        .mapToObj(i -> objects.classOf(objects.region(i)))
                        .toList()
                : List.of();
        return new ObjectRows(table.columns(), px, readings.objectPhases(), classes, readings.keptPixels());
    }

    public int count() {
        return phases.length;
    }

    /** What the kept objects cover together. */
    public long keptPixels() {
        return keptPixels;
    }

    public List<Column> columns() {
        return columns;
    }

    /** The phase of an object. @param row from 0 */
    public int phase(int row) {
        return phases[row];
    }

    /** Whether objects were sorted into classes. */
    public boolean isSorted() {
        return !classes.isEmpty();
    }

    /** The class that an object was given; empty for none. @param row from 0 */
    public String classOf(int row) {
        return classes.isEmpty() ? "" : classes.get(row);
    }

    /** How many objects each class has, by its name; those without one under an empty name. */
    public SortedMap<String, Integer> classCounts() {
        SortedMap<String, Integer> counts = new TreeMap<>();
        classes.forEach(c -> counts.merge(c, 1, Integer::sum));
        return counts;
    }

    /** In pixels; not-a-number where the object has no such number. @param row from 0 */
    public double px(int row, int column) {
        return px[column][row];
    }

    /** As it is told in a unit. @param row from 0 */
    public double told(int row, int column, PixelSize size) {
        return columns.get(column).told(px[column][row], size);
    }

    /** A column summed up, in the unit that it is told in. */
    public Averages averages(int column, PixelSize size) {
        Column of = columns.get(column);
        Averages in = Averages.of(px[column], of.averaging());
        return new Averages(
                in.count(),
                of.told(in.mean(), size),
                of.told(in.median(), size),
                of.told(in.sd(), size),
                of.told(in.least(), size),
                of.told(in.greatest(), size),
                in.vector());
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof ObjectRows r
                && r.columns.equals(columns)
                && Arrays.deepEquals(r.px, px)
                && Arrays.equals(r.phases, phases)
                && r.classes.equals(classes)
                && r.keptPixels == keptPixels;
    }

    @Override
    public int hashCode() {
        return Objects.hash(columns, Arrays.deepHashCode(px), Arrays.hashCode(phases), classes, keptPixels);
    }

    @Override
    public String toString() {
        return count() + " objects × " + columns.size() + " columns";
    }
}
