package keentally.study.result;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keentally.core.stats.FieldStatistics;
import keentally.study.Program;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** The ledger as a table and as a workbook, in the order in which it stands; the workbook also has what groups say together. */
public final class LedgerFile {
    private static final List<String> OF_GROUPS = List.of(
            "group",
            "number",
            "fields",
            "left_out",
            "mean",
            "sd",
            "interval_95",
            "relative_accuracy_percent",
            "fields_for_10_percent");

    private static final double WANTED = 10;

    private LedgerFile() {}

    /** One row a sample. */
    public static String csv(Ledger ledger) {
        List<List<String>> rows = new ArrayList<>();
        for (LedgerEntry entry : ledger.entries()) {
            rows.add(ledger.all().stream().map(c -> cell(c, entry)).toList());
        }
        return Sheet.whole(ledger.all().stream().map(LedgerColumn::id).toList(), rows);
    }

    /** One row a group and number: mean, s, 95 % interval and relative accuracy over its samples. */
    public static String groupsCsv(Ledger ledger) {
        return Sheet.whole(OF_GROUPS, groups(ledger));
    }

    private static List<List<String>> groups(Ledger ledger) {
        List<List<String>> rows = new ArrayList<>();
        for (LedgerColumn column : ledger.numbers()) {
            for (Map.Entry<String, FieldStatistics> group :
                    ledger.statistics(column).entrySet()) {
                FieldStatistics s = group.getValue();
                if (s.count() > 0) {
                    rows.add(List.of(
                            Sheet.text(group.getKey()),
                            column.id(),
                            String.valueOf(s.count()),
                            String.valueOf(leftOut(ledger, group.getKey())),
                            Sheet.number(s.mean()),
                            Sheet.number(s.sd()),
                            Sheet.number(s.halfWidth()),
                            Sheet.number(s.relativeAccuracy()),
                            s.needed(WANTED).isPresent()
                                    ? String.valueOf(s.needed(WANTED).getAsLong())
                                    : ""));
                }
            }
        }
        return rows;
    }

    private static long leftOut(Ledger ledger, String group) {
        return ledger.entries().stream()
                .filter(e -> e.thing().label().group().equals(group)
                        && e.thing().leftOut().isPresent())
                .count();
    }

    private static String cell(LedgerColumn column, LedgerEntry entry) {
        return column.isNumber()
                ? Sheet.number(column.value().applyAsDouble(entry))
                : Sheet.text(column.text().apply(entry));
    }

    /** A table as a file, whole or not at all. */
    public static void write(Path file, String csv) throws FileFault {
        Sheet.toFile(file, csv);
    }

    /** The workbook of the ledger and its groups. */
    public static void xlsx(Path file, Ledger ledger) throws FileFault {
        WholeFile.write(file, out -> {
            try (Workbook book = new Workbook(out, Program.NAME, "1.0")) {
                samples(book.newWorksheet("Ledger"), ledger);
                groups(book.newWorksheet("Groups"), ledger);
            }
        });
    }

    private static void samples(Worksheet sheet, Ledger ledger) throws IOException {
        List<LedgerColumn> columns = ledger.all();
        for (int c = 0; c < columns.size(); c++) {
            head(sheet, c, columns.get(c).title());
            for (int r = 0; r < ledger.entries().size(); r++) {
                LedgerEntry entry = ledger.entries().get(r);
                double value = columns.get(c).value().applyAsDouble(entry);
                if (Double.isFinite(value)) {
                    sheet.value(r + 1, c, value);
                } else if (!columns.get(c).isNumber()) {
                    sheet.value(r + 1, c, columns.get(c).text().apply(entry));
                }
            }
        }
        sheet.freezePane(1, 1);
        sheet.width(0, 24);
        sheet.finish();
    }

    private static void groups(Worksheet sheet, Ledger ledger) throws IOException {
        for (int c = 0; c < OF_GROUPS.size(); c++) {
            head(sheet, c, OF_GROUPS.get(c).replace('_', ' '));
        }
        List<List<String>> rows = groups(ledger);
        for (int r = 0; r < rows.size(); r++) {
            for (int c = 0; c < OF_GROUPS.size(); c++) {
                String cell = rows.get(r).get(c);
                if (c > 1 && !cell.isEmpty()) {
                    sheet.value(r + 1, c, Double.parseDouble(cell));
                } else {
                    sheet.value(r + 1, c, c == 0 ? Sheet.plain(cell) : cell);
                }
            }
        }
        sheet.freezePane(0, 1);
        sheet.finish();
    }

    private static void head(Worksheet sheet, int column, String title) {
        sheet.value(0, column, title);
        sheet.style(0, column).bold().wrapText(true).set();
    }
}
