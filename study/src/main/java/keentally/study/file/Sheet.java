package keentally.study.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import keentally.core.quantity.Amounts;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A table of cells as they stand in a file: a header, and rows of text that are written as they come. RFC 4180, lines ending in CR LF. */
public final class Sheet {
    /** A spreadsheet takes a cell that starts with one of these for a formula. */
    private static final String FORMULA_STARTS = "=+-@\t\r";

    private final int columns;
    private final CSVPrinter printer;

    private Sheet(int columns, CSVPrinter printer) {
        this.columns = columns;
        this.printer = printer;
    }

    /** Writes the header. */
    public static Sheet begin(Appendable out, List<String> header) throws IOException {
        CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180);
        printer.printRecord(header);
        return new Sheet(header.size(), printer);
    }

    /** Writes a row of as many cells as the header has. */
    public void add(List<String> row) throws IOException {
        if (row.size() != columns) {
            throw new IllegalArgumentException(
                    "a row of " + row.size() + " cells does not fit a table of " + columns + " columns");
        }
        printer.printRecord(row);
    }

    /** A whole table as text. */
    public static String whole(List<String> header, Iterable<List<String>> rows) {
        StringBuilder text = new StringBuilder();
        try {
            Sheet sheet = begin(text, header);
            for (List<String> row : rows) {
                sheet.add(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return text.toString();
    }

    /** A text that a person chose, made harmless for spreadsheets. */
    public static String text(String text) {
        return !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    /** As {@link #text} was before it was made harmless. */
    public static String plain(String text) {
        return text.length() > 1 && text.charAt(0) == '\'' && FORMULA_STARTS.indexOf(text.charAt(1)) >= 0
                ? text.substring(1)
                : text;
    }

    /** A number at full precision; what is no finite number is an empty cell. */
    public static String number(double value) {
        return Double.isFinite(value) ? Amounts.text(value) : "";
    }

    /** An id as a column's name: {@code feret-max} in µm is {@code feret_max_um}. */
    public static String column(String id, String unit) {
        String name = id.replace('-', '_');
        return unit.isEmpty() ? name : name + "_" + unit;
    }
}
