package keentally.study.result;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import keentally.core.measure.Column;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.study.caution.Cautions;

/** {@code samples.csv}: one row a sample, whatever became of it; in µm and mm² always, empty without a scale. */
final class SampleSheet {
    private static final List<String> FIXED = List.of(
            "sample",
            "status",
            "width_px",
            "height_px",
            "um_per_px",
            "field_pixels",
            "field_area_um2",
            "count",
            "count_per_mm2",
            "kept_area_um2",
            "kept_percent",
            "cuts",
            "hand_edits",
            "cautions");
    private static final double UM2_PER_MM2 = 1e6;

    private final Method method;
    private final Sheet sheet;

    SampleSheet(Method method) {
        this.method = method;
        List<String> header = new ArrayList<>(FIXED);
        for (Column column : method.columns()) {
            String name = Sheet.column(column.id(), column.unitId(LengthUnit.UM));
            header.add("mean_" + name);
            header.add("median_" + name);
        }
        this.sheet = new Sheet(header);
    }

    void addFailure(String sample, String error) {
        List<String> row = new ArrayList<>(List.of(Sheet.text(sample), Sheet.text(error)));
        row.addAll(Collections.nCopies(FIXED.size() - 2 + 2 * method.columns().size(), ""));
        sheet.add(row);
    }

    void add(SampleReading reading) {
        double um = reading.scale().map(Scale::umPerPx).orElse(Double.NaN);
        double um2 = um * um;
        List<String> row = new ArrayList<>(List.of(
                Sheet.text(reading.sample()),
                "ok",
                String.valueOf(reading.width()),
                String.valueOf(reading.height()),
                Sheet.number(um),
                String.valueOf(reading.fieldPixels()),
                Sheet.number(reading.fieldPixels() * um2),
                String.valueOf(reading.count()),
                Sheet.number(reading.count() / (reading.fieldPixels() * um2 / UM2_PER_MM2)),
                Sheet.number(reading.keptPixels() * um2),
                Sheet.number(100.0 * reading.keptPixels() / reading.fieldPixels()),
                reading.cuts(),
                String.valueOf(reading.handEdits()),
                Cautions.ids(reading.cautions())));
        for (int m = 0; m < method.columns().size(); m++) {
            double factor = method.columns().get(m).factor(um);
            double[] known = Arrays.stream(reading.columns()[m])
                    .filter(v -> !Double.isNaN(v))
                    .sorted()
                    .toArray();
            row.add(cell(mean(reading.columns()[m]), factor));
            row.add(cell(median(known), factor));
        }
        sheet.add(row);
    }

    private static String cell(OptionalDouble value, double factor) {
        return Sheet.number(value.orElse(Double.NaN) * factor);
    }

    /** Summed in the order of the objects. */
    private static OptionalDouble mean(double[] values) {
        double sum = 0;
        int n = 0;
        for (double value : values) {
            if (!Double.isNaN(value)) {
                sum += value;
                n++;
            }
        }
        return n == 0 ? OptionalDouble.empty() : OptionalDouble.of(sum / n);
    }

    private static OptionalDouble median(double[] sorted) {
        int n = sorted.length;
        return n == 0 ? OptionalDouble.empty() : OptionalDouble.of((sorted[(n - 1) / 2] + sorted[n / 2]) / 2);
    }

    String csv() {
        return sheet.csv();
    }
}
