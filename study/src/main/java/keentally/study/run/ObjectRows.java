package keentally.study.run;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import keentally.core.measure.Column;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Readings;
import keentally.core.stats.Averages;

/** The kept objects of a sample in numbers: a column a measure, a row an object, in pixels. */
public final class ObjectRows {
    private final List<Column> columns;
    private final double[][] px;
    private final int[] phases;
    private final long keptPixels;

    /**
     * @param px one array a column, as long as there are objects; not changed afterwards
     * @param phases of each object; not changed afterwards
     * @param keptPixels what all of them cover
     */
    ObjectRows(List<Column> columns, double[][] px, int[] phases, long keptPixels) {
        if (px.length != columns.size() || Arrays.stream(px).anyMatch(c -> c.length != phases.length)) {
            throw new IllegalArgumentException("a record of " + phases.length
                    + " objects needs as many rows in each of its " + columns.size() + " columns");
        }
        this.columns = List.copyOf(columns);
        this.px = px;
        this.phases = phases;
        this.keptPixels = keptPixels;
    }

    static ObjectRows of(ObjectTable table, Readings readings) {
        double[][] px = IntStream.range(0, table.columns().size())
                .mapToObj(table::column)
                .toArray(double[][]::new);
        return new ObjectRows(table.columns(), px, readings.objectPhases(), readings.keptPixels());
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
                && r.keptPixels == keptPixels;
    }

    @Override
    public int hashCode() {
        return Objects.hash(columns, Arrays.deepHashCode(px), Arrays.hashCode(phases), keptPixels);
    }

    @Override
    public String toString() {
        return count() + " objects × " + columns.size() + " columns";
    }
}
