package keentally.desk.bring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import keentally.core.method.Method;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Sample;
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

    private record Asked(String name, double theirs, Method method, TrialRuns.Reading reading) {}

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
                            study.methodOn(id, sample.method()),
                            trials.reading(study, id, sample.method()))));
        }
        List<String> unknown = table.unknown(names);
        desk.job(Texts.of("job.table"), job -> {
            List<Other> others = others(asked);
            double[] left = new double[others.size()];
            List<Row> rows = new ArrayList<>();
            for (Asked one : asked) {
                rows.add(held(one, what, others, left, trials, job.cancel()));
            }
            List<Tried> tried = new ArrayList<>();
            for (int i = 0; i < left.length; i++) {
                tried.add(new Tried(told(others.get(i)), left[i]));
            }
            tried.sort(Comparator.comparingDouble(Tried::left));
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

    /** One sample, its picture read once. @param left where the differences that each definition leaves are added */
    private static Row held(
            Asked asked, Ours what, List<Other> others, double[] left, TrialRuns trials, Cancel cancel) {
        try {
            Sample sample = asked.reading.ready(cancel).made();
            Row row = new Row(asked.name, asked.theirs, ours(sample, what, asked.method, trials, cancel));
            for (int i = 0; i < left.length; i++) {
                OptionalDouble found = ours(sample, what, same(asked.method, others.get(i)), trials, cancel);
                left[i] += Math.abs(found.orElse(asked.theirs) - asked.theirs);
            }
            return row;
        } catch (FileFault | IllegalArgumentException e) {
            return new Row(asked.name, asked.theirs, OptionalDouble.empty()); // stands there as nothing found
        }
    }

    private static OptionalDouble ours(Sample sample, Ours what, Method method, TrialRuns trials, Cancel cancel) {
        try {
            Run run = trials.run(method, sample, Integer.MAX_VALUE, cancel);
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
        } catch (RunFault e) {
            return OptionalDouble.empty(); // stands there as nothing found
        }
    }
}
