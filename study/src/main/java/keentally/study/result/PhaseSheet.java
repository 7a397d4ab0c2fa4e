package keentally.study.result;

import java.util.List;
import keentally.core.measure.Dimension;
import keentally.core.method.Method;
import keentally.core.run.PhaseReading;

/** {@code phases.csv}: one row a sample and phase, lengths and areas in the method's unit. */
final class PhaseSheet {
    private final Method method;
    private final Sheet sheet;

    PhaseSheet(Method method) {
        this.method = method;
        String length = Dimension.LENGTH.unitId(method.unit());
        this.sheet = new Sheet(List.of(
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
    }

    void add(SampleReading reading) {
        double perPixel = reading.scale().map(s -> s.perPixel(method.unit())).orElse(1.0);
        for (PhaseReading phase : reading.phases()) {
            sheet.add(List.of(
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
        }
    }

    String csv() {
        return sheet.csv();
    }
}
