package keentally.study.run;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.run.PhaseReading;
import keentally.core.step.ClusterStep;
import keentally.core.step.LevelsStep;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;
import keentally.study.run.SampleRecord.CentresAt;
import keentally.study.run.SampleRecord.CutAt;
import keentally.study.run.SampleRecord.Numbers;

/**
 * Whether the phases of samples that a method fits itself to, each alone, mean the same on each of them. It is fed with their records in
 * order; a sample is held against those before it: a phase has moved where it lies nearer to what another phase is there, in the median,
 * than to what it is there itself. Centres of clusters are compared, and of levels the mean brightness of their phases, else the cuts.
 */
public final class MovedPhases {
    private final Method method;
    private final List<MethodStep> fitted;
    private final List<List<double[][]>> before = new ArrayList<>();

    /** @param method of all the samples */
    public MovedPhases(Method method) {
        this.method = method;
        this.fitted = method.active(Integer.MAX_VALUE).stream()
                .filter(s -> s.fitting().isPresent())
                .filter(s -> List.of(ClusterStep.ID, LevelsStep.ID)
                        .contains(s.description().id()))
                .toList();
        fitted.forEach(s -> before.add(new ArrayList<>()));
    }

    /** The record, with one caution more where phases of it have moved. */
    public SampleRecord next(SampleRecord record) {
        Optional<Caution> caution = Optional.empty();
        for (int i = 0; i < fitted.size(); i++) {
            int number = method.indexOf(fitted.get(i).id()) + 1;
            double[][] here = record.numbers().map(n -> places(n, number)).orElse(new double[0][]);
            if (here.length < 2) {
                continue;
            }
            List<double[][]> others = before.get(i).stream()
                    .filter(o -> o.length == here.length && o[0].length == here[0].length)
                    .toList();
            if (!others.isEmpty() && caution.isEmpty()) {
                caution = moved(here, others, fitted.get(i), number);
            }
            before.get(i).add(here);
        }
        return caution.map(record::and).orElse(record);
    }

    /** One place a phase. */
    private static double[][] places(Numbers numbers, int step) {
        Optional<CentresAt> centres =
                numbers.centres().stream().filter(c -> c.step() == step).findFirst();
        if (centres.isPresent()) {
            return centres.get().places().stream()
                    .map(p -> p.stream().mapToDouble(v -> v).toArray())
                    .toArray(double[][]::new);
        }
        double[] cuts = numbers.cuts().stream()
                .filter(c -> c.step() == step)
                .mapToDouble(CutAt::value)
                .toArray();
        double[] means =
                numbers.phases().stream().mapToDouble(PhaseReading::mean).toArray();
        boolean all = means.length == cuts.length + 1 && Arrays.stream(means).noneMatch(Double::isNaN);
        return Arrays.stream(all ? means : cuts).mapToObj(v -> new double[] {v}).toArray(double[][]::new);
    }

    private static Optional<Caution> moved(double[][] here, List<double[][]> others, MethodStep step, int number) {
        int n = here.length;
        double[][] usual = new double[n][];
        for (int i = 0; i < n; i++) {
            usual[i] = median(others, i);
        }
        for (int i = 0; i < n; i++) {
            int nearest = i;
            for (int j = 0; j < n; j++) {
                nearest = away(here[i], usual[j]) < away(here[i], usual[nearest]) ? j : nearest;
            }
            if (nearest != i) {
                return Optional.of(caution(step, number, i, nearest, others.size()));
            }
        }
        return Optional.empty();
    }

    private static Caution caution(MethodStep step, int number, int here, int there, int samples) {
        return new Caution(
                CautionKind.MOVED_PHASES,
                "Station " + number + ", " + Words.title(step.description())
                        + ", is fitted to each sample by itself, and its phase "
                        + (here + 1) + " lies nearer to what phase " + (there + 1) + " is on "
                        + (samples == 1
                                ? "the sample before it."
                                : "the " + Figures.number(samples) + " samples before it."),
                "A phase of the same number then means something else here, and its shares must not be compared.",
                "Hold the station at what it finds on several samples together.");
    }

    private static double[] median(List<double[][]> others, int phase) {
        double[] median = new double[others.getFirst()[phase].length];
        for (int c = 0; c < median.length; c++) {
            int component = c;
            double[] all = others.stream()
                    .mapToDouble(o -> o[phase][component])
                    .sorted()
                    .toArray();
            median[c] = (all[all.length / 2] + all[(all.length - 1) / 2]) / 2;
        }
        return median;
    }

    private static double away(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += (a[i] - b[i]) * (a[i] - b[i]);
        }
        return sum;
    }
}
