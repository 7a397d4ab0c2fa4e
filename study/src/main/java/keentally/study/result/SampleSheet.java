package keentally.study.result;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.measure.Column;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.stats.Averages;
import keentally.study.caution.Cautions;
import keentally.study.file.Sheet;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.run.SampleRecord.OwnNumber;

/**
 * {@code samples.csv}: one row a sample, whatever became of it; in µm and mm² always, empty without a scale. Shares and densities are of
 * the field at the method's end, whose pixels stand in the row. What cannot be counted is empty.
 */
record SampleSheet(Method method) implements RecordTable {
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

    @Override
    public List<String> header() {
        List<String> header = new ArrayList<>(FIXED);
        for (Column column : method.columns()) {
            String name = Sheet.column(column.id(), column.unitId(LengthUnit.UM));
            header.add("mean_" + name);
            header.add("median_" + name);
        }
        for (SampleNumber number : method.numbers()) {
            header.add(Sheet.column(number.name(), number.unitId(LengthUnit.UM)));
        }
        return header;
    }

    @Override
    public List<List<String>> rows(SampleRecord record) {
        return List.of(record.numbers()
                .map(n -> row(record, n))
                .orElseGet(() -> failed(record.sample(), record.error().orElseThrow())));
    }

    private List<String> failed(String sample, String error) {
        List<String> row = new ArrayList<>(List.of(Sheet.text(sample), Sheet.text(error)));
        row.addAll(Collections.nCopies(header().size() - 2, ""));
        return row;
    }

    private List<String> row(SampleRecord record, Numbers numbers) {
        Optional<PixelSize> um = real(record, LengthUnit.UM);
        Optional<PixelSize> mm = real(record, LengthUnit.MM);
        Optional<ObjectRows> objects = numbers.objects();
        double field = numbers.fieldPixels();
        List<String> row = new ArrayList<>(List.of(
                Sheet.text(record.sample()),
                "ok",
                String.valueOf(record.origin().width()),
                String.valueOf(record.origin().height()),
                cell(um.map(s -> s.length(1))),
                String.valueOf(numbers.fieldPixels()),
                cell(um.map(s -> s.area(field))),
                objects.map(o -> String.valueOf(o.count())).orElse(""),
                cell(mm.flatMap(s -> objects.map(o -> o.count() / s.area(field)))),
                cell(um.flatMap(s -> objects.map(o -> s.area(o.keptPixels())))),
                cell(objects.map(o -> 100.0 * o.keptPixels() / field)),
                cuts(numbers),
                String.valueOf(numbers.handEdits()),
                Cautions.ids(record.cautions())));
        for (int c = 0; c < method.columns().size(); c++) {
            int column = c;
            boolean sized = method.columns().get(c).lengths() != 0;
            Optional<PixelSize> size = sized ? um : Optional.of(PixelSize.PIXELS);
            Optional<Averages> averages = size.flatMap(s -> objects.map(o -> o.averages(column, s)));
            row.add(cell(averages.map(Averages::mean)));
            row.add(cell(averages.map(Averages::median)));
        }
        for (OwnNumber own : numbers.own()) {
            row.add(Sheet.number(own.told(record.told(LengthUnit.UM)).orElse(Double.NaN)));
        }
        return row;
    }

    private static Optional<PixelSize> real(SampleRecord record, LengthUnit unit) {
        return Optional.of(record.told(unit)).filter(PixelSize::isReal);
    }

    private static String cell(Optional<Double> value) {
        return Sheet.number(value.orElse(Double.NaN));
    }

    private static String cuts(Numbers numbers) {
        return numbers.cuts().stream()
                .map(c -> c.step() + ":" + Sheet.number(c.value()))
                .collect(Collectors.joining(";"));
    }
}
