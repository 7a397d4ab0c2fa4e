package keentally.desk.model;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.region.Objects;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.work.Cancel;
import keentally.study.caution.Background;
import keentally.study.caution.Caution;
import keentally.study.caution.Cautions;
import keentally.study.caution.PictureCautions;

/**
 * A run as it came back.
 *
 * @param run the stations that could be done
 * @param fault why the next one could not
 * @param readings the numbers at the end, where it was reached
 */
public record Shown(Run run, Optional<RunFault> fault, Optional<Readings> readings, List<Caution> cautions) {
    public Shown {
        cautions = List.copyOf(cautions);
    }

    /** The objects at the method's end. */
    public Optional<Objects> objects() {
        return readings.flatMap(r -> r.state().objects());
    }

    /**
     * Runs a method as far as it goes.
     *
     * @param several whether the method is used on more than one sample
     */
    static Shown of(
            Runner runner,
            Method method,
            Sample sample,
            PictureCautions checks,
            Background background,
            boolean several,
            Cancel cancel) {
        try {
            Run run = runner.run(method, sample, Integer.MAX_VALUE, cancel, Progress.SILENT);
            Readings readings = runner.readings(run, cancel);
            List<Caution> picture = checks.of(sample, background, runner.work(cancel));
            List<Caution> cautions = Cautions.of(picture, run, readings, several, runner.work(cancel));
            return new Shown(run, Optional.empty(), Optional.of(readings), cautions);
        } catch (RunFault e) {
            Run before = before(runner, method, sample, e.step(), cancel);
            List<Caution> picture = checks.of(sample, background, runner.work(cancel));
            return new Shown(before, Optional.of(e), Optional.empty(), picture);
        }
    }

    /** The stations before the one at fault. */
    private static Run before(Runner runner, Method method, Sample sample, int faulty, Cancel cancel) {
        try {
            return runner.run(method, sample, Math.max(0, faulty - 1), cancel, Progress.SILENT);
        } catch (RunFault e) {
            throw new IllegalStateException("the stations before a fault were done already", e);
        }
    }
}
