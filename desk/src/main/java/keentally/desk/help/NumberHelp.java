package keentally.desk.help;

import java.util.List;
import java.util.OptionalDouble;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.trial.Neighbours;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;
import keentally.study.run.SampleRun;

/** Why a number is so: its definition, the stations that it comes from, and what it would be at neighbouring settings. */
final class NumberHelp {
    private final DeskModel desk;

    /** What is asked for now; an answer to an older question is thrown away. */
    private long asked;

    NumberHelp(DeskModel desk) {
        this.desk = desk;
    }

    void drop() {
        asked++;
        desk.unlook(this);
    }

    void fill(VBox body, Topic.OfNumber of) {
        Label told = Prose.of(of.told(), "why-number");
        told.setId("why-number");
        body.getChildren().addAll(Prose.of(Texts.of("why.question"), "hint"), told, Pieces.head("why.definition"));
        of.definition().forEach(d -> body.getChildren().add(Prose.of(d, "help-text")));
        body.getChildren().add(Pieces.head("why.inputs"));
        Button picture =
                Pieces.button("why-picture", "why.picture", () -> desk.station().set(DeskModel.PICTURE));
        body.getChildren()
                .add(row(
                        picture,
                        Texts.of(
                                "why.picture.about",
                                desk.sample().map(s -> s.name()).orElse(""))));
        List<MethodStep> steps = desk.method().steps();
        int last = of.upTo().isEmpty() ? steps.size() : desk.method().indexOf(of.upTo()) + 1;
        for (MethodStep step : steps.subList(0, last)) {
            int number = desk.method().indexOf(step.id()) + 1;
            Button go = new Button(String.valueOf(number));
            go.setId("why-input-" + number);
            go.setMinWidth(Region.USE_PREF_SIZE);
            go.setAccessibleText(number + " " + Words.title(step.description()));
            go.setOnAction(e -> desk.station().set(step.id()));
            body.getChildren().add(row(go, StepSentence.of(step)));
        }
        of.again().ifPresent(again -> neighbours(body, of, again));
    }

    private static HBox row(Button go, String text) {
        Label label = Prose.of(text, "help-text");
        HBox.setHgrow(label, Priority.ALWAYS);
        HBox row = new HBox(8, go, label);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void neighbours(VBox body, Topic.OfNumber of, Topic.Again again) {
        Label hint = Prose.of(Texts.of("why.working"), "hint");
        VBox rows = new VBox(4);
        rows.setId("why-neighbours");
        body.getChildren().addAll(Pieces.head("why.neighbours"), rows, hint);
        SampleRun now = desk.shown().get().orElse(null);
        if (now == null) {
            hint.setText(Texts.of("why.none"));
            return;
        }
        TrialRuns trials = desk.trials();
        TrialRuns.Reading reading =
                trials.reading(desk.study().get(), desk.sampleId().get(), desk.methodId());
        long ticket = ++asked;
        desk.look(this, Urgency.NEIGHBOURS, cancel -> {
            List<Neighbours> all = Neighbours.of(now.run()).stream()
                    .filter(n -> of.upTo().isEmpty()
                            || now.run().method().indexOf(n.step().id())
                                    <= now.run().method().indexOf(of.upTo()))
                    .toList();
            for (Neighbours near : all) {
                OptionalDouble value = OptionalDouble.empty();
                try {
                    TrialRuns.TrialSample sample = reading.ready(cancel);
                    Run run = trials.run(near.method(), sample.made(), Integer.MAX_VALUE, cancel);
                    value = again.reading().of(run, trials, sample, cancel);
                } catch (RunFault | FileFault | IllegalArgumentException e) {
                    // stands there as one that cannot be had
                }
                OptionalDouble found = value;
                Platform.runLater(() -> add(ticket, rows, near, found, again));
            }
            Platform.runLater(() -> {
                if (ticket == asked) {
                    hint.setText(Texts.of(all.isEmpty() ? "why.none" : "why.done"));
                }
            });
        });
    }

    private void add(long ticket, VBox rows, Neighbours near, OptionalDouble value, Topic.Again again) {
        if (ticket != asked) {
            return;
        }
        Label what = Prose.of(
                Texts.of(
                        "why.neighbour",
                        Words.title(near.step().description()),
                        Words.label(near.step().description(), near.setting()),
                        near.value()),
                "help-text");
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        String words = value.isPresent() ? again.words().apply(value.getAsDouble()) : Texts.of("why.cannot");
        rows.getChildren().add(new HBox(8, what, Pieces.figure("", words)));
    }
}
