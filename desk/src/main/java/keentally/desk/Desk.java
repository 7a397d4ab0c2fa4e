package keentally.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.step.ThresholdStep;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.model.StudyActions;
import keentally.desk.view.DeskWindow;
import keentally.desk.view.FileQuestions;
import keentally.desk.view.Preferences;
import keentally.samples.DemoFiles;
import keentally.samples.DemoStudy;
import keentally.study.Program;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.store.StudyFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Where {@code keen-tally demo} and {@code keen-tally desk} come in, and the installed program with the files it was opened by. */
public final class Desk extends Application {
    private static final Logger LOG = LoggerFactory.getLogger(Desk.class);

    private DeskModel model;
    private StudyActions studies;

    public static void main(String[] words) {
        launch(Desk.class, words);
    }

    @Override
    public void start(Stage window) {
        Consumer<Throwable> onCrash = e -> {
            LOG.error("a defect", e);
            Platform.runLater(() -> model.say(Texts.of("defect", e)));
        };
        Thread.setDefaultUncaughtExceptionHandler((thread, e) -> onCrash.accept(e));
        Theme.loadFonts();
        model = new DeskModel(Platform::runLater, onCrash);
        DeskWindow desk = new DeskWindow(window, model, new Preferences(Program.home(), FileQuestions.SYSTEM), onCrash);
        desk.open();
        studies = desk.studyActions();
        List<String> words = getParameters().getRaw();
        if (!words.isEmpty() && words.getFirst().equals("demo")) {
            openDemo(desk.studyActions());
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

    /** Goes on with the demo study; draws its pictures and lays it out where that has not been done. */
    private void openDemo(StudyActions studies) {
        String drawn = System.getProperty("keentally.demo");
        Path home = Program.home().resolve("demo-" + Program.VERSION);
        Path folder = drawn != null ? Path.of(drawn) : home;
        Path file = home.resolve("Millrace" + StudyFile.ENDING);
        model.say(Texts.of("demo.drawing"));
        model.begin(
                watch -> {
                    if (DemoFiles.list(folder).isEmpty()) {
                        DemoFiles.write(folder, model.work(new Cancel()));
                    }
                    return Files.exists(file)
                            ? StudyFile.open(file, watch)
                            : StudyFile.create(file, laidOut(folder), watch);
                },
                () -> model.station().set(firstCut(model.method())));
    }

    private static Study laidOut(Path folder) throws FileFault {
        try {
            return DemoStudy.of(DemoFiles.list(folder));
        } catch (MethodFault e) {
            throw new FileFault("The demo's methods cannot be read: " + e.getMessage(), e);
        }
    }

    /** Where a newcomer has something to move. */
    private static String firstCut(Method method) {
        return method.steps().stream()
                .filter(s -> s.description().id().equals(ThresholdStep.ID))
                .map(MethodStep::id)
                .findFirst()
                .orElse(DeskModel.PICTURE);
    }

    @Override
    public void stop() {
        Optional<Path> last = model.holding().get().path();
        model.close();
        studies.tidy(last, model.study().get());
    }
}
