package keentally.desk.welcome;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Executor;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.step.ThresholdStep;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.samples.DemoFiles;
import keentally.samples.DemoStudy;
import keentally.study.Program;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.store.StudyFile;

/** Goes on with the demo study; draws its pictures and lays it out where that has not been done. */
public final class DemoOpening {
    private final DeskModel desk;
    private final Executor ui;
    private final Path home;
    private final ReadOnlyBooleanWrapper underWay = new ReadOnlyBooleanWrapper();

    /** @param home the program's own folder */
    public DemoOpening(DeskModel desk, Executor ui, Path home) {
        this.desk = desk;
        this.ui = ui;
        this.home = home.resolve("demo-" + Program.VERSION);
    }

    /** Whether it is being drawn. */
    public ReadOnlyBooleanProperty isUnderWay() {
        return underWay.getReadOnlyProperty();
    }

    public void open() {
        if (underWay.get()) {
            return;
        }
        String drawn = System.getProperty("keentally.demo");
        Path folder = drawn != null ? Path.of(drawn) : home;
        underWay.set(true);
        desk.say(Texts.of("demo.drawing"));
        desk.job(Texts.of("job.demo"), job -> {
            try {
                if (DemoFiles.list(folder).isEmpty()) {
                    DemoFiles.write(folder, desk.work(job.cancel()), job::at);
                }
                ui.execute(() -> layOut(folder));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            } finally {
                ui.execute(() -> underWay.set(false));
            }
        });
    }

    private void layOut(Path folder) {
        Path file = home.resolve("Millrace" + StudyFile.ENDING);
        desk.begin(
                watch -> Files.exists(file)
                        ? StudyFile.open(file, watch)
                        : StudyFile.create(file, laidOut(folder), watch),
                () -> desk.station().set(firstCut(desk.method())));
    }

    private static Study laidOut(Path folder) throws FileFault {
        try {
            return DemoStudy.of(DemoFiles.list(folder));
        } catch (MethodFault e) {
            throw new IllegalStateException("the demo's own methods can be read", e);
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
}
