package keentally.study.series;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import keentally.core.measure.Column;
import keentally.core.quantity.PixelSize;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.study.plot.SizesPlot;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.series.ObjectSums.ColumnSum;

/** A measure over the objects of all samples that count, by group. */
public final class GroupSizes {
    private GroupSizes() {}

    /**
     * Of the measure that a number of the ledger is a statistic of, or of the first that there is.
     *
     * @param records the whole record of a sample's row
     * @return empty where there are no objects to be told
     */
    public static Optional<SizesPlot> of(
            Ledger ledger, LedgerColumn number, Function<String, Optional<SampleRecord>> records, Cancel cancel) {
        Optional<Column> measure = measure(ledger, number);
        if (measure.isEmpty()) {
            return Optional.empty();
        }
        Column column = measure.get();
        List<SizesPlot.Group> groups = new ArrayList<>();
        for (Map.Entry<String, List<LedgerEntry>> group : ledger.groups().entrySet()) {
            DoubleStream.Builder values = DoubleStream.builder();
            for (LedgerEntry entry : group.getValue()) {
                cancel.check();
                records.apply(entry.id()).ifPresent(r -> add(r, column, ledger, values));
            }
            groups.add(new SizesPlot.Group(group.getKey(), values.build().toArray()));
        }
        return groups.stream().anyMatch(g -> g.values().length > 0)
                ? Optional.of(new SizesPlot(Words.title(column, ledger.unit()), groups))
                : Optional.empty();
    }

    private static Optional<Column> measure(Ledger ledger, LedgerColumn number) {
        List<Column> columns = ledger.entries().stream()
                .flatMap(e -> e.row().stream())
                .flatMap(r -> r.objects().stream())
                .flatMap(o -> o.columns().stream())
                .map(ColumnSum::column)
                .distinct()
                .toList();
        return columns.stream()
                .filter(c -> number.id().matches("(mean|median|sd)_" + c.id().replace('-', '_') + "(_.*)?"))
                .findFirst()
                .or(() -> columns.stream().findFirst());
    }

    /** What has a unit of length and no scale cannot be told. */
    private static void add(SampleRecord record, Column column, Ledger ledger, DoubleStream.Builder values) {
        PixelSize size = record.told(ledger.unit());
        Optional<ObjectRows> rows = record.numbers().flatMap(Numbers::objects);
        if (rows.isPresent() && (column.lengths() == 0 || size.isReal())) {
            int at = rows.get().columns().indexOf(column);
            for (int i = 0; at >= 0 && i < rows.get().count(); i++) {
                values.add(rows.get().told(i, at, size));
            }
        }
    }
}
