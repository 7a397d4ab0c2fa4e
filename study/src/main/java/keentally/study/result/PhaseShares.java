package keentally.study.result;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import keentally.core.colour.ColourSpace;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.reader.Reader;
import keentally.core.run.PhaseReading;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.study.Program;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.CentresAt;
import keentally.study.run.SampleRecord.Numbers;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Phases as a result: a row each, of one sample or of several, with the share of a whole that every row names. The whole is the field, the
 * part of it that the method goes on within, or one of the phases; in a sample that does not have that phase shares are empty.
 *
 * @param unit of lengths and areas
 * @param whole the name of a phase; empty for the field
 */
public record PhaseShares(LengthUnit unit, Optional<String> whole, List<Row> rows) {
    private static final String FIELD = "field";
    private static final String PART = "part of the field";

    /**
     * A sample to be told of.
     *
     * @param id in its study
     * @param massUnit of its masses; empty where it was not weighed
     * @param within whether its method goes on within a part of the field to the end: then that is the whole
     */
    public record Source(String id, String name, SampleRecord record, String massUnit, boolean within) {}

    /**
     * One phase of one sample.
     *
     * @param id of the sample in its study
     * @param wholePixels of the whole; not-a-number where the sample has no such whole
     * @param mass in the sample's unit; not-a-number where it was not weighed
     * @param centre of a cluster; empty for other phases
     */
    public record Row(
            String id,
            String sample,
            PhaseReading phase,
            double wholePixels,
            String whole,
            PixelSize size,
            double mass,
            String massUnit,
            List<Double> centre) {
        /** Of the whole, in per cent; not-a-number where the sample has no such whole. */
        public double share() {
            return 100 * phase.pixels() / wholePixels;
        }

        private double lab(int component) {
            return phase.colour().isEmpty() ? Double.NaN : lab(phase.colour())[component];
        }

        private static double[] lab(List<Double> rgb) {
            double[] lab = new double[3];
            ColourSpace.LAB.of(rgb.stream().mapToDouble(v -> v).toArray(), lab);
            return lab;
        }

        private double colour(int channel) {
            return phase.colour().isEmpty() ? Double.NaN : phase.colour().get(channel);
        }
    }

    /**
     * A column of the table.
     *
     * @param id as in files, with its unit
     * @param title for people, with its unit
     * @param text of words; empty for a number
     */
    public record Column(String id, String title, Optional<Function<Row, String>> text, ToDoubleFunction<Row> number) {
        private static Column words(String id, String title, Function<Row, String> text) {
            return new Column(id, title, Optional.of(text), r -> Double.NaN);
        }

        private static Column of(String id, String title, ToDoubleFunction<Row> number) {
            return new Column(id, title, Optional.empty(), number);
        }

        /** As a person reads it; empty where there is none. */
        public String shown(Row row) {
            double value = number.applyAsDouble(row);
            return text.map(t -> t.apply(row)).orElseGet(() -> Double.isNaN(value) ? "" : Figures.number(value));
        }

        private String cell(Row row) {
            return text.map(t -> Sheet.text(t.apply(row))).orElseGet(() -> Sheet.number(number.applyAsDouble(row)));
        }
    }

    public PhaseShares {
        rows = List.copyOf(rows);
    }

    /** Of samples in their order; those without numbers have no rows. */
    public static PhaseShares of(List<Source> sources, LengthUnit unit, Optional<String> whole) {
        List<Row> rows = new ArrayList<>();
        for (Source source : sources) {
            source.record().numbers().ifPresent(n -> rows.addAll(rows(source, n, unit, whole)));
        }
        return new PhaseShares(unit, whole, rows);
    }

