package keentally.study.series;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.measure.Column;
import keentally.core.quantity.PixelSize;
import keentally.core.stats.Averages;
import keentally.study.run.ObjectRows;

/**
 * The kept objects of a sample, summed up.
 *
 * @param keptPixels what they cover
 * @param classes how many were given each class, where somebody gave any
 */
public record ObjectSums(int count, long keptPixels, List<ColumnSum> columns, SortedMap<String, Integer> classes) {
    public ObjectSums {
        columns = List.copyOf(columns);
        classes = Collections.unmodifiableSortedMap(new TreeMap<>(classes));
    }

    /** A column over all objects. @param px in pixels */
    public record ColumnSum(Column column, Averages px) {
        /** As it is told. */
        public double told(double of, PixelSize size) {
            return column.told(of, size);
        }
    }

    static ObjectSums of(ObjectRows rows) {
        List<ColumnSum> columns = new ArrayList<>();
        for (int c = 0; c < rows.columns().size(); c++) {
            columns.add(new ColumnSum(rows.columns().get(c), rows.averages(c, PixelSize.PIXELS)));
        }
        return new ObjectSums(rows.count(), rows.keptPixels(), columns, rows.classCounts());
    }

    /** The column of an id. */
    public Optional<ColumnSum> column(String id) {
        return columns.stream().filter(c -> c.column().id().equals(id)).findFirst();
    }
}
