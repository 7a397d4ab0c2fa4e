package keentally.desk.model;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.run.Run;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.study.document.Approval;
import keentally.study.document.Thing.SheetThing;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import keentally.study.plot.DifferencePlot;
import keentally.study.plot.HistogramPlot;
import keentally.study.plot.SpreadPlot;
import keentally.study.result.CutOuts;
import keentally.study.result.MarkedPicture;
import keentally.study.result.MarksFile;
import keentally.study.result.PairPicture;
import keentally.study.result.TakenAway;
import keentally.study.result.TrialFiles;
import keentally.study.run.SampleRun;

/** What is written from the desk to files, and methods read from them; worked in the idle lane, said when it is done. */
public final class DeskFiles {
    private final DeskModel desk;
    private final Executor ui;

    public DeskFiles(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
    }

    /** What is to be written of the sample on the stage. */
    @FunctionalInterface
    public interface Take {
        void write(TakenAway of, Path file) throws FileFault;
    }

    /** Writes something of the results of the sample on the stage. */
    public void take(Path file, Take take) {
        Optional<SampleRun> now = desk.shown().get();
        if (now.flatMap(SampleRun::readings).isEmpty()) {
            desk.say(Texts.of("file.no-table"));
            return;
        }
        TakenAway of = new TakenAway(now.get());
        write(file, work -> take.write(of, file));
    }

    /** Writes what a station gives, in its own values; what comes before the first one is the picture itself. */
    public void takeState(Path file, String station) {
        Optional<Run.Station> reached = desk.reached(station);
        if (reached.isEmpty()) {
            desk.say(Texts.of("file.no-station"));
            return;
        }
        write(file, work -> TakenAway.state(file, reached.get()));
    }

    /** Writes what is seen on the stage at the picture's resolution. */
    public void takeShown(Path file, Function<Work, Layers> layers) {
        write(file, work -> new MarkedPicture(layers.apply(work), work).write(file));
    }

    /**
     * Two views as they are seen.
     *
     * @param stacked whether the second stands below the first
     */
    public record Views(OneView first, OneView second, boolean stacked) {}

    /** @param layers made away from the interface thread */
    public record OneView(String caption, Function<Work, Layers> layers, Viewport part) {
        private PairPicture.View view(Work work) {
            return new PairPicture.View(caption, layers.apply(work), part);
        }
    }

    /** Writes two views as one picture with captions. */
    public void takePair(Path file, Views views) {
        write(file, work -> pair(views, work).write(file, work));
    }

    /** Keeps two views, as they are seen, with the study. */
    public void keepPair(Views views) {
        Address here = desk.here();
        desk.job(Texts.of("job.keep-pair"), job -> {
            Work work = desk.work(job.cancel());
            SheetThing kept = pair(views, work).kept(work);
            ui.execute(() -> {
                if (here.study() == desk.holding().get()) {
                    keepSheet(kept);
                }
            });
        });
    }

    private static PairPicture pair(Views views, Work work) {
        return new PairPicture(views.first().view(work), views.second().view(work), views.stacked());
    }

    /** Writes every kept object as a picture of its own. */
    public void takeCutOuts(Path folder, Optional<Layer.ScaleBar> bar) {
        Optional<ObjectSet> objects = desk.shown().get().flatMap(SampleRun::objects);
        Optional<OpenSample> open = desk.open().get();
        if (objects.isEmpty() || open.isEmpty()) {
            desk.say(Texts.of("file.no-table"));
            return;
        }
        write(folder, work -> CutOuts.write(folder, open.get().pyramid(), objects.get(), bar, work));
    }

    /** Writes what all counters counted by hand on the sample on the stage. */
    public void takeMarks(Path file) {
        List<TallyClass> classes = desk.study().get().classes();
        Map<String, Marks> tallies = desk.study().get().tallies(desk.sampleId().get());
        PixelSize size = desk.pixelSize();
        if (tallies.isEmpty()) {
            desk.say(Texts.of("tally.nothing"));
            return;
        }
        write(file, work -> MarksFile.write(file, classes, tallies, size));
    }

    /** Writes how a measure is spread, as its file's ending says. */
    public void saveSpread(Path file, SpreadPlot plot) {
        write(file, work -> plot.save(file));
    }

    /** Writes how two counts differ over several samples, as its file's ending says. */
    public void saveDifferences(Path file, DifferencePlot plot) {
        write(file, work -> plot.save(file));
    }

    public void saveMethod(Path file) {
        Method method = desk.study().get().method(desk.methodId()); // a sample's own settings are no part of it
        Optional<Approval> approval = desk.study().get().approval(desk.methodId());
        write(file, work -> MethodFile.write(file, method, approval));
    }

    /** Writes a histogram as its file's ending says. */
    public void savePlot(Path file, HistogramPlot plot) {
        write(file, work -> plot.save(file));
    }

    /** Writes a trial sheet as a picture and a table beside it. */
    public void saveSheet(Path png, SheetThing sheet) {
        write(png, work -> TrialFiles.write(png, sheet));
    }

    /** Keeps a trial sheet with the study. */
    public void keepSheet(SheetThing sheet) {
        desk.act(Texts.of("action.keep-sheet", sheet.title()), s -> s.with(sheet));
        desk.say(Texts.of("sheets.kept"));
    }

    public void removeSheet(String id, String title) {
        desk.act(Texts.of("action.remove-sheet", title), s -> s.withoutSheet(id));
    }

    /** Makes a trial sheet of what is seen; told on the interface thread. */
    public void sheet(
            String title, int width, int height, int[] colours, List<TrialFiles.Row> rows, Consumer<SheetThing> then) {
        desk.job(Texts.of("job.sheet"), job -> {
            SheetThing made = TrialFiles.kept(title, width, height, colours, rows);
            ui.execute(() -> then.accept(made));
        });
    }

    /** Writes the rows of samples, or what is made of them. */
    public void takeFile(Path file, FileWriting writing) {
        write(file, work -> writing.write(file));
    }

    /** What writes into a file of a name. */
    @FunctionalInterface
    public interface FileWriting {
        void write(Path file) throws FileFault;
    }

    private void write(Path file, Writing writing) {
        boolean input = desk.study().get().samples().stream()
                .flatMap(id -> desk.study().get().sample(id).orElseThrow().picture().sources().stream())
                .anyMatch(s -> s.file().equals(file.toAbsolutePath().normalize()));
        if (input) {
            desk.say(Texts.of("file.input", file));
            return;
        }
        desk.job(Texts.of("job.write", file.getFileName()), job -> {
            try {
                writing.run(desk.work(job.cancel()));
                ui.execute(() -> desk.say(Texts.of("file.written", file)));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    @FunctionalInterface
    private interface Writing {
        void run(Work work) throws FileFault;
    }

    /** Adds a method to the study and uses it on the sample that is on the stage now, also when another is by then. */
    public void openMethod(Path file) {
        Address here = desk.here();
        desk.job(Texts.of("job.open-method", file.getFileName()), job -> {
            try {
                Method method = MethodFile.read(file);
                Optional<Approval> approval = MethodFile.approval(file);
                ui.execute(() -> new MethodActions(desk).bring(here, method, approval));
            } catch (FileFault | MethodFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }
}
