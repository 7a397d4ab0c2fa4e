package keentally.desk.report;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.image.Image;
import keentally.core.picture.Field;
import keentally.core.run.Jobs;
import keentally.core.run.Lanes.Urgency;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.OpenStudy;
import keentally.study.document.ReportPlan;
import keentally.study.document.ReportPlan.Part;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import keentally.study.report.PdfReport;
import keentally.study.report.Report;
import keentally.study.report.ReportMaterial;
import keentally.study.report.ReportPages;
import keentally.study.report.ReportRun;
import keentally.study.report.ReportSource;
import keentally.study.store.StudyFile;

/** The report of the study on the desk: what it is to hold, and its pages. For the interface thread. */
public final class ReportModel {
    /** A logo is kept no larger. */
    private static final int LOGO = 600;

    private final DeskModel desk;
    private final Executor ui;
    private final BooleanProperty open = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Optional<Made>> made = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Progress>> progress = new ReadOnlyObjectWrapper<>(Optional.empty());
    private ReportRun run = new ReportRun();
    private Cancel wanted = new Cancel();
    private Optional<OpenStudy> of = Optional.empty();
    private Optional<Study> asked = Optional.empty();

    /**
     * A report that is there.
     *
     * @param study as it was when it was asked for
     */
    public record Made(Study study, Report report, ReportPages pages) {}

    /** How far the samples have come; of none where it is laid out on pages. */
    public record Progress(Jobs.Job job, int done, int of) {}

    /** @param ui runs what it is given on the interface thread, in order */
    public ReportModel(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
        desk.study().addListener(o -> refresh());
        desk.holding().addListener(o -> refresh());
        open.addListener(o -> refresh());
    }

    /** Whether the report is looked at; it is made only then. */
    public BooleanProperty open() {
        return open;
    }

    /** The newest report that was made; empty before the first. */
    public ReadOnlyObjectProperty<Optional<Made>> made() {
        return made.getReadOnlyProperty();
    }

    /** Of the report that is being made; empty where none is. */
    public ReadOnlyObjectProperty<Optional<Progress>> progress() {
        return progress.getReadOnlyProperty();
    }

    public ReportPlan plan() {
        return desk.study().get().report();
    }

    DeskModel desk() {
        return desk;
    }

    /** Stops making it. */
    public void stop() {
        progress.get().ifPresent(p -> p.job().stop());
    }

    /** Makes it again where it was stopped. */
    public void again() {
        asked = Optional.empty();
        refresh();
    }

    private void refresh() {
        if (of.filter(o -> o == desk.holding().get()).isEmpty()) {
            of = Optional.of(desk.holding().get());
            run = new ReportRun();
            asked = Optional.empty();
            show(Optional.empty());
            giveUp();
        }
        Study study = desk.study().get();
        if (!open.get() || asked.filter(study::equals).isPresent()) {
            return;
        }
        giveUp();
        asked = Optional.of(study);
        make(study, desk.holding().get(), run);
    }

    /** What is being made, or waits to be, is wanted no more. */
    private void giveUp() {
        wanted.ask();
        wanted = new Cancel();
        stop();
    }

    /** The pages of the one before are let go of when nobody reads them any more. */
    private void show(Optional<Made> next) {
        Optional<Made> before = made.get();
        made.set(next);
        before.ifPresent(m -> desk.look(m, Urgency.BESIDE, cancel -> m.pages().close()));
    }

    private void make(Study study, OpenStudy holding, ReportRun gathering) {
        Cancel mine = wanted;
        desk.job(Texts.of("job.report"), job -> {
            if (mine.asked()) {
                return; // a newer one was asked for while this one waited
            }
            ui.execute(() -> progress.set(Optional.of(new Progress(job, 0, 0))));
            try {
                ReportMaterial material = gathering.of(
                        new ReportSource(name(holding), study, holding.file(), holding.shelf(), LocalDate.now()),
                        desk.work(job.cancel()),
                        (done, all) -> {
                            job.at(done, all);
                            ui.execute(() -> progress.set(Optional.of(new Progress(job, done, all))));
                        });
                job.cancel().check();
                Report report = Report.of(material);
                byte[] pdf = PdfReport.bytes(report);
                job.cancel().check();
                Made ready = new Made(study, report, new ReportPages(pdf));
                ui.execute(() -> came(holding, ready));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            } catch (CancelledException e) {
                if (!mine.asked()) {
                    throw e; // a person stopped it, and is told so
                }
            } finally {
                ui.execute(() -> progress.set(progress.get().filter(p -> p.job() != job)));
            }
        });
    }

    private void came(OpenStudy holding, Made ready) {
        if (desk.holding().get() == holding) {
            show(Optional.of(ready));
        } else {
            ready.pages().close();
        }
    }

    private static String name(OpenStudy holding) {
        return holding.path().map(StudyFile::title).orElse(Texts.of("report.unnamed"));
    }

    /** A page as it will be printed, which comes later, on the interface thread; nothing comes of a report that was let go of. */
    void page(Made from, int page, int width, Consumer<Image> then) {
        new Newest(desk, ui).ask(work -> {
            Optional<Image> image = from.pages().page(page, width).map(PlotImages::of);
            return () -> image.ifPresent(then);
        });
    }

    /** Another plan, as one action. */
    void change(UnaryOperator<ReportPlan> how) {
        ReportPlan next = how.apply(plan());
        if (!next.equals(plan())) {
            desk.plan(next);
        }
    }

    /** Takes a part in at the end, or leaves it out. */
    void include(Part part, boolean included) {
        List<Part> parts = new ArrayList<>(plan().parts());
        parts.remove(part);
        if (included) {
            parts.add(part);
        }
        change(p -> p.of(parts));
    }

    /** Moves a part up (−1) or down (1). */
    void move(Part part, int by) {
        List<Part> parts = new ArrayList<>(plan().parts());
        int from = parts.indexOf(part);
        int to = from + by;
        if (from >= 0 && to >= 0 && to < parts.size()) {
            Collections.swap(parts, from, to);
            change(p -> p.of(parts));
        }
    }

    /** All parts, those that the report holds first and in its order. */
    List<Part> parts() {
        List<Part> all = new ArrayList<>(plan().parts());
        Set<Part> there = new HashSet<>(all);
        for (Part part : Part.values()) {
            if (!there.contains(part)) {
                all.add(part);
            }
        }
        return all;
    }

    /** Takes a picture for the laboratory's logo; one that is none is refused with its reason. */
    public void logo(Path file) {
        desk.job(Texts.of("job.logo"), job -> {
            try {
                PictureFile picture = PictureReader.read(file, 1);
                String png = Base64.getEncoder().encodeToString(png(picture, desk.work(job.cancel())));
                ui.execute(() -> change(p -> p.with(Optional.of(png))));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    private static byte[] png(PictureFile file, Work work) {
        int width = file.picture().width();
        int height = file.picture().height();
        double zoom = Math.min(1, Math.min((double) LOGO / width, (double) LOGO / height));
        int wide = Math.max(1, (int) Math.round(zoom * width));
        int high = Math.max(1, (int) Math.round(zoom * height));
        Layers bare = Layers.bare(Pyramid.of(file.picture(), work), Field.whole(width, height));
        return PictureWriter.pngBytes(
                wide, high, StageComposer.compose(bare, new Viewport(0, 0, zoom, wide, high), work));
    }
}
