package keentally.study.result;

import java.util.ArrayList;
import java.util.List;
import keentally.core.measure.Dimension;
import keentally.core.method.Method;
import keentally.core.run.PhaseReading;

/** {@code phases.csv}: one row a sample and phase, lengths and areas in the method's unit; with a sample's mass that of each phase. */
final class PhaseSheet {
    private final Method method;
    private final Weighing weighing;
    private final Sheet sheet;

    PhaseSheet(Method method, Weighing weighing) {
        this.method = method;
        this.weighing = weighing;
        String length = Dimension.LENGTH.unitId(method.unit());
        List<String> columns = new ArrayList<>(List.of(
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
        weighing.sample()
                .ifPresent(m -> columns.add(Sheet.column("mass", m.unit().id())));
        this.sheet = new Sheet(columns);
    }

    void add(SampleReading reading) {
        double perPixel = reading.scale().map(s -> s.perPixel(method.unit())).orElse(1.0);
        double[] masses = weighing.of(reading.phases());
        for (PhaseReading phase : reading.phases()) {
            List<String> cells = new ArrayList<>(List.of(
                    Sheet.text(reading.sample()),
                    String.valueOf(phase.number()),
                    Sheet.text(phase.name()),
                    String.valueOf(phase.pixels()),
                    Sheet.number(phase.pixels() * perPixel * perPixel),
                    Sheet.number(phase.percent()),
                    Sheet.number(phase.x() * perPixel),
                    Sheet.number(phase.y() * perPixel),
                    Sheet.number(phase.mean()),
                    Sheet.number(phase.sd())));
            if (weighing.sample().isPresent()) {
                cells.add(Sheet.number(masses[reading.phases().indexOf(phase)]));
            }
            sheet.add(cells);
        }
    }

    String csv() {
        return sheet.csv();
    }
}
