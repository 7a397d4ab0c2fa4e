package keentally.study.result;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.quantity.Scale;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.Findings;
import keentally.study.caution.Caution;

/**
 * What the tables say of one sample that could be run; holds no pixels.
 *
 * @param columns of the method's measures, in pixels, a row an object
 * @param objectPhases the phase of each object
 * @param handEdits corrections by hand that were done
 * @param cuts as in the table of samples: {@code 2:14915}
 */
record SampleReading(
        String sample,
        Optional<Scale> scale,
        int width,
        int height,
        long fieldPixels,
        double[][] columns,
        int[] objectPhases,
        List<PhaseReading> phases,
        long keptPixels,
        String cuts,
        long handEdits,
        List<Caution> cautions) {

    static SampleReading of(String sample, Run run, Readings readings, List<Caution> cautions) {
        Method method = run.method();
        double[][] columns = new double[method.columns().size()][0];
        readings.objects().ifPresent(table -> {
            for (int m = 0; m < columns.length; m++) {
                columns[m] = table.column(m);
            }
        });
        return new SampleReading(
                sample,
                run.sample().scale(),
                run.sample().picture().width(),
                run.sample().picture().height(),
                run.sample().field().pixels(),
                columns,
                readings.objectPhases(),
                readings.fractions(),
                readings.keptPixels(),
                cuts(run),
                handEdits(run),
                cautions);
    }

    private static long handEdits(Run run) {
        return run.stations().stream()
                .mapToLong(s -> (long) s.findings().find("corrections").orElse(0))
                .sum();
    }

    private static String cuts(Run run) {
        StringBuilder cuts = new StringBuilder();
        for (Run.Station station : run.stations()) {
            Findings findings = station.findings();
            int number = run.method().indexOf(station.step().id()) + 1;
            for (String name : List.of("cut", "low", "high")) {
                findings.find(name).ifPresent(value -> {
                    String divider = cuts.isEmpty() ? "" : ";";
                    cuts.append(divider).append(number).append(':').append(Sheet.number(value));
                });
            }
        }
        return cuts.toString();
    }

    int count() {
        return objectPhases.length;
    }
}
