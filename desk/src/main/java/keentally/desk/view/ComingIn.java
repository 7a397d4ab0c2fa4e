package keentally.desk.view;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.input.Dragboard;
import javafx.scene.input.TransferMode;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import keentally.desk.bring.BringDialog;
import keentally.desk.bring.BringModel;
import keentally.desk.bring.Door;
import keentally.desk.bring.TableDialog;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.desk.model.SampleActions.NewSample;
import keentally.desk.tally.TallyModel;
import keentally.study.door.ChannelFiles;
import keentally.study.picture.PictureReader.Survey;

/** Files that come in: dropped on the window, chosen, or named at the start; what has to be asked of them is asked here. */
final class ComingIn implements Door.Ways {
    private final DeskWindow window;
    private final DeskModel desk;
    private final DeskFiles files;
    private final SampleActions samples;
    private final TallyModel tally;
    private final Preferences preferences;
    private final Stage stage;
    private final Door door;

    ComingIn(
            DeskWindow window,
            DeskModel desk,
            DeskFiles files,
            SampleActions samples,
            TallyModel tally,
            Preferences preferences,
            Stage stage) {
        this.window = window;
        this.desk = desk;
        this.files = files;
        this.samples = samples;
        this.tally = tally;
        this.preferences = preferences;
        this.stage = stage;
        this.door = new Door(desk, this, stage::getScene, Platform::runLater);
    }

    Door door() {
        return door;
    }

    void acceptDrops(Scene scene) {
        scene.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        scene.setOnDragDropped(e -> {
            Dragboard board = e.getDragboard();
            if (board.hasFiles()) {
                List<Path> dropped = board.getFiles().stream().map(File::toPath).toList();
                Platform.runLater(() -> door.open(dropped)); // whoever dropped them is let go of first
            }
            e.setDropCompleted(board.hasFiles());
            e.consume();
        });
    }

    @Override
    public void study(Path file) {
        window.studyActions().open(file);
    }

    @Override
    public void method(Path file) {
        files.openMethod(file);
    }

    @Override
    public void pictures(List<Path> pictures) {
        samples.add(pictures, new SampleActions.PageChoice() {
            @Override
            public List<NewSample> choose(Survey survey) {
                return PagesDialog.ask(stage.getScene(), survey);
            }

            @Override
            public Optional<NewSample> join(ChannelFiles channels) {
                return ChannelsDialog.ask(stage.getScene(), channels);
            }
        });
    }

    @Override
    public void mask(Path file) {
        BringModel model = new BringModel(desk, Platform::runLater);
        model.look(
                file,
                seen -> BringDialog.ask(
                        stage.getScene(),
                        model,
                        seen,
                        made -> model.take(seen, made).ifPresent(window::compareWith)));
    }

    @Override
    public void marks(Path file) {
        window.showTally();
        tally.read(file);
    }

    @Override
    public void table(String text) {
        TableDialog.show(stage.getScene(), desk, text);
    }

    void choosePictures() {
        List<File> chosen = chooser("choose.pictures").showOpenMultipleDialog(stage);
        if (chosen != null) {
            door.open(chosen.stream().map(File::toPath).toList());
        }
    }

    void chooseFolder() {
        window.studies().folder("choose.folder").ifPresent(f -> door.open(List.of(f)));
    }

    void chooseMethod() {
        chosen("choose.method").ifPresent(this::method);
    }

    void chooseMask() {
        chosen("choose.bring").ifPresent(this::mask);
    }

    void chooseMarks() {
        chosen("choose.marks").ifPresent(tally::read);
    }

    /** A file that is there. @param key of what the person is asked */
    Optional<Path> chosen(String key) {
        return Optional.ofNullable(preferences.chooseToRead(chooser(key), stage))
                .map(File::toPath);
    }

    private static FileChooser chooser(String key) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of(key));
        return chooser;
    }
}
