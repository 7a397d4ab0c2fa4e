package keentally.study.result;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keentally.core.measure.Column;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.PhaseReading;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.study.Program;
import keentally.study.caution.Caution;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** A workbook of one sample: its objects, its phases, and how they came about, with the cautions. Numbers are cells of numbers. */
final class ObjectBook {
    private final TakenAway of;
    private final Method method;
    private final LengthUnit unit;
    private final double perPixel;

    ObjectBook(TakenAway of) {
        this.of = of;
        this.method = of.run().method();
        this.unit = of.unit();
        this.perPixel = of.perPixel();
    }

    void write(Path file) throws FileFault {
        WholeFile.write(file, out -> {
            try (Workbook book = new Workbook(out, Program.NAME, "1.0")) {
                objects(book.newWorksheet("Objects"));
                phases(book.newWorksheet("Phases"));
                origin(book.newWorksheet("Method and cautions"));
            }
        });
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
        method.columns().forEach(c -> titles.add(Words.title(c, unit)));
        head(sheet, titles);
        if (of.readings().objects().isEmpty()) {
            return;
        }
        ObjectTable table = of.readings().objects().get();
        for (int i = 0; i < table.rows(); i++) {
            sheet.value(i + 1, 0, of.sample());
            sheet.value(i + 1, 1, i + 1);
            sheet.value(i + 1, 2, of.readings().objectPhases()[i]);
            for (int c = 0; c < table.columns().size(); c++) {
                Column column = table.columns().get(c);
                number(sheet, i + 1, c + 3, table.at(i, c) * column.factor(perPixel));
            }
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
                        "Area, " + unit.symbol() + "²",
                        "Fraction, % of field",
                        "Mean of " + method.signal(),
                        "Standard deviation of " + method.signal()));
        int row = 1;
        for (PhaseReading phase : of.readings().fractions()) {
            sheet.value(row, 0, phase.number());
            sheet.value(row, 1, phase.name());
            sheet.value(row, 2, phase.pixels());
            number(sheet, row, 3, phase.pixels() * perPixel * perPixel);
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
        row = line(sheet, row, "Sample", of.sample());
        row = line(sheet, row, "Program", Program.NAME + " " + Program.VERSION);
        row = line(sheet, row, "Method", method.name());
        row = line(sheet, row, "SHA-256 of the method", MethodFile.hash(method));
        row = line(
                sheet,
                row,
                "Scale",
                of.run().sample().scale().map(Object::toString).orElse("none; lengths are in pixels"));
        long field = of.readings().state().field().pixels();
        row = line(sheet, row, "Field, pixels", field);
        row = line(sheet, row, "Objects kept", of.readings().objectPhases().length);
        row = line(
                sheet, row, "They cover, " + unit.symbol() + "²", of.readings().keptPixels() * perPixel * perPixel);
        row = line(sheet, row, "They cover, % of field", 100.0 * of.readings().keptPixels() / field) + 1;
        for (MethodStep step : method.steps()) {
            String settings = step.values().tree(step.description().settings()).entrySet().stream()
                    .map(ObjectBook::setting)
                    .reduce((a, b) -> a + ", " + b)
                    .orElse("");
            String found = of.run()
                    .station(step.id())
                    .map(s -> Headline.of(step, s.findings()))
                    .orElse(step.muted() ? "muted" : "");
            sheet.value(row, 2, found);
            row = line(sheet, row, (method.indexOf(step.id()) + 1) + "  " + Words.title(step.description()), settings);
        }
        row++;
        for (Caution caution : of.cautions()) {
            row = line(sheet, row, "Caution: " + caution.id(), caution.toString());
        }
        sheet.width(0, 30);
        sheet.width(1, 60);
        sheet.width(2, 50);
        sheet.finish();
    }

    private static String setting(Map.Entry<String, Object> entry) {
        return entry.getKey() + " " + entry.getValue();
    }

    private static int line(Worksheet sheet, int row, String name, String value) {
        sheet.value(row, 1, value);
        return line(sheet, row, name);
    }

    private static int line(Worksheet sheet, int row, String name, double value) {
        number(sheet, row, 1, value);
        return line(sheet, row, name);
    }

    private static int line(Worksheet sheet, int row, String name) {
        sheet.value(row, 0, name);
        sheet.style(row, 0).bold().set();
        return row + 1;
    }
}
