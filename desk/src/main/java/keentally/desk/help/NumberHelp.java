package keentally.desk.help;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.trial.Neighbours;
import keentally.core.words.Figures;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;

/** Why a number is so: its definition, the stations that it comes from, and what it would be at neighbouring settings. */
final class NumberHelp {
    private static final int MOST_SOURCES = 40;

    private final DeskModel desk;
    private final Runnable bench;

    /** What is asked for now; an answer to an older question is thrown away. */
    private long asked;

    /** @param bench shows stations */
    NumberHelp(DeskModel desk, Runnable bench) {
        this.desk = desk;
        this.bench = bench;
    }

    void drop() {
        asked++;
        desk.unlook(this);
    }

    void fill(VBox body, Topic.OfNumber of) {
        begin(body, of.told(), of.definition());
        Topic.Whose whose = of.whose();
        Button picture = Pieces.button("why-picture", "why.picture", () -> lead(whose.sample(), DeskModel.PICTURE));
        String sample =
                desk.study().get().sample(whose.sample()).map(s -> s.name()).orElse("");
        body.getChildren().add(row(picture, Texts.of("why.picture.about", sample)));
        boolean stands = whose.stands(desk.study().get());
        int last = last(whose.method(), of.upTo());
        for (MethodStep step : whose.method().steps().subList(0, last)) {
            int number = whose.method().indexOf(step.id()) + 1;
            Button go = new Button(String.valueOf(number));
            go.setId("why-input-" + number);
            go.setMinWidth(Region.USE_PREF_SIZE);
            go.setAccessibleText(number + " " + Words.title(step.description()));
            go.setDisable(!stands);
            go.setOnAction(e -> lead(whose.sample(), step.id()));
            body.getChildren().add(row(go, StepSentence.of(step)));
        }
        of.again().ifPresent(again -> neighbours(body, of, again));
    }

    /** @param open tells of another number */
    void fill(VBox body, Topic.OfSeveral of, Consumer<Topic> open) {
        begin(body, of.told(), of.definition());
        List<Topic.Source> from = of.from();
        for (int i = 0; i < Math.min(from.size(), MOST_SOURCES); i++) {
            Topic.Source source = from.get(i);
            Button go = new Button(source.named());
            go.setId("why-source-" + (i + 1));
            go.setOnAction(e ->
                    source.why().get().ifPresentOrElse(open, () -> lead(source.sample(), DeskModel.PICTURE)));
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            HBox row = new HBox(8, go, gap, Pieces.figure("why-source-told-" + (i + 1), source.told()));
            row.setAlignment(Pos.CENTER_LEFT);
            body.getChildren().add(row);
        }
        if (from.size() > MOST_SOURCES) {
            String more = Figures.number((double) from.size() - MOST_SOURCES);
            body.getChildren().add(Prose.of(Texts.of("why.more", more), "hint"));
        }
    }

    private static void begin(VBox body, String number, List<String> definition) {
        Label told = Prose.of(number, number.contains("\n") ? "why-numbers" : "why-number");
        told.setId("why-number");
        body.getChildren().addAll(Prose.of(Texts.of("why.question"), "hint"), told, Pieces.head("why.definition"));
        definition.forEach(d -> body.getChildren().add(Prose.of(d, "help-text")));
        body.getChildren().add(Pieces.head("why.inputs"));
    }

    /** How many stations a number hangs on. */
    private static int last(Method method, String upTo) {
        return upTo.isEmpty() ? method.steps().size() : method.indexOf(upTo) + 1;
    }

    private void lead(String sample, String station) {
        if (!desk.sampleId().get().equals(sample)) {
            desk.show(sample);
        }
        bench.run();
        desk.station().set(station);
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
        Topic.Whose whose = of.whose();
        TrialRuns trials = desk.trials();
        TrialRuns.Reading reading =
                whose.fenced().orElseGet(() -> trials.reading(desk.study().get(), whose.sample(), whose.methodId()));
        int last = last(whose.method(), of.upTo());
        long ticket = ++asked;
        desk.look(this, Urgency.NEIGHBOURS, cancel -> {
            String end = Texts.of("why.none");
            try {
                TrialRuns.TrialSample sample = reading.ready(cancel);
                for (Neighbours near : Neighbours.of(trials.run(whose.method(), sample.made(), last, cancel))) {
                    OptionalDouble value = at(near, last, again, trials, sample, cancel);
                    Platform.runLater(() -> add(ticket, rows, near, value, again));
                    end = Texts.of("why.done");
                }
            } catch (RunFault | FileFault e) {
                end = Texts.fault(e);
            }
            String said = end;
            Platform.runLater(() -> {
                if (ticket == asked) {
                    hint.setText(said);
                }
            });
        });
    }

    /** Nothing where it cannot be had. */
    private static OptionalDouble at(
            Neighbours near,
            int last,
            Topic.Again again,
            TrialRuns trials,
            TrialRuns.TrialSample sample,
            Cancel cancel) {
        try {
            Run run = trials.run(near.method(), sample.made(), last, cancel);
            return again.reading().of(run, trials, sample, cancel);
        } catch (RunFault | IllegalArgumentException e) {
            return OptionalDouble.empty();
        }
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
