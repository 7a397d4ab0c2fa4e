package keentally.desk.training;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressIndicator;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.station.BrushWidth;

/** What stands at the right while a station is taught: classes and brush, what was learnt, scores, how it learns; and at the foot what becomes of it. */
public final class TrainingPane extends VBox {
    private final TrainingModel model;
    private final VBox all = new VBox();
    private final Label told = Prose.of("", "figure-line");
    private final ProgressIndicator busy = new ProgressIndicator();
    private final ClassRows classes;
    private final ScoreSection scores;
    private final PlanSection plan;

    /** What the pane asks of the window. */
    public interface Outside {
        /** Asks which class picture, and takes it in. */
        void bring();

        /** The trial sheet of the station, by what it learns with. */
        void tryLearners();

        /** Adds a station that learns. */
        void addStation();

        void saveModel(DeskFiles.FileWriting writing);

        void saveScores(DeskFiles.FileWriting writing);

        /** The station itself, with its model. */
        void showStation();
    }

    public TrainingPane(TrainingModel model, Outside outside) {
        this.model = model;
        setId("training-pane");
        this.classes = new ClassRows(model);
        this.scores = new ScoreSection(model, outside::saveScores);
        this.plan = new PlanSection(model);
        told.setId("training-told");
        busy.setId("training-busy");
        busy.setPrefSize(16, 16);
        busy.setMinSize(16, 16);
        busy.visibleProperty().bind(model.isLearning());
        HBox.setHgrow(told, Priority.ALWAYS);
        HBox standing = new HBox(8, told, busy);
        all.getStyleClass().addAll("station-panel", "training-panel");
        ScrollPane scroll = new ScrollPane(all);
        scroll.getStyleClass().add("panel-scroll");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        CheckBox errors = new CheckBox(Texts.of("training.errors"));
        errors.setId("training-errors");
        errors.selectedProperty().bindBidirectional(model.errors());
        HBox width = new HBox(8, new BrushWidth(model.desk(), model.brush(), "training-width"));
        Label title = new Label(Texts.of("training.title"));
        title.getStyleClass().add("station-title");
        VBox taught = new VBox(
                9,
                classes,
                width,
                new FlowPane(
                        6,
                        6,
                        Pieces.button("training-next", "training.next", () -> model.goNext(1)),
                        Pieces.button("training-bring", "training.bring", outside::bring)),
                errors,
                standing,
                scores,
                plan,
                Pieces.button("training-try", "training.try", outside::tryLearners));
        VBox empty = new VBox(
                9,
                Prose.of(Texts.of("training.no-station"), "hint"),
                Pieces.button("training-add", "training.add", outside::addStation));
        all.getChildren().addAll(title, Prose.of(Texts.of("training.question"), "question"), empty, taught);
        HBox foot = new HBox(
                8,
                accent("training-take", "training.take", () -> model.take(outside::showStation)),
                Pieces.button("training-save", "training.save", () -> save(model.modelFile(), outside::saveModel)));
        foot.getStyleClass().add("station-footer");
        getChildren().addAll(scroll, foot);
        Runnable choose = () -> {
            shown(taught, model.of().get().isPresent());
            shown(empty, model.of().get().isEmpty());
            shown(foot, model.of().get().isPresent());
        };
        model.of().addListener(o -> choose.run());
        choose.run();
        model.of().addListener(o -> fill());
        model.news().addListener(o -> tell());
        model.desk().study().addListener(o -> fill());
        model.desk().sampleId().addListener(o -> fill());
        model.chosen().addListener(o -> classes.fill());
        model.rubbing().addListener(o -> classes.fill());
        fill();
    }

    private static Button accent(String id, String key, Runnable does) {
        Button button = Pieces.button(id, key, does);
        button.getStyleClass().add("accent");
        return button;
    }

    private void save(Optional<DeskFiles.FileWriting> what, Consumer<DeskFiles.FileWriting> how) {
        what.ifPresentOrElse(how, () -> model.desk().say(Texts.of("training.nothing")));
    }

    /** What is not seen takes no room. */
    static void shown(Region part, boolean seen) {
        part.setVisible(seen);
        part.setManaged(seen);
    }

    private void fill() {
        if (model.of().get().filter(a -> !a.isStale()).isEmpty()) {
            return;
        }
        classes.fill();
        plan.fill();
        tell();
    }

    private void tell() {
        told.setText(model.told());
        scores.fill();
    }
}
