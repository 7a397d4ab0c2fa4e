package keentally.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.model.StudyActions;
import keentally.desk.view.DeskWindow;
import keentally.desk.view.FileQuestions;
import keentally.desk.view.Preferences;
import keentally.study.Program;
import keentally.study.store.StudyFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Where {@code keen-tally demo} and {@code keen-tally desk} come in, and the installed program with the files it was opened by. */
public final class Desk extends Application {
    private DeskModel model;
    private StudyActions studies;

    @Override
    public void start(Stage window) {
        Consumer<Throwable> onCrash = e -> {
            log().error("a defect", e);
            Platform.runLater(() -> model.say(Texts.of("defect", Program.log())));
        };
        Thread.setDefaultUncaughtExceptionHandler((thread, e) -> onCrash.accept(e));
        Theme.loadFonts();
        model = new DeskModel(Platform::runLater, onCrash);
        DeskWindow desk = new DeskWindow(window, model, new Preferences(Program.home(), FileQuestions.SYSTEM), onCrash);
        desk.open();
        Thread.ofPlatform()
                .daemon()
                .name("log")
                .start(Desk::log); // it takes a while to set itself up, and the window need not wait
        studies = desk.studyActions();
        List<String> words = getParameters().getRaw();
        if (!words.isEmpty() && words.getFirst().equals("demo")) {
            desk.demo().open();
            return;
        }
        boolean told = !words.isEmpty() && words.getFirst().equals("desk");
        List<Path> files = words.stream()
                .skip(told ? 1 : 0)
                .map(Path::of)
                .map(Path::toAbsolutePath)
                .toList();
        boolean study = files.stream().anyMatch(f -> f.toString().endsWith(StudyFile.ENDING));
        if (study) {
            desk.open(files);
        } else if (files.isEmpty()) {
            desk.studyActions().draft(() -> {});
        } else {
            desk.studyActions().newDraft(() -> desk.open(files));
        }
    }

    private static Logger log() {
        return LoggerFactory.getLogger(Desk.class);
    }

    @Override
    public void stop() {
        Optional<Path> last = model.holding().get().path();
        model.close();
        studies.tidy(last, model.study().get());
    }
}
