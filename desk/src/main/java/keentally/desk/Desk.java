package keentally.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import keentally.core.hand.HandWork;
import keentally.core.hand.Marks;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Scale;
import keentally.core.step.BringMaskStep;
import keentally.core.step.ThresholdStep;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.model.StudyActions;
import keentally.desk.view.DeskWindow;
import keentally.desk.view.Preferences;
import keentally.samples.DemoFiles;
import keentally.study.Program;
import keentally.study.document.Calibration;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import keentally.study.store.StudyFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Where {@code keen-tally demo} and {@code keen-tally desk} come in. */
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
        DeskWindow desk = new DeskWindow(
                window,
                model,
                new Preferences(Program.home(), (chooser, owner) -> chooser.showSaveDialog(owner)),
                onCrash);
        desk.open();
        studies = desk.studyActions();
        List<String> words = getParameters().getRaw();
        if (!words.isEmpty() && words.getFirst().equals("demo")) {
            openDemo(desk.studyActions());
            return;
        }
        List<Path> files =
                words.stream().skip(1).map(Path::of).map(Path::toAbsolutePath).toList();
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
            return demo(folder);
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

    /** The demo study, from pictures and methods that lie in {@code folder}. */
    public static Study demo(Path folder) throws FileFault, MethodFault {
        return demo(DemoFiles.list(folder));
    }

    /** The study of some of the demo samples. */
    public static Study demo(List<DemoFiles.Entry> samples) throws FileFault, MethodFault {
        Study study = Study.empty();
        Map<Path, String> methods = new LinkedHashMap<>();
        for (DemoFiles.Entry demo : samples) {
            String method = methods.computeIfAbsent(demo.method(), file -> "m" + (methods.size() + 1));
            SlideLabel label = demo.tag()
                    .map(t -> SlideLabel.of(demo.title()).tagged(t.group(), Optional.of(t.amount())))
                    .orElse(SlideLabel.of(demo.title()));
            SampleThing sample =
                    SampleThing.of(demo.title(), demo.picture(), method).with(label);
            // what a person can read off the picture is left to be done
            boolean captioned = demo.isCaptioned();
            Optional<Calibration> scale =
                    Optional.of(new Calibration(Scale.of(demo.scale()), Calibration.Origin.DEMO, ""));
            SampleThing told = captioned ? sample : sample.with(scale).with(demo.field());
            String id = study.newSampleId();
            study = study.with(method, MethodFile.read(demo.method())).with(id, told);
            for (Map.Entry<String, HandWork> work : demo.hand().entrySet()) {
                study = study.withHand(id, method, work.getKey(), Optional.of(work.getValue()));
            }
        }
        return beside(study, samples);
    }

    /** What others made of the samples: counts, methods, and masks as methods of their own; no sample is turned to these. */
    private static Study beside(Study laidOut, List<DemoFiles.Entry> samples) throws FileFault, MethodFault {
        Study study = laidOut;
        for (int i = 0; i < samples.size(); i++) {
            String id = study.samples().get(i);
            DemoFiles.Others others = samples.get(i).others();
            if (!others.classes().isEmpty()) {
                study = study.withClasses(others.classes());
            }
            for (Map.Entry<String, Marks> tally : others.tallies().entrySet()) {
                study = study.withTally(id, tally.getKey(), tally.getValue());
            }
            for (Path method : others.methods()) {
                study = study.with(study.newMethodId(), MethodFile.read(method));
            }
            if (others.brought().isPresent()) {
                String method = study.newMethodId();
                Method rough = Method.empty(
                                Texts.of("bring.method", samples.get(i).title()),
                                study.method(study.sample(id).orElseThrow().method())
                                        .unit())
                        .then(BringMaskStep.ID, BringMaskStep.AS.id(), "mask");
                study = study.with(method, rough)
                        .withHand(
                                id,
                                method,
                                rough.steps().getFirst().id(),
                                others.brought().map(b -> b));
            }
        }
        return study;
    }

    @Override
    public void stop() {
        Optional<Path> last = model.holding().get().path();
        model.close();
        studies.tidy(last, model.study().get());
    }
}
