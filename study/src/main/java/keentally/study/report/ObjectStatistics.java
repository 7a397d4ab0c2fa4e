package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keentally.core.measure.Column;
import keentally.core.measure.Measure;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.study.report.Block.Head;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;
import keentally.study.series.ObjectSums.ColumnSum;

/** The measures of the objects: of one sample a row each, of several a column each. */
final class ObjectStatistics {
    /** As many measures stand beside each other on a page. */
    private static final int BESIDE = 5;

    private ObjectStatistics() {}

    static List<Block> of(ReportMaterial.Used used) {
        List<Column> columns = used.entries().stream()
                .flatMap(e -> e.row().stream())
                .flatMap(r -> r.objects().stream())
                .flatMap(o -> o.columns().stream())
                .map(ColumnSum::column)
                .distinct()
                .filter(ObjectStatistics::tellsOfASample)
                .toList();
        if (columns.isEmpty()) {
            return List.of();
        }
        if (used.entries().size() == 1) {
            return List.of(one(used.entries().getFirst().row().orElseThrow(), columns, used.unit()));
        }
        List<Block> blocks = new ArrayList<>();
        for (int from = 0; from < columns.size(); from += BESIDE) {
            blocks.add(several(used, columns.subList(from, Math.min(columns.size(), from + BESIDE))));
        }
        return blocks;
    }

    /** A mean of places is none of the objects'. */
    private static boolean tellsOfASample(Column column) {
        return !(column instanceof Measure measure && measure.group() == Measure.Group.PLACE);
    }

    /** What is measured of the signal is called by what it is of, beside means and medians of everything. */
    private static String title(Column column, LengthUnit unit) {
        String title = Words.title(column, unit);
        return column instanceof Measure measure && measure.group() == Measure.Group.SIGNAL
                ? "Brightness: " + (Reader.language() == Language.ENGLISH ? small(title) : title)
                : title;
    }

    private static String small(String title) {
        return title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1);
    }

    private static Block one(LedgerRow row, List<Column> columns, LengthUnit unit) {
        PixelSize size = row.told(unit);
        List<List<String>> rows = new ArrayList<>();
        for (Column column : columns) {
            row.objects()
                    .flatMap(o -> o.column(column.id()))
                    .ifPresent(sum -> rows.add(List.of(
                            title(column, size.unit()),
                            told(sum, sum.px().mean(), size),
                            told(sum, sum.px().sd(), size),
                            told(sum, sum.px().median(), size),
                            told(sum, sum.px().least(), size),
                            told(sum, sum.px().greatest(), size))));
        }
        return new Block.Table(
                List.of(
                        Head.words("Over the objects"),
                        Head.number("Mean"),
                        Head.number("SD"),
                        Head.number("Median"),
                        Head.number("Least"),
                        Head.number("Greatest")),
                rows);
    }

    private static Block several(ReportMaterial.Used used, List<Column> columns) {
        List<Head> heads = new ArrayList<>(List.of(Head.words("Mean over the objects (SD)")));
        columns.forEach(c -> heads.add(Head.number(title(c, used.unit()))));
        List<List<String>> rows = new ArrayList<>();
        for (LedgerEntry entry : used.entries()) {
            List<String> row = new ArrayList<>(List.of(entry.thing().name()));
            columns.forEach(c ->
                    row.add(entry.row().map(r -> cell(r, c, used.unit())).orElse("–")));
            rows.add(row);
        }
        return new Block.Table(heads, rows);
    }

    private static String cell(LedgerRow row, Column column, LengthUnit unit) {
        PixelSize size = row.told(unit);
        if (column.lengths() != 0 && !size.isReal()) {
            return "–";
        }
        return row.objects()
                .flatMap(o -> o.column(column.id()))
                .map(sum -> told(sum, sum.px().mean(), size) + " ("
                        + told(sum, sum.px().sd(), size) + ")")
                .orElse("–");
    }

    private static String told(ColumnSum sum, double px, PixelSize size) {
        return Figures.number(sum.told(px, size));
    }
}
