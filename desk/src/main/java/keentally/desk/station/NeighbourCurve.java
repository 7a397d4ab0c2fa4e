package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.region.ObjectSet;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Sample;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Values;
import keentally.core.step.Findings;
import keentally.core.words.Figures;
import keentally.core.work.Cancel;
import keentally.desk.look.Copies;
import keentally.desk.look.Curve;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;
import keentally.study.run.SampleRun;

/** How a number moves at neighbouring settings of a station; worked out when there is time, point by point. */
final class NeighbourCurve extends VBox {
    /** The number that is told. */
    enum Quantity {
        /** Objects at the method's end. */
        COUNT,
        /** What the station itself chooses, per cent of the field. */
        SHARE
    }

    private static final double[] FACTORS = {0.5, 0.7, 0.85, 1, 1.2, 1.4, 2};

    /** From how much of itself on a number that the nearer neighbours move it counts as steep. */
    private static final double STEEP = 0.1;

    private final DeskModel desk;
    private final String stepId;
    private final Quantity told;
    private final String words;
    private final Curve curve;
    private final Label sentence = Prose.of("", "hint");
    private SampleRun known;

    /**
     * @param across what stands below the curve
     * @param words the keys of its sentences begin with
     */
    NeighbourCurve(DeskModel desk, String stepId, Quantity told, String across, double height, String words) {
        Copies.from(this, () -> Copies.put(Copies.plot(this, "")));
        this.told = told;
        this.words = words;
        this.desk = desk;
        this.stepId = stepId;
        this.curve = new Curve(
                ChoiceSetting.word(told) + "-stability", across, Texts.of(ChoiceSetting.word(told) + ".up"), height);
        sentence.setId(ChoiceSetting.word(told) + "-steadiness");
        getChildren().addAll(curve, sentence);
        clear();
    }

    /** Another setting of the station. */
    record Neighbour(double offset, Values values) {}

    /** Asks for the numbers at shares and multiples of a setting's amount; {@code values} are the station's with another amount. */
    void showMultiples(double amount, DoubleFunction<Values> values) {
        show(Arrays.stream(FACTORS)
                .mapToObj(f -> new Neighbour(f, values.apply(amount * f)))
                .toList());
    }

    /**
     * Asks for the numbers, where the run that is on the stage has not been asked for already and has such a number.
     *
     * @param neighbours upwards, an odd number of them, five at least, the setting itself in the middle
     */
    void show(List<Neighbour> neighbours) {
        Optional<SampleRun> now = onStage();
        if (now.flatMap(SampleRun::readings).isEmpty()
                || told == Quantity.COUNT && !desk.method().givesObjects()) {
            clear();
            return;
        }
        Method method = desk.method();
        boolean settled =
                desk.preview().get().isEmpty() && now.get().run().method().equals(method);
        if (!settled || now.get() == known) {
            return;
        }
        known = now.get();
        TrialRuns trials = desk.trials();
        TrialRuns.Reading sample =
                trials.reading(desk.study().get(), desk.sampleId().get(), desk.methodId());
        next(new Question(known, method, trials, sample, neighbours), new ArrayList<>());
    }

    /** The run that is on the stage, while the station is the selected one. */
    private Optional<SampleRun> onStage() {
        return desk.shown().get().filter(s -> desk.station().get().equals(stepId));
    }

    void clear() {
        known = null;
        setVisible(false);
        setManaged(false);
    }

    private record Question(
            SampleRun of, Method method, TrialRuns trials, TrialRuns.Reading sample, List<Neighbour> neighbours) {}

    private void next(Question asked, List<OptionalDouble> done) {
        if (done.size() == asked.neighbours.size()) {
            showAll(asked, done);
            return;
        }
        Method tried =
                asked.method.with(stepId, asked.neighbours.get(done.size()).values());
        desk.look(this, Urgency.NEIGHBOURS, cancel -> {
            OptionalDouble number = OptionalDouble.empty();
            try {
                Sample made = asked.sample.ready(cancel).made();
                number = told == Quantity.COUNT ? count(asked, tried, made, cancel) : share(asked, tried, made, cancel);
            } catch (RunFault | FileFault | IllegalArgumentException e) {
                // a neighbour that cannot be run has no point on the curve
            }
            OptionalDouble found = number;
            Platform.runLater(() -> {
                if (known == asked.of && onStage().filter(s -> s == asked.of).isPresent()) {
                    done.add(found);
                    next(asked, done);
                }
            });
        });
    }

    private static OptionalDouble count(Question asked, Method tried, Sample sample, Cancel cancel) throws RunFault {
        Run run = asked.trials.run(tried, sample, Integer.MAX_VALUE, cancel);
        return asked.trials.ending(run, cancel).objects().stream()
                .mapToDouble(ObjectSet::count)
                .findFirst();
    }

    private OptionalDouble share(Question asked, Method tried, Sample sample, Cancel cancel) throws RunFault {
        Run run = asked.trials.run(tried, sample, tried.indexOf(stepId) + 1, cancel);
        return run.station(stepId).map(r -> r.findings().find(Findings.CHOSEN)).orElse(OptionalDouble.empty());
    }

    private void showAll(Question asked, List<OptionalDouble> numbers) {
        List<Curve.At> points = new ArrayList<>();
        for (int i = 0; i < numbers.size(); i++) {
            if (numbers.get(i).isPresent()) {
                points.add(new Curve.At(
                        asked.neighbours.get(i).offset(), numbers.get(i).getAsDouble()));
            }
        }
        int middle = numbers.size() / 2;
        OptionalDouble below = numbers.get(middle - 2);
        OptionalDouble here = numbers.get(middle);
        OptionalDouble above = numbers.get(middle + 2);
        boolean there = below.isPresent() && here.isPresent() && above.isPresent();
        setVisible(there);
        setManaged(there);
        if (there) {
            curve.show(points);
            double least = Math.min(below.getAsDouble(), above.getAsDouble());
            double most = Math.max(below.getAsDouble(), above.getAsDouble());
            boolean steep = most - least > STEEP * here.getAsDouble();
            sentence.setText(Texts.of(
                    words + (steep ? ".steep" : ".steady"),
                    figure(least),
                    figure(most),
                    Figures.number(asked.neighbours.get(middle - 2).offset()),
                    Figures.number(asked.neighbours.get(middle + 2).offset())));
        }
    }

    private String figure(double number) {
        return told == Quantity.COUNT ? Figures.number(number) : Figures.percent(number);
    }
}
