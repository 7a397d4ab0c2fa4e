package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.setting.Values;
import keentally.core.words.Figures;
import keentally.desk.look.Curve;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Shown;
import keentally.desk.model.Trials;
import keentally.study.file.FileFault;

/** How the count at the method's end moves at neighbouring settings of a station; worked out when there is time, point by point. */
final class CountCurve extends VBox {
    /** From how much of itself on a count that the nearer neighbours move it counts as steep. */
    private static final double STEEP = 0.1;

    private final DeskModel desk;
    private final String stepId;
    private final String words;
    private final Curve curve;
    private final Label sentence = Prose.of("", "hint");
    private Shown known;

    /**
     * @param across what stands below the curve
     * @param words the keys of its sentences begin with
     */
    CountCurve(DeskModel desk, String stepId, String across, double height, String words) {
        this.words = words;
        this.desk = desk;
        this.stepId = stepId;
        this.curve = new Curve("count-stability", across, Texts.of("count.up"), height);
        sentence.setId("count-steadiness");
        getChildren().addAll(curve, sentence);
        clear();
    }

    /** Another setting of the station. */
    record Neighbour(double offset, Values values) {}

    /**
     * Asks for the counts, where the run that is on the stage has not been asked for already and ends in objects.
     *
     * @param neighbours upwards, an odd number of them, five at least, the setting itself in the middle
     */
    void show(List<Neighbour> neighbours) {
        Optional<Shown> now = onStage();
        if (now.flatMap(Shown::readings).isEmpty() || !desk.method().givesObjects()) {
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
        Trials trials = desk.trials();
        Trials.Reading sample =
                trials.reading(desk.study().get(), desk.sampleId().get(), desk.methodId());
        next(new Asked(known, method, trials, sample, neighbours), new ArrayList<>());
    }

    /** The run that is on the stage, while the station is the selected one. */
    private Optional<Shown> onStage() {
        return desk.shown().get().filter(s -> desk.station().get().equals(stepId));
    }

    void clear() {
        known = null;
        setVisible(false);
        setManaged(false);
    }

    private record Asked(Shown of, Method method, Trials trials, Trials.Reading sample, List<Neighbour> neighbours) {}

    private void next(Asked asked, List<OptionalInt> done) {
        if (done.size() == asked.neighbours.size()) {
            showAll(asked, done);
            return;
        }
        Method tried =
                asked.method.with(stepId, asked.neighbours.get(done.size()).values());
        desk.whenIdle(cancel -> {
            OptionalInt count = OptionalInt.empty();
            try {
                Run run = asked.trials.run(tried, asked.sample.ready(cancel).made(), Integer.MAX_VALUE, cancel);
                count = asked.trials
                        .ending(run, cancel)
                        .objects()
                        .map(o -> OptionalInt.of(o.count()))
                        .orElse(OptionalInt.empty());
            } catch (RunFault | FileFault | IllegalArgumentException e) {
                // a neighbour that cannot be run has no point on the curve
            }
            OptionalInt found = count;
            Platform.runLater(() -> {
                if (known == asked.of && onStage().filter(s -> s == asked.of).isPresent()) {
                    done.add(found);
                    next(asked, done);
                }
            });
        });
    }

    private void showAll(Asked asked, List<OptionalInt> counts) {
        List<Curve.At> points = new ArrayList<>();
        for (int i = 0; i < counts.size(); i++) {
            if (counts.get(i).isPresent()) {
                points.add(new Curve.At(
                        asked.neighbours.get(i).offset(), counts.get(i).getAsInt()));
            }
        }
        int middle = counts.size() / 2;
        OptionalInt below = counts.get(middle - 2);
        OptionalInt here = counts.get(middle);
        OptionalInt above = counts.get(middle + 2);
        boolean there = below.isPresent() && here.isPresent() && above.isPresent();
        setVisible(there);
        setManaged(there);
        if (there) {
            curve.show(points);
            int least = Math.min(below.getAsInt(), above.getAsInt());
            int most = Math.max(below.getAsInt(), above.getAsInt());
            boolean steep = most - least > STEEP * here.getAsInt();
            sentence.setText(
                    Texts.of(words + (steep ? ".steep" : ".steady"), Figures.number(least), Figures.number(most)));
        }
    }
}
