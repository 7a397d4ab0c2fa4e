package keentally.desk.bring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import keentally.core.method.Method;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.step.State;
import keentally.core.trial.OtherDefinitions;
import keentally.core.trial.OtherDefinitions.Other;
import keentally.core.words.SettingWords;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.result.PastedTable;

/** Holds a pasted table against what the methods find on the samples of its names, and tries what makes the difference. */
final class TableModel {
    private final DeskModel desk;
    private final Executor ui;

    /** @param ui runs what it is given on the interface thread, in order */
    TableModel(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
    }

    /** What of ours a column is held against. */
    enum Ours {
        COUNT,
        AREA,
        SHARE
    }

    /** @param theirs as it was pasted; @param ours empty where the method does not come to it */
    record Row(String sample, double theirs, OptionalDouble ours) {
        double difference() {
            return ours.orElse(Double.NaN) - theirs;
        }
    }

    /** A definition that others may use. @param left what the differences add up to with it, whatever their signs */
    record Tried(String told, double left) {}

    /**
     * What came of it.
     *
     * @param unknown names that no sample has
     * @param left what the differences add up to, whatever their signs
     * @param tried the closest first
     */
    record Outcome(List<Row> rows, List<String> unknown, double left, List<Tried> tried) {}

    private record Asked(String name, double theirs, String sampleId, Method method, TrialRuns.Reading reading) {}

    /** Runs the methods of the samples that the table names; told on the interface thread. */
    void hold(PastedTable table, int column, Ours what, Consumer<Outcome> then) {
        Study study = desk.study().get();
        TrialRuns trials = desk.trials();
        List<Asked> asked = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (String id : study.samples()) {
            SampleThing sample = study.sample(id).orElseThrow();
            names.add(sample.name());
            table.find(sample.name(), column)
                    .ifPresent(theirs -> asked.add(new Asked(
                            sample.name(),
                            theirs,
                            id,
                            study.methodOn(id, sample.method()),
                            trials.reading(study, id, sample.method()))));
        }
        List<String> unknown = table.unknown(names);
        desk.job(Texts.of("job.table"), job -> {
            List<Row> rows = rows(asked, what, m -> m, trials, job.cancel());
            List<Tried> tried = new ArrayList<>();
            for (Other other : others(asked)) {
                job.cancel().check();
                double left = left(rows(asked, what, m -> same(m, other), trials, job.cancel()));
                tried.add(new Tried(told(other), left));
            }
            tried.sort((a, b) -> Double.compare(a.left, b.left));
            Outcome outcome = new Outcome(rows, unknown, left(rows), tried);
            ui.execute(() -> then.accept(outcome));
        });
    }

    /** Those of the first sample's method; others are tried where they go as well. */
    private static List<Other> others(List<Asked> asked) {
        return asked.isEmpty() ? List.of() : OtherDefinitions.of(asked.getFirst().method);
    }

    /** The same definition in another method; itself where it has none such. */
    private static Method same(Method method, Other other) {
        return OtherDefinitions.of(method).stream()
                .filter(o -> o.step().id().equals(other.step().id())
                        && o.setting().id().equals(other.setting().id())
                        && o.value().equals(other.value()))
                .map(Other::method)
                .findFirst()
                .orElse(method);
    }

    private static String told(Other other) {
        return Words.title(other.step().description()) + ", "
                + Words.label(other.step().description(), other.setting()) + ": "
                + SettingWords.value(other.step().description(), other.setting(), Optional.of(other.value()));
    }

    private static double left(List<Row> rows) {
        return rows.stream()
                .filter(r -> r.ours.isPresent())
                .mapToDouble(r -> Math.abs(r.difference()))
                .sum();
    }

    private static List<Row> rows(
            List<Asked> asked, Ours what, UnaryOperator<Method> how, TrialRuns trials, Cancel cancel) {
        return asked.stream()
                .map(a -> new Row(a.name, a.theirs, ours(a, what, how.apply(a.method), trials, cancel)))
                .toList();
    }

    private static OptionalDouble ours(Asked asked, Ours what, Method method, TrialRuns trials, Cancel cancel) {
        try {
            Run run = trials.run(method, asked.reading.ready(cancel).made(), Integer.MAX_VALUE, cancel);
            State end = trials.ending(run, cancel);
            PixelSize size = PixelSize.of(method.unit(), end.scale());
            return switch (what) {
                case COUNT ->
                    end.objects().map(ObjectSet::count).map(OptionalDouble::of).orElse(OptionalDouble.empty());
                case AREA ->
                    end.mask().map(m -> OptionalDouble.of(size.area(m.count()))).orElse(OptionalDouble.empty());
                case SHARE ->
                    end.mask()
                            .map(m -> OptionalDouble.of(
                                    100.0 * m.count() / end.field().pixels()))
                            .orElse(OptionalDouble.empty());
            };
        } catch (RunFault | FileFault | IllegalArgumentException e) {
            return OptionalDouble.empty(); // stands there as nothing found
        }
    }
}
