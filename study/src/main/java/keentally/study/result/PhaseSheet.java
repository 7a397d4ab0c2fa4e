package keentally.study.result;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.measure.Dimension;
import keentally.core.method.Method;
import keentally.core.quantity.Mass;
import keentally.core.quantity.PixelSize;
import keentally.core.run.PhaseReading;
import keentally.study.file.Sheet;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;

/**
 * {@code phases.csv}: one row a sample and phase, lengths and areas in the method's unit; with a sample's mass that of each phase.
 *
 * @param mass of each sample
 */
record PhaseSheet(Method method, Optional<Mass> mass) implements RecordTable {
    @Override
    public List<String> header() {
        String length = Dimension.LENGTH.unitId(method.unit());
        List<String> header = new ArrayList<>(List.of(
                "sample",
                "phase",
                "name",
                "pixels",
                Sheet.column("area", Dimension.AREA.unitId(method.unit())),
                "fraction_percent",
                Sheet.column("x", length),
                Sheet.column("y", length),
                "mean",
                "sd"));
        mass.ifPresent(m -> header.add(Sheet.column("mass", m.unit().id())));
        return header;
    }

    @Override
    public List<List<String>> rows(SampleRecord record) {
        List<List<String>> rows = new ArrayList<>();
        record.numbers().ifPresent(n -> {
            for (int i = 0; i < n.phases().size(); i++) {
                rows.add(row(record, n, i));
            }
        });
        return rows;
    }

    private List<String> row(SampleRecord record, Numbers numbers, int index) {
        PixelSize size = record.told(method.unit());
        PhaseReading phase = numbers.phases().get(index);
        List<String> cells = new ArrayList<>(List.of(
                Sheet.text(record.sample()),
                String.valueOf(phase.number()),
                Sheet.text(phase.name()),
                String.valueOf(phase.pixels()),
                Sheet.number(size.area(phase.pixels())),
                Sheet.number(phase.percent()),
                Sheet.number(size.length(phase.x())),
                Sheet.number(size.length(phase.y())),
                Sheet.number(phase.mean()),
                Sheet.number(phase.sd())));
        mass.ifPresent(m -> cells.add(Sheet.number(numbers.masses().get(index))));
        return cells;
    }
}
