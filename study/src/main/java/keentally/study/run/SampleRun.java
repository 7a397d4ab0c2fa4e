package keentally.study.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.reader.Reader;
import keentally.core.region.ObjectSet;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.work.Cancel;
import keentally.study.caution.Caution;
import keentally.study.caution.Cautions;
import keentally.study.caution.HeldCautions;
import keentally.study.caution.PictureCautions;

/**
 * A method as it went on a sample: what there is to look at, and the record of its numbers.
 *
 * @param run the stations that could be done
 * @param fault why the next one could not
 * @param readings what there is at the method's end, where it was reached
 * @param record every number, or the reason that there is none
 */
public record SampleRun(Run run, Optional<RunFault> fault, Optional<Readings> readings, SampleRecord record) {
    /** The objects at the method's end. */
    public Optional<ObjectSet> objects() {
        return readings.flatMap(r -> r.state().objects());
    }

    public List<Caution> cautions() {
        return record.cautions();
    }

    /**
     * Runs a method as far as it goes. What it says goes into files, and is said plainly.
     *
     * @param method as it goes on the sample, departures and all
     * @param checks of the picture; they remember what they looked at
     * @throws keentally.core.work.CancelledException where {@code cancel} was asked
     */
    public static SampleRun of(SampleOrder order, Method method, Runner runner, PictureCautions checks, Cancel cancel) {
        return Reader.plainly(() -> run(order, method, runner, checks, cancel));
    }

    private static SampleRun run(
            SampleOrder order, Method method, Runner runner, PictureCautions checks, Cancel cancel) {
        List<Caution> cautions = new ArrayList<>(checks.of(order.sample(), order.background(), runner.work(cancel)));
        Cautions.departures(order.departures(), method).ifPresent(cautions::add);
        try {
            Run run = runner.run(method, order.sample(), Integer.MAX_VALUE, cancel, Progress.SILENT);
            Readings readings = runner.readings(run, cancel);
            cautions.addAll(Cautions.of(run, readings, order.several(), runner.work(cancel)));
            cautions.addAll(HeldCautions.of(run, runner, cancel));
            order.weighing().sample().ifPresent(m -> cautions.add(Cautions.areaForVolume()));
            SampleRecord record = order.weighing()
                    .refusal(readings.fractions())
                    .map(refusal -> SampleRecord.failed(order, method, refusal, cautions))
                    .orElseGet(() -> SampleRecord.of(order, run, readings, cautions, runner.work(cancel)));
            return new SampleRun(run, Optional.empty(), Optional.of(readings), record);
        } catch (RunFault e) {
            Run before = before(runner, method, order, e.step(), cancel);
            SampleRecord record = SampleRecord.failed(order, method, e.getMessage(), cautions);
            return new SampleRun(before, Optional.of(e), Optional.empty(), record);
        }
    }

    /** The stations before the one at fault. */
    private static Run before(Runner runner, Method method, SampleOrder order, int faulty, Cancel cancel) {
        try {
            return runner.run(method, order.sample(), Math.max(0, faulty - 1), cancel, Progress.SILENT);
        } catch (RunFault e) {
            throw new IllegalStateException("the stations before a fault were done already", e);
        }
    }
}
