package keentally.desk.ledger;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenStudy;
import keentally.desk.model.SampleActions;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.ArrivingPictures;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Survey;

/**
 * A folder that pictures come into: each becomes a sample once it is whole, with the method, scale and field of the sample that was on the
 * stage when the watching began, and is run. For the interface thread; the folder is looked at on a thread of its own.
 */
public final class FolderWatch {
    private static final long MILLIS = 1000;

    private final DeskModel desk;
    private final SampleActions actions;
    private final LedgerModel series;
    private final Executor ui;
    private final ReadOnlyObjectWrapper<Optional<Watched>> watched = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final List<String> waiting = new ArrayList<>();
    private Optional<ScheduledExecutorService> looking = Optional.empty();

    /**
     * A folder that is watched.
     *
     * @param like the sample whose method, scale and field the pictures get
     * @param came how many pictures have come
     */
    public record Watched(Path folder, OpenStudy study, SampleThing like, int came) {
        Watched more() {
            return new Watched(folder, study, like, came + 1);
        }
    }

    /** @param ui runs what it is given on the interface thread, in order */
    public FolderWatch(DeskModel desk, SampleActions actions, LedgerModel series, Executor ui) {
        this.desk = desk;
        this.actions = actions;
        this.series = series;
        this.ui = ui;
        desk.holding().addListener(o -> stop());
        series.progress().addListener(o -> run());
    }

    /** The folder that is watched; empty for none. */
    public ReadOnlyObjectProperty<Optional<Watched>> watched() {
        return watched.getReadOnlyProperty();
    }

    /** Watches a folder, in place of the one before. Pictures that lie in it and are no samples yet have come already. */
    public void start(Path folder) {
        stop();
        Study study = desk.study().get();
        Optional<SampleThing> like = study.sample(desk.sampleId().get());
        if (like.isEmpty()) {
            return;
        }
        Set<Path> known = new HashSet<>();
        study.samples()
                .forEach(id -> study.sample(id).orElseThrow().picture().sources().stream()
                        .map(Source::file)
                        .forEach(known::add));
        ArrivingPictures arriving = new ArrivingPictures(folder, known);
        ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(
                Thread.ofPlatform().daemon().name("folder").factory());
        looking = Optional.of(thread);
        watched.set(Optional.of(new Watched(folder, desk.holding().get(), like.get(), 0)));
        thread.scheduleWithFixedDelay(() -> look(arriving, thread), 0, MILLIS, TimeUnit.MILLISECONDS);
    }

    private void look(ArrivingPictures arriving, ScheduledExecutorService thread) {
        List<Path> whole;
        try {
            whole = arriving.look();
        } catch (FileFault e) {
            ui.execute(() -> desk.say(Texts.fault(e)));
            return;
        }
        for (Path file : whole) {
            try {
                Survey survey = PictureReader.survey(file);
                ui.execute(() -> came(survey, thread));
            } catch (FileFault e) {
                arriving.again(file);
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        }
    }

    private void came(Survey survey, ScheduledExecutorService from) {
        if (looking.filter(l -> l == from).isEmpty()) {
            return; // watched no more
        }
        Watched now = watched.get().orElseThrow();
        waiting.add(actions.arrived(survey, now.like()));
        watched.set(Optional.of(now.more()));
        run();
    }

    /** One series at a time: what comes while another runs waits for its end. */
    private void run() {
        if (!waiting.isEmpty() && series.progress().get().isEmpty()) {
            List<String> ids = List.copyOf(waiting);
            waiting.clear();
            series.run(ids);
        }
    }

    public void stop() {
        looking.ifPresent(ScheduledExecutorService::shutdownNow);
        looking = Optional.empty();
        waiting.clear();
        watched.set(Optional.empty());
    }
}
