package keentally.study.result;

import java.util.ArrayList;
import java.util.List;
import keentally.core.measure.Column;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;

/** {@code objects.csv}: one row an object, lengths and areas in the method's unit. */
public final class ObjectSheet {
    private final Method method;
    private final LengthUnit unit;
    private final Sheet sheet;

    ObjectSheet(Method method) {
        this(method, method.unit());
    }

    private ObjectSheet(Method method, LengthUnit unit) {
        this.method = method;
        this.unit = unit;
        List<String> header = new ArrayList<>(List.of("sample", "object", "phase"));
        for (Column column : method.columns()) {
            header.add(Sheet.column(column.id(), column.unitId(unit)));
        }
        this.sheet = new Sheet(header);
    }

    /** The table of one sample, as it would stand in the file of a run; in pixels where the sample has no scale. */
    static String csv(TakenAway of) {
        ObjectSheet sheet = new ObjectSheet(of.run().method(), of.unit());
        sheet.add(SampleReading.of(of.sample(), of.run(), of.readings(), List.of()));
        return sheet.csv();
    }

    void add(SampleReading reading) {
        double perPixel = reading.scale().map(s -> s.perPixel(unit)).orElse(1.0);
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
