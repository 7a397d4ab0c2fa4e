package keentally.study.result;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import keentally.core.quantity.Amounts;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A table of cells as they stand in a file: a header and rows of text. */
final class Sheet {
    /** A spreadsheet takes a cell that starts with one of these for a formula. */
    private static final String FORMULA_STARTS = "=+-@\t\r";

    private final List<String> header;
    private final List<List<String>> rows = new ArrayList<>();

    Sheet(List<String> header) {
        this.header = List.copyOf(header);
    }

    void add(List<String> row) {
        if (row.size() != header.size()) {
            throw new IllegalArgumentException(
                    "a row of " + row.size() + " cells does not fit a table of " + header.size() + " columns");
        }
        rows.add(List.copyOf(row));
    }

    /** RFC 4180, lines ending in CR LF. */
    String csv() {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header);
            for (List<String> row : rows) {
                printer.printRecord(row);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("memory does not fail", e);
        }
        return text.toString();
    }

    /** A text that a person chose, made harmless for spreadsheets. */
    static String text(String text) {
        return !text.isEmpty() && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    /** A number at full precision; not-a-number is an empty cell. */
    static String number(double value) {
        return Double.isNaN(value) ? "" : Amounts.text(value);
    }

    /** An id as a column's name: {@code feret-max} in µm is {@code feret_max_um}. */
    static String column(String id, String unit) {
        String name = id.replace('-', '_');
        return unit.isEmpty() ? name : name + "_" + unit;
    }
}
