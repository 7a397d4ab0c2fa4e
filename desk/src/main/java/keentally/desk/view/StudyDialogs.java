package keentally.desk.view;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Stage;
import keentally.desk.look.Texts;
import keentally.desk.model.SampleActions;
import keentally.desk.model.StudyActions;
import keentally.study.store.StudyFile;

/** Asks where studies lie and where they are to lie. */
final class StudyDialogs {
    private final StudyActions actions;
    private final SampleActions samples;
    private final Preferences preferences;
    private final Stage window;

    StudyDialogs(StudyActions actions, SampleActions samples, Preferences preferences, Stage window) {
        this.actions = actions;
        this.samples = samples;
        this.preferences = preferences;
        this.window = window;
    }

    private static FileChooser chooser(String key) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of(key));
        chooser.getExtensionFilters().add(new ExtensionFilter(Texts.of("choose.study.kind"), "*" + StudyFile.ENDING));
        return chooser;
    }

    /** An unnamed one; it is kept from the first action on, and named when the person wants to. */
    void newStudy() {
        actions.newDraft(() -> {});
    }

    void open() {
        File chosen = chooser("choose.study").showOpenDialog(window);
        if (chosen != null) {
            actions.open(chosen.toPath());
        }
    }

    void open(Path study) {
        actions.open(study);
    }

    void keepAs() {
        File chosen = preferences.choose(chooser("choose.study.keep"), window);
        if (chosen != null) {
            actions.keepAs(chosen.toPath());
        }
    }

    void copy() {
        File chosen = preferences.choose(chooser("choose.study.copy"), window);
        if (chosen != null) {
            actions.copy(chosen.toPath());
        }
    }

    void pack() {
        actions.pack();
    }

    void findPictures() {
        folder("choose.find").ifPresent(samples::find);
    }

    Optional<Path> folder(String key) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Texts.of(key));
        return Optional.ofNullable(preferences.chooseFolder(chooser, window)).map(File::toPath);
    }
}
