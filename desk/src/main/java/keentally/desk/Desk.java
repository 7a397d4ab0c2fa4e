package keentally.desk;

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
import keentally.core.quantity.Scale;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.view.DeskWindow;
import keentally.desk.view.Preferences;
import keentally.samples.DemoFiles;
import keentally.study.Program;
import keentally.study.document.Calibration;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Where {@code keen-tally demo} and {@code keen-tally desk} come in. */
public final class Desk extends Application {
    private static final Logger LOG = LoggerFactory.getLogger(Desk.class);

    private DeskModel model;

    public static void main(String[] words) {
        launch(Desk.class, words);
    }

    /** Where the desk keeps what it remembers; the property is for tests. */
    static Path home() {
        String given = System.getProperty("keentally.home");
        return given != null ? Path.of(given) : Path.of(System.getProperty("user.home"), ".keen-tally");
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
        DeskWindow desk = new DeskWindow(
                window, model, new Preferences(home(), (chooser, owner) -> chooser.showSaveDialog(owner)), onCrash);
        desk.open();
        List<String> words = getParameters().getRaw();
        if (!words.isEmpty() && words.getFirst().equals("demo")) {
            openDemo();
        } else {
            List<String> files = words.isEmpty() ? words : words.subList(1, words.size());
            desk.open(files.stream().map(Path::of).toList());
        }
    }

    /** Lays the demo pictures out, each with its scale and its method; draws them first where that has not been done. */
    private void openDemo() {
        String drawn = System.getProperty("keentally.demo");
        Path folder = drawn != null ? Path.of(drawn) : home().resolve("demo-" + Program.VERSION);
        model.say(Texts.of("demo.drawing"));
        model.whenIdle(cancel -> {
            try {
                if (DemoFiles.list(folder).isEmpty()) {
                    DemoFiles.write(folder, model.work(cancel));
                }
                Study study = demo(folder);
                Platform.runLater(() -> {
                    model.say("");
                    model.begin(study);
                    model.station().set(firstCut(model.method()));
                });
            } catch (FileFault | MethodFault e) {
                Platform.runLater(() -> model.say(e.getMessage()));
            }
        });
    }

    /** Where a newcomer has something to move. */
    private static String firstCut(Method method) {
        return method.steps().stream()
                .filter(s -> s.description().id().equals("threshold"))
                .map(MethodStep::id)
                .findFirst()
                .orElse(DeskModel.PICTURE);
    }

    /** The demo study, from pictures and methods that lie in {@code folder}. */
    public static Study demo(Path folder) throws FileFault, MethodFault {
        Study study = Study.empty();
        for (DemoFiles.Listed demo : DemoFiles.list(folder)) {
            String method = "m" + (study.samples().size() + 1);
            Calibration scale = new Calibration(Scale.of(demo.scale()), Calibration.Origin.DEMO, "");
            SampleThing sample =
                    SampleThing.of(demo.title(), demo.picture(), method).with(Optional.of(scale));
            study = study.with(method, MethodFile.read(demo.method())).with(study.newSampleId(), sample);
        }
        return study;
    }

    @Override
    public void stop() {
        model.close();
    }
}
