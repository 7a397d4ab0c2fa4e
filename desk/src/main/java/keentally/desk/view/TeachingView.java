package keentally.desk.view;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import keentally.core.step.ClassifyStep;
import keentally.core.step.Steps;
import keentally.desk.look.Once;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.desk.station.StationActions;
import keentally.desk.training.ClassPictureDialog;
import keentally.desk.training.TrainingModel;
import keentally.desk.training.TrainingPane;

/** The view in which a station is taught, with what it asks of the window: files, the trial sheet, and the way back to the bench. */
final class TeachingView implements TrainingPane.Outside {
    private static final double WIDTH = 400;

    private final DeskWindow window;
    private final DeskModel desk;
    private final TakeAway take;
    private final TrainingModel model;

    TeachingView(DeskWindow window, DeskModel desk, StageModel stage, TakeAway take) {
        this.window = window;
        this.desk = desk;
        this.take = take;
        this.model = new TrainingModel(desk, stage, Platform::runLater);
    }

    TrainingModel model() {
        return model;
    }

    /** @param entering what has to be put away before it is seen */
    DeskView view(Runnable entering) {
        return new DeskView(
                "training",
                WIDTH,
                false,
                entering,
                Optional.of(model.tool()),
                new Once<>(() -> new TrainingPane(model, this)));
    }

    @Override
    public void bring() {
        window.comingIn()
                .chosen("choose.classes")
                .ifPresent(file -> ClassPictureDialog.bring(window.scene(), model, file));
    }

    @Override
    public void tryLearners() {
        if (model.station().isEmpty()) {
            return;
        }
        String station = model.station().get();
        if (desk.method().step(station).map(model::axes).orElse(List.of()).isEmpty()) {
            desk.say(Texts.of("training.nothing"));
            return;
        }
        window.showBench();
        desk.station().set(station);
        window.trials().toggle();
    }

    @Override
    public void addStation() {
        new StationActions(desk).add(Steps.find(ClassifyStep.ID).orElseThrow());
    }

    @Override
    public void saveModel(DeskFiles.FileWriting writing) {
        take.model(writing);
    }

    @Override
    public void saveScores(DeskFiles.FileWriting writing) {
        take.scores(writing);
    }

    @Override
    public void showStation() {
        model.station().ifPresent(desk.station()::set);
        window.showBench();
    }
}