    private static List<Row> rows(Source source, Numbers numbers, LengthUnit unit, Optional<String> whole) {
        List<PhaseReading> phases = numbers.phases();
        double base = whole.map(w -> phases.stream()
                        .filter(p -> p.name().equals(w))
                        .mapToDouble(PhaseReading::pixels)
                        .findFirst()
                        .orElse(Double.NaN))
                .orElse((double) numbers.fieldPixels());
        List<List<Double>> centres = numbers.centres().stream()
                .filter(c -> c.places().size() == phases.size())
                .reduce((a, b) -> b)
                .map(CentresAt::places)
                .orElse(List.of());
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < phases.size(); i++) {
            rows.add(new Row(
                    source.id(),
                    source.name(),
                    phases.get(i),
                    base == 0 ? Double.NaN : base,
                    whole.orElse(source.within() ? PART : FIELD),
                    source.record().told(unit),
                    numbers.masses().get(i),
                    source.massUnit(),
                    centres.isEmpty() ? List.of() : centres.get(i)));
        }
        return rows;
    }

    /** Those that hold anything for any row, and always sample, phase, whole, share, pixels and area. */
    public List<Column> columns() {
        boolean real = rows.stream().anyMatch(r -> r.size().isReal());
        LengthUnit told = real ? unit : LengthUnit.PX;
        String length = told.symbol();
        List<Column> all = new ArrayList<>(List.of(
                Column.words("sample", "Sample", Row::sample),
                Column.words("name", "Phase", r -> r.phase().name()),
                Column.of("share_percent", "Share, %", Row::share),
                Column.words("whole", "of the", Row::whole),
                Column.of(
                        Sheet.column("area", told.id() + "2"),
                        "Area, " + length + "²",
                        r -> r.size().area(r.phase().pixels())),
                Column.of("pixels", "Pixels", r -> r.phase().pixels())));
        List<Column> others = new ArrayList<>();
        String massUnit = rows.stream()
                .map(Row::massUnit)
                .filter(u -> !u.isEmpty())
                .findFirst()
                .orElse("");
        others.add(Column.of(
                Sheet.column("mass", massUnit),
                "Mass, " + massUnit,
                r -> r.massUnit().equals(massUnit) ? r.mass() : Double.NaN));
        others.add(Column.of(
                Sheet.column("x", told.id()),
                "Middle x, " + length,
                r -> r.size().length(r.phase().x())));
        others.add(Column.of(
                Sheet.column("y", told.id()),
                "Middle y, " + length,
                r -> r.size().length(r.phase().y())));
        others.add(Column.of("mean", "Signal, mean", r -> r.phase().mean()));
        others.add(Column.of("sd", "Signal, s", r -> r.phase().sd()));
        List<String> rgb = List.of("red", "green", "blue");
        List<String> lab = List.of("lightness", "a", "b");
        List<String> titles = List.of("Red", "Green", "Blue", "L*", "a*", "b*");
        for (int c = 0; c < rgb.size(); c++) {
            int channel = c;
            others.add(Column.of("mean_" + rgb.get(c), titles.get(c), r -> r.colour(channel)));
        }
        for (int c = 0; c < lab.size(); c++) {
            int component = c;
            others.add(Column.of("mean_" + lab.get(c), titles.get(3 + c), r -> r.lab(component)));
        }
        others.stream()
                .filter(c ->
                        rows.stream().anyMatch(r -> !Double.isNaN(c.number().applyAsDouble(r))))
                .forEach(all::add);
        if (rows.stream().anyMatch(r -> !r.centre().isEmpty())) {
            all.add(Column.words(
                    "centre",
                    "Centre of the cluster",
                    r -> r.centre().stream().map(Figures::number).collect(Collectors.joining("; "))));
        }
        return all;
    }

    /** As it stands in files, plainly. */
    public String csv() {
        return Reader.plainly(this::table);
    }

    private String table() {
        List<Column> columns = columns();
        return Sheet.whole(
                columns.stream().map(Column::id).toList(),
                rows.stream()
                        .map(r -> columns.stream().map(c -> c.cell(r)).toList())
                        .toList());
    }

    /** Parted by tabs, with headings, as a spreadsheet takes it from the clipboard. */
    public String copied() {
        String heads = columns().stream().map(c -> Sentences.told(c.title())).collect(Collectors.joining("\t"));
        return heads + "\n" + Sheet.copied(csv()).lines().skip(1).collect(Collectors.joining("\n"));
    }

    /** A workbook where the file's name ends so, else CSV. */
    public void write(Path file) throws FileFault {
        if (file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".xlsx")) {
            WholeFile.write(file, out -> {
                try (Workbook book = new Workbook(out, Program.NAME, "1.0")) {
                    Reader.plainly(() -> sheet(book.newWorksheet("Phases")));
                }
            });
        } else {
            Sheet.toFile(file, csv());
        }
    }

    private Worksheet sheet(Worksheet sheet) throws IOException {
        List<Column> columns = columns();
        for (int c = 0; c < columns.size(); c++) {
            Column column = columns.get(c);
            sheet.value(0, c, column.title());
            sheet.style(0, c).bold().wrapText(true).set();
            for (int r = 0; r < rows.size(); r++) {
                double value = column.number().applyAsDouble(rows.get(r));
                if (column.text().isPresent()) {
                    sheet.value(r + 1, c, column.text().get().apply(rows.get(r)));
                } else if (Double.isFinite(value)) {
                    sheet.value(r + 1, c, value);
                }
            }
        }
        sheet.freezePane(2, 1);
        sheet.finish();
        return sheet;
    }
}
