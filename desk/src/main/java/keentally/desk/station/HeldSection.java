package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.method.Held;
import keentally.core.method.MethodStep;
import keentally.core.words.Headline;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.TickList;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.HoldActions;
import keentally.desk.model.MethodActions;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;

/** For a station that fits itself to each picture: that it does, or where it is held, and the way from the one to the other. */
final class HeldSection extends VBox {
    private final DeskModel desk;
    private final HoldActions actions;
    private final MethodStep step;

    private HeldSection(DeskModel desk, MethodStep step) {
        super(6);
        this.desk = desk;
        this.step = step;
        this.actions = new HoldActions(desk, Platform::runLater);
        setId("held-section");
    }

    /** Nothing for a station that fits itself to nothing. */
    static Optional<VBox> of(DeskModel desk, MethodStep step) {
        HeldSection section = new HeldSection(desk, step);
        if (step.held().isPresent()) {
            section.held(step.held().get());
            return Optional.of(section);
        }
        if (step.fitting().isPresent() && !step.muted()) {
            section.free();
            return Optional.of(section);
        }
        return Optional.empty();
    }

    private void held(Held held) {
        int samples = held.samples().size();
        Label said = Prose.of(
                Texts.of(
                        "held.at",
                        Headline.fitted(step),
                        samples == 1 ? held.samples().getFirst() : Texts.of("held.samples", String.valueOf(samples)),
                        held.on().toString()),
                "held");
        said.setId("held-at");
        Tip.on(said, String.join("\n", held.samples()));
        HBox ways = new HBox(
                8,
                Pieces.button("hold-free", "held.free", () -> actions.free(step.id())),
                Pieces.button("hold-again", "held.again", this::ask));
        getChildren().addAll(said, ways);
    }

    private void free() {
        Label said = Prose.of(Texts.of("held.none"), "hint");
        said.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(said, Priority.ALWAYS);
        Button hold = Pieces.button("hold", "held.hold", this::ask);
        hold.setMinWidth(USE_PREF_SIZE);
        HBox row = new HBox(8, said, hold);
        row.getStyleClass().add("row");
        getChildren().add(row);
    }

    private void ask() {
        Study study = desk.study().get();
        TickList list = new TickList();
        String now = desk.sampleId().get();
        List<String> users = new MethodActions(desk).users(desk.methodId());
        for (String id : users) {
            list.add(id, study.sample(id).map(SampleThing::name).orElseThrow(), id.equals(now));
        }
        list.until(getScene(), Texts.of("held.title"), Texts.of("held.about"), Texts.of("held.yes"), ids -> {
            if (ids.isEmpty()) {
                throw new IllegalArgumentException(Texts.of("held.nobody"));
            }
            actions.hold(step.id(), ids);
        });
    }
}
