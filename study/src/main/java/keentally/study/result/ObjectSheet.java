package keentally.study.result;

import java.util.ArrayList;
import java.util.List;
import keentally.core.measure.Column;
import keentally.core.method.Method;
import keentally.core.run.Readings;
import keentally.core.run.Run;

/** {@code objects.csv}: one row an object, lengths and areas in the method's unit. */
public final class ObjectSheet {
    private final Method method;
    private final Sheet sheet;

    ObjectSheet(Method method) {
        this.method = method;
        List<String> header = new ArrayList<>(List.of("sample", "object", "phase"));
        for (Column column : method.columns()) {
            header.add(Sheet.column(column.id(), column.unitId(method.unit())));
        }
        this.sheet = new Sheet(header);
    }

    /** The table of one sample, as it would stand in the file of a run. */
    public static String csv(String sample, Run run, Readings readings) {
        ObjectSheet sheet = new ObjectSheet(run.method());
        sheet.add(SampleReading.of(sample, run, readings, List.of()));
        return sheet.csv();
    }

    void add(SampleReading reading) {
        double perPixel = reading.scale().map(s -> s.perPixel(method.unit())).orElse(1.0);
        for (int i = 0; i < reading.count(); i++) {
            List<String> row = new ArrayList<>();
            row.add(Sheet.text(reading.sample()));
            row.add(String.valueOf(i + 1));
            row.add(String.valueOf(reading.objectPhases()[i]));
            for (int m = 0; m < method.columns().size(); m++) {
                double factor = method.columns().get(m).factor(perPixel);
                row.add(Sheet.number(reading.columns()[m][i] * factor));
            }
            sheet.add(row);
        }
    }

    String csv() {
        return sheet.csv();
    }
}
