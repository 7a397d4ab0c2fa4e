package keentally.study.result;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keentally.core.geometry.Point;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.quantity.PixelSize;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Marks as CSV: {@code x_px,y_px,x_UNIT,y_UNIT,class,counter,time}, the unit's columns only where the sample has a scale. Places are in
 * pixels from the upper left corner of the picture; time is UTC. What is read needs {@code x_px} and {@code y_px}, or {@code x} and
 * {@code y}, or two columns without a heading; class, counter and time may be missing.
 */
public final class MarksFile {
    private static final int MOST = 1_000_000;

    private MarksFile() {}

    /**
     * A mark as a file tells it.
     *
     * @param kind the class's name; empty for none
     * @param counter empty for none
     */
    public record Entry(Point at, String kind, String counter, long second) {}

    /** Writes what was counted by hand on one sample, by the counters' names. */
    public static void write(Path file, List<TallyClass> classes, Map<String, Marks> tallies, PixelSize size)
            throws FileFault {
        WholeFile.write(file, text(classes, tallies, size));
    }

    static String text(List<TallyClass> classes, Map<String, Marks> tallies, PixelSize size) {
        Map<String, String> names = classes.stream().collect(Collectors.toMap(TallyClass::id, TallyClass::name));
        boolean real = size.unit().isReal();
        List<String> heads = new ArrayList<>(List.of("x_px", "y_px"));
        if (real) {
            heads.addAll(List.of("x_" + size.unit().id(), "y_" + size.unit().id()));
        }
        heads.addAll(List.of("class", "counter", "time"));
        StringBuilder text = new StringBuilder();
        try {
            Sheet sheet = Sheet.begin(text, heads);
            for (Map.Entry<String, Marks> tally : tallies.entrySet()) {
                for (Mark mark : tally.getValue().list()) {
                    List<String> row = new ArrayList<>(List.of(
                            Sheet.number(mark.at().x()), Sheet.number(mark.at().y())));
                    if (real) {
                        row.add(Sheet.number(size.length(mark.at().x())));
                        row.add(Sheet.number(size.length(mark.at().y())));
                    }
                    row.add(Sheet.text(names.getOrDefault(mark.kind(), mark.kind())));
                    row.add(Sheet.text(tally.getKey()));
                    row.add(
                            mark.second() == 0
                                    ? ""
                                    : Instant.ofEpochSecond(mark.second()).toString());
                    sheet.add(row);
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("memory does not fail", e);
        }
        return text.toString();
    }

    /** @throws FileFault in a sentence with the line, where it holds no places */
    public static List<Entry> read(Path file) throws FileFault {
        return read(file, PixelSize.PIXELS);
    }

    /** @param size of a pixel, for a file that tells places in real units alone */
    static List<Entry> read(Path file, PixelSize size) throws FileFault {
        String name = file.getFileName().toString();
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(WholeFile.read(file)))
                    .toString();
        } catch (CharacterCodingException e) {
            throw new FileFault(name + " is no table of marks: it is not text in UTF-8.", e);
        }
        return parse(name, text.startsWith("\ufeff") ? text.substring(1) : text, size);
    }

    static List<Entry> parse(String name, String text) throws FileFault {
        return parse(name, text, PixelSize.PIXELS);
    }

    private static List<Entry> parse(String name, String text, PixelSize size) throws FileFault {
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        char between = first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(between)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        List<CSVRecord> rows;
        try (CSVParser parser = format.parse(new StringReader(text))) {
            rows = parser.stream().limit(MOST + 2L).toList();
        } catch (IOException | RuntimeException e) {
            throw new FileFault(name + " is no table of marks: a quotation mark is not closed.", e);
        }
        if (rows.isEmpty()) {
            throw new FileFault(name + " holds no mark.");
        }
        if (rows.size() > MOST + 1) {
            throw new FileFault(name + " holds more than a million marks.");
        }
        Heads heads = Heads.of(name, rows.getFirst(), size);
        List<Entry> entries = new ArrayList<>();
        for (CSVRecord row : rows.subList(heads.named ? 1 : 0, rows.size())) {
            entries.add(heads.entry(name, row));
        }
        if (entries.isEmpty()) {
            throw new FileFault(name + " holds no mark, only a heading.");
        }
        return entries;
    }

    /** Which column holds what; −1 for none does. */
    private record Heads(boolean named, int x, int y, double px, int kind, int counter, int time) {
        static Heads of(String name, CSVRecord first, PixelSize size) throws FileFault {
            List<String> words =
                    first.stream().map(w -> w.toLowerCase(Locale.ROOT)).toList();
            Function<String, Integer> place = words::indexOf;
            int x = words.contains("x_px") ? place.apply("x_px") : place.apply("x");
            int y = words.contains("y_px") ? place.apply("y_px") : place.apply("y");
            if (x >= 0 && y >= 0) {
                return new Heads(true, x, y, 1, place.apply("class"), place.apply("counter"), place.apply("time"));
            }
            String unit = size.unit().id();
            if (size.unit().isReal() && words.contains("x_" + unit) && words.contains("y_" + unit)) {
                return new Heads(
                        true,
                        place.apply("x_" + unit),
                        place.apply("y_" + unit),
                        1 / size.length(1),
                        place.apply("class"),
                        place.apply("counter"),
                        place.apply("time"));
            }
            boolean numbers = first.size() >= 2
                    && number(first.get(0)).isPresent()
                    && number(first.get(1)).isPresent();
            if (numbers) {
                return new Heads(false, 0, 1, 1, first.size() > 2 ? 2 : -1, -1, -1);
            }
            throw new FileFault(name + " is no table of marks: it should begin with x_px,y_px, but begins with '"
                    + first.get(0) + "'.");
        }

        Entry entry(String name, CSVRecord row) throws FileFault {
            return new Entry(
                    new Point(px * number(name, row, x), px * number(name, row, y)),
                    Sheet.plain(text(row, kind)),
                    Sheet.plain(text(row, counter)),
                    second(text(row, time)));
        }

        private static double number(String name, CSVRecord row, int column) throws FileFault {
            String text = text(row, column);
            return number(text)
                    .orElseThrow(() -> new FileFault(name + ", line " + row.getRecordNumber()
                            + ": a place should be a number of pixels, found '" + text + "'."));
        }

        private static Optional<Double> number(String text) {
            try {
                double value = Double.parseDouble(text);
                return Double.isFinite(value) ? Optional.of(value) : Optional.empty();
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }

        private static String text(CSVRecord row, int column) {
            return column >= 0 && column < row.size() ? row.get(column) : "";
        }

        private static long second(String time) {
            try {
                return time.isEmpty() ? 0 : Instant.parse(time).getEpochSecond();
            } catch (DateTimeException e) {
                return 0;
            }
        }
    }
}
