package keentally.study.result;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SequencedMap;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table that somebody pasted: a name in the first column, numbers in others. Columns are parted by tabs, semicolons or commas; where they are
 * not parted by commas, a comma in a number is a decimal one.
 *
 * @param columns the headings of those that hold numbers; "column 2" and so on where there are none
 * @param rows numbers by the names, in the columns' order; empty where a cell is
 */
public record PastedTable(List<String> columns, SequencedMap<String, List<OptionalDouble>> rows) {
    private static final int MOST = 100_000;

    /** @throws IllegalArgumentException in a sentence, where it is no such table */
    public static PastedTable parse(String text) {
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        char between = first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(between)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        List<CSVRecord> records;
        try (CSVParser parser = format.parse(new StringReader(text))) {
            records = parser.stream().limit(MOST).toList();
        } catch (IOException | RuntimeException e) {
            throw new IllegalArgumentException("a quotation mark is not closed", e);
        }
        if (records.isEmpty()) {
            throw new IllegalArgumentException(
                    "there is nothing to hold against: paste a table with a name and numbers");
        }
        return of(records, between != ',');
    }

    private static PastedTable of(List<CSVRecord> records, boolean commas) {
        CSVRecord head = records.getFirst();
        boolean named = head.stream().skip(1).noneMatch(c -> number(c, commas).isPresent());
        List<CSVRecord> body = named ? records.subList(1, records.size()) : records;
        List<Integer> places = new ArrayList<>();
        List<String> columns = new ArrayList<>();
        int width = records.stream().mapToInt(CSVRecord::size).max().orElse(0);
        for (int c = 1; c < width; c++) {
            int column = c;
            boolean numbers = !body.isEmpty()
                    && body.stream()
                            .anyMatch(r -> number(cell(r, column), commas).isPresent())
                    && body.stream()
                            .allMatch(r -> cell(r, column).isEmpty()
                                    || number(cell(r, column), commas).isPresent());
            if (numbers) {
                places.add(c);
                columns.add(named && !cell(head, c).isEmpty() ? cell(head, c) : "column " + (c + 1));
            }
        }
        if (columns.isEmpty()) {
            throw new IllegalArgumentException("no column holds numbers all the way down");
        }
        SequencedMap<String, List<OptionalDouble>> rows = new LinkedHashMap<>();
        Set<String> twice = new HashSet<>();
        for (CSVRecord record : body) {
            String name = cell(record, 0);
            if (rows.put(
                            name,
                            places.stream()
                                    .map(c -> number(cell(record, c), commas))
                                    .toList())
                    != null) {
                twice.add(name);
            }
        }
        if (!twice.isEmpty()) {
            throw new IllegalArgumentException("more than one row is called "
                    + twice.stream().sorted().findFirst().orElseThrow());
        }
        return new PastedTable(List.copyOf(columns), rows);
    }

    private static String cell(CSVRecord record, int column) {
        return column < record.size() ? record.get(column) : "";
    }

    private static OptionalDouble number(String text, boolean commas) {
        try {
            double value = Double.parseDouble(commas ? text.replace(',', '.') : text);
            return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    /** The number of a sample in a column, by its name whatever its case, with or without the ending of a file. */
    public OptionalDouble find(String sample, int column) {
        return rows.entrySet().stream()
                .filter(e -> bare(e.getKey()).equals(bare(sample)))
                .map(e -> e.getValue().get(column))
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    /** The names that no sample has. */
    public List<String> unknown(List<String> samples) {
        List<String> known = samples.stream().map(PastedTable::bare).toList();
        return rows.keySet().stream().filter(n -> !known.contains(bare(n))).toList();
    }

    private static String bare(String name) {
        String lower = name.toLowerCase(Locale.ROOT).strip();
        return Optional.of(lower)
                .filter(n -> n.matches(".+\\.(png|jpe?g|tiff?|bmp|gif|webp|p[bgpn]m)"))
                .map(n -> n.substring(0, n.lastIndexOf('.')))
                .orElse(lower);
    }
}
