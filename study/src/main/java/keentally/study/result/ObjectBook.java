package keentally.study.result;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.reader.Reader;
import keentally.core.run.PhaseReading;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.study.Program;
import keentally.study.caution.Caution;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.run.SampleRecord.OwnNumber;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** A workbook of one sample: its objects, its phases, and how they came about, with the cautions. Numbers are cells of numbers. */
final class ObjectBook {
    /** What a cell of a spreadsheet can hold. */
    private static final int MOST_LETTERS = 32_767;

    private final TakenAway of;
    private final Method method;
    private final SampleRecord record;
    private final Numbers numbers;
    private final PixelSize size;

    ObjectBook(TakenAway of) {
        this.of = of;
        this.method = of.run().method();
        this.record = of.record();
        this.numbers = record.numbers().orElseThrow();
        this.size = of.size();
    }

    void write(Path file) throws FileFault {
        WholeFile.write(file, out -> {
            try (Workbook book = new Workbook(out, Program.NAME, "1.0")) {
                Reader.plainly(() -> sheets(book));
            }
        });
    }

    private Workbook sheets(Workbook book) throws IOException {
        objects(book.newWorksheet("Objects"));
        if (numbers.objects().filter(ObjectRows::isSorted).isPresent()) {
            classes(book.newWorksheet("Classes"));
        }
        phases(book.newWorksheet("Phases"));
        origin(book.newWorksheet("Method and cautions"));
        return book;
    }

    private static void head(Worksheet sheet, List<String> titles) {
        for (int c = 0; c < titles.size(); c++) {
            sheet.value(0, c, titles.get(c));
            sheet.style(0, c).bold().wrapText(true).set();
        }
        sheet.freezePane(0, 1);
    }

    /** Not-a-number is an empty cell. */
    private static void number(Worksheet sheet, int row, int column, double value) {
        if (Double.isFinite(value)) {
            sheet.value(row, column, value);
        }
    }

    private void objects(Worksheet sheet) throws IOException {
        List<String> titles = new ArrayList<>(List.of("Sample", "Object", "Phase"));
        boolean sorted = numbers.objects().filter(ObjectRows::isSorted).isPresent();
        if (sorted) {
            titles.add("Class");
        }
        method.columns().forEach(c -> titles.add(Words.title(c, size.unit())));
        head(sheet, titles);
        numbers.objects().ifPresent(rows -> {
            for (int i = 0; i < rows.count(); i++) {
                text(sheet, i + 1, 0, record.sample());
                sheet.value(i + 1, 1, i + 1);
                sheet.value(i + 1, 2, rows.phase(i));
                if (sorted) {
                    text(sheet, i + 1, 3, rows.classOf(i));
                }
                for (int c = 0; c < rows.columns().size(); c++) {
                    number(sheet, i + 1, c + (sorted ? 4 : 3), rows.told(i, c, size));
                }
            }
        });
        sheet.finish();
    }

    /** Objects that nobody sorted stand under no name. */
    private void classes(Worksheet sheet) throws IOException {
        head(sheet, List.of("Class", "Objects", "Share, % of objects"));
        ObjectRows rows = numbers.objects().orElseThrow();
        int row = 1;
        for (Map.Entry<String, Integer> one : rows.classCounts().entrySet()) {
            text(sheet, row, 0, one.getKey().isEmpty() ? "no class" : one.getKey());
            sheet.value(row, 1, one.getValue());
            number(sheet, row, 2, 100.0 * one.getValue() / rows.count());
            row++;
        }
        sheet.finish();
    }

    private void phases(Worksheet sheet) throws IOException {
        head(
                sheet,
                List.of(
                        "Phase",
                        "Name",
                        "Pixels",
                        "Area, " + size.unit().symbol() + "²",
                        "Fraction, % of field",
                        "Mean of " + method.signal(),
                        "Standard deviation of " + method.signal()));
        int row = 1;
        for (PhaseReading phase : numbers.phases()) {
            sheet.value(row, 0, phase.number());
            text(sheet, row, 1, phase.name());
            sheet.value(row, 2, phase.pixels());
            number(sheet, row, 3, size.area(phase.pixels()));
            number(sheet, row, 4, phase.percent());
            number(sheet, row, 5, phase.mean());
            number(sheet, row, 6, phase.sd());
            row++;
        }
        sheet.finish();
    }

