package keentally.study.file;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keentally.core.quantity.Amounts;
import keentally.core.reader.Reader;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/**
 * A table of cells as they stand in a file: a header, and rows of text that are written as they come. RFC 4180, lines ending in CR LF. Numbers
 * have points; where somebody's spreadsheet wants commas, {@link #toFile} writes them so, with semicolons between columns.
 */
public final class Sheet {
    /** A spreadsheet takes a cell that starts with one of these for a formula. */
    private static final String FORMULA_STARTS = "=+-@\t\r";

    private static final Pattern NUMBER = Pattern.compile("-?\\d+(\\.\\d+)?(E-?\\d+)?");
    private static final CSVFormat WITH_COMMAS =
            CSVFormat.RFC4180.builder().setDelimiter(';').get();

    private static volatile boolean commas;

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

    /** Whether tables that somebody saves have decimal commas. */
    public static void useCommas(boolean use) {
        commas = use;
    }

    /** A whole table as a file for somebody's spreadsheet. */
    public static void toFile(Path file, String table) throws FileFault {
        WholeFile.write(file, commas ? withCommas(table) : table);
    }

    private static String withCommas(String table) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, WITH_COMMAS)) {
            for (List<String> row : rows(table)) {
                printer.printRecord(row.stream()
                        .map(c -> NUMBER.matcher(c).matches() ? c.replace('.', ',') : c)
                        .toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return text.toString();
    }

    /** The cells of a table that {@link #whole} made, as text for the clipboard: tabs between them, numbers as the reader has them. */
    public static String copied(String table) {
        return rows(table).stream()
                .map(row -> row.stream().map(Sheet::copiedCell).collect(Collectors.joining("\t")))
                .collect(Collectors.joining("\n"));
    }

    private static String copiedCell(String cell) {
        return NUMBER.matcher(cell).matches() ? Reader.marks(cell) : cell.replaceAll("\\s", " ");
    }

    private static List<List<String>> rows(String table) {
        try (CSVParser parser = CSVFormat.RFC4180.parse(new StringReader(table))) {
            return parser.stream().map(CSVRecord::toList).toList();
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be read", e);
        }
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