    /** Every number leads back to picture, method and version. */
    private void origin(Worksheet sheet) throws IOException {
        int row = 0;
        row = line(sheet, row, "Sample", record.sample());
        row = line(sheet, row, "Picture", record.origin().picture());
        row = line(sheet, row, "Program", Program.NAME + " " + record.origin().program());
        row = line(sheet, row, "Method", method.name());
        row = line(sheet, row, "SHA-256 of the method", record.origin().methodSha256());
        String scale = record.origin().scale().map(Object::toString).orElse("none; lengths are in pixels");
        row = line(sheet, row, "Scale", scale);
        row = line(sheet, row, "Field, pixels", numbers.fieldPixels());
        if (numbers.objects().isPresent()) {
            ObjectRows rows = numbers.objects().get();
            row = line(sheet, row, "Objects kept", rows.count());
            row = line(sheet, row, "They cover, " + size.unit().symbol() + "²", size.area(rows.keptPixels()));
            row = line(sheet, row, "They cover, % of field", 100.0 * rows.keptPixels() / numbers.fieldPixels());
        }
        for (int i = 0; i < numbers.own().size(); i++) {
            row = own(sheet, row, numbers.own().get(i), method.numbers().get(i).unitSymbol(size.unit()));
        }
        row++;
        for (MethodStep step : method.steps()) {
            String settings = step.values().tree(step.description().settings()).entrySet().stream()
                    .map(ObjectBook::setting)
                    .reduce((a, b) -> a + ", " + b)
                    .orElse("");
            String found = of.run()
                    .station(step.id())
                    .map(s -> Headline.of(step, s.findings(), size))
                    .orElse(step.muted() ? "muted" : "");
            text(sheet, row, 2, found);
            row = line(sheet, row, (method.indexOf(step.id()) + 1) + "  " + Words.title(step.description()), settings);
        }
        row++;
        for (Caution caution : record.cautions()) {
            row = line(sheet, row, "Caution: " + caution.id(), caution.toString());
        }
        sheet.width(0, 30);
        sheet.width(1, 60);
        sheet.width(2, 50);
        sheet.finish();
    }

    /** A number of the sample, its formula behind it, or why there is none. */
    private int own(Worksheet sheet, int row, OwnNumber own, String unit) {
        OptionalDouble told = own.told(size);
        String why = own.why().map(w -> "empty: " + w).orElse(told.isEmpty() ? "empty: the sample has no scale" : "");
        text(sheet, row, 2, own.formula() + (why.isEmpty() ? "" : " (" + why + ")"));
        return line(sheet, row, own.name() + (unit.isEmpty() ? "" : ", " + unit), told.orElse(Double.NaN));
    }

    /** What a person wrote may be longer than a cell can hold; then it ends in dots. */
    private static void text(Worksheet sheet, int row, int column, String text) {
        boolean fits = text.length() <= MOST_LETTERS;
        sheet.value(row, column, fits ? text : text.substring(0, MOST_LETTERS - 1) + "…");
    }

    private static String setting(Map.Entry<String, Object> entry) {
        return entry.getKey() + " " + entry.getValue();
    }

    private static int line(Worksheet sheet, int row, String name, String value) {
        text(sheet, row, 1, value);
        return line(sheet, row, name);
    }

    private static int line(Worksheet sheet, int row, String name, double value) {
        number(sheet, row, 1, value);
        return line(sheet, row, name);
    }

    private static int line(Worksheet sheet, int row, String name) {
        text(sheet, row, 0, name);
        sheet.style(row, 0).bold().set();
        return row + 1;
    }
}
