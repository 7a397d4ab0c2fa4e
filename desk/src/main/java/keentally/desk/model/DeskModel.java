package keentally.desk.model;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Lanes;
import keentally.core.run.Lanes.Lane;
import keentally.core.run.Progress;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.view.Pyramid;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.desk.look.Texts;
import keentally.study.document.Journal;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;

/**
 * The desk without its window: the study, what is looked at, and what came back from running. All methods are called on the
 * interface thread; work is done in lanes and comes back through {@code ui}.
 */
public final class DeskModel implements AutoCloseable {
    /** The id that stands for the picture itself, before the first station. */
    public static final String PICTURE = "";

    private static final int PICTURES_KEPT = 4;

    private final Executor ui;
    private final Workers workers = Workers.of(Math.max(1, Runtime.getRuntime().availableProcessors()));
    private final Runner runner = new Runner(workers, StateCache.ofUsualSize());
    private final Lanes lanes;
    private final Map<String, OpenSample> pictures = new LinkedHashMap<>();

    private Journal journal = new Journal(Study.empty());
    private long asked;

    /** Tickets below this were asked for before the last action. */
    private long dropped;

    private final ReadOnlyObjectWrapper<Study> study = new ReadOnlyObjectWrapper<>(Study.empty());
    private final ReadOnlyStringWrapper sampleId = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<Optional<OpenSample>> open = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Shown>> shown = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Run>> preview = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final StringProperty station = new SimpleStringProperty(PICTURE);
    private final ObjectProperty<Set<Integer>> selection = new SimpleObjectProperty<>(Set.of());
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");

    /**
     * @param ui runs what it is given on the interface thread, in order
     * @param onCrash told of defects
     */
    public DeskModel(Executor ui, Consumer<Throwable> onCrash) {
        this.ui = ui;
        this.lanes = new Lanes(onCrash);
    }

    public ReadOnlyObjectProperty<Study> study() {
        return study.getReadOnlyProperty();
    }

    /** The sample that is on the stage; empty where there is none. */
    public ReadOnlyStringProperty sampleId() {
        return sampleId.getReadOnlyProperty();
    }

    /** The sample on the stage, once its picture is read. */
    public ReadOnlyObjectProperty<Optional<OpenSample>> open() {
        return open.getReadOnlyProperty();
    }

    /** The last whole run that came back. */
    public ReadOnlyObjectProperty<Optional<Shown>> shown() {
        return shown.getReadOnlyProperty();
    }

    /** What a drag shows while it lasts: a run up to the dragged station. */
    public ReadOnlyObjectProperty<Optional<Run>> preview() {
        return preview.getReadOnlyProperty();
    }

    /** The id of the selected station, or {@link #PICTURE}. */
    public StringProperty station() {
        return station;
    }

    /** Selected objects, by region; they belong to the last run. */
    public ObjectProperty<Set<Integer>> selection() {
        return selection;
    }

    /** The last thing that there was to say. */
    public ReadOnlyStringProperty message() {
        return message.getReadOnlyProperty();
    }

    /** The id of the method that is used on the sample on the stage. */
    public String methodId() {
        return sample().map(SampleThing::method).orElse(Study.FIRST_METHOD);
    }

    public Method method() {
        return study.get().method(methodId());
    }

    public Optional<SampleThing> sample() {
        return study.get().sample(sampleId.get());
    }

    /** The sample's scale; empty where there is no sample or no scale. */
    public Optional<Scale> scale() {
        return sample().flatMap(SampleThing::scale);
    }

    /** The unit that lengths are shown in: the method's where it can be, else pixels. */
    public LengthUnit unit() {
        return scale().isEmpty() ? LengthUnit.PX : method().unit();
    }

    /** The last run that is known to hold a station, a drag's first; empty where the station has not been reached. */
    public Optional<Run.Station> reached(String stationId) {
        return preview.get()
                .flatMap(run -> run.station(stationId))
                .or(() -> shown.get().flatMap(s -> s.run().station(stationId)));
    }

    /** The state that a station starts from: after the last one before it that was reached, else the sample as it came. */
    public Optional<State> entering(String stationId) {
        for (int i = method().indexOf(stationId) - 1; i >= 0; i--) {
            Optional<Run.Station> before = reached(method().steps().get(i).id());
            if (before.isPresent()) {
                return before.map(Run.Station::after);
            }
        }
        return shown.get().map(s -> s.run().sample()).map(s -> State.of(s.picture(), s.field(), s.scale()));
    }

    public Work work(Cancel cancel) {
        return runner.work(cancel);
    }

    /** Does something in the lane for what can wait. */
    public void whenIdle(Lanes.Job job) {
        lanes.submit(Lane.IDLE, job);
    }

    /** Whether all that was asked for has come back. */
    public boolean quiet() {
        return lanes.quiet();
    }

    public void say(String sentence) {
        message.set(sentence);
    }

    // What a person does.

    /** Starts over with a study; undo starts over too. */
    public void begin(Study start) {
        journal = new Journal(start);
        pictures.clear();
        selection.set(Set.of());
        station.set(PICTURE);
        study.set(start);
        sampleId.set("");
        show(start.samples().isEmpty() ? "" : start.samples().getFirst());
    }

    /** Adds pictures as samples and shows the first; a file that cannot be read is said and leaves the study as it was. */
    public void addPictures(List<Path> files) {
        lanes.submit(Lane.IDLE, cancel -> {
            List<PictureFile> read = new ArrayList<>();
            List<String> faults = new ArrayList<>();
            for (Path file : files) {
                try {
                    read.add(PictureReader.read(file));
                } catch (FileFault e) {
                    faults.add(e.getMessage());
                }
            }
            List<OpenSample> ready = read.stream()
                    .map(p -> new OpenSample("", p, Pyramid.of(p.picture(), work(cancel))))
                    .toList();
            ui.execute(() -> added(ready, faults));
        });
    }

    private void added(List<OpenSample> ready, List<String> faults) {
        String first = null;
        for (OpenSample sample : ready) {
            String id = study.get().newSampleId();
            first = first == null ? id : first;
            keep(new OpenSample(id, sample.file(), sample.pyramid()));
            Path file = sample.file().file().toAbsolutePath();
            String name = file.getFileName().toString();
            act(
                    Texts.of("action.add-sample", name),
                    s -> s.with(id, new SampleThing(bare(name), file, 1, Optional.empty(), List.of(), methodId())));
        }
        if (first != null) {
            show(first);
        }
        if (!faults.isEmpty()) {
            say(String.join(" ", faults));
        }
    }

    private static String bare(String name) {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** Puts a sample on the stage. */
    public void show(String id) {
        dropped = ++asked;
        sampleId.set(id);
        if (method().indexOf(station.get()) < 0) {
            station.set(PICTURE);
        }
        selection.set(Set.of());
        preview.set(Optional.empty());
        shown.set(Optional.empty());
        if (id.isEmpty()) {
            open.set(Optional.empty());
            return;
        }
        OpenSample known = pictures.get(id);
        if (known != null) {
            open.set(Optional.of(known));
            refresh();
            return;
        }
        open.set(Optional.empty());
        SampleThing sample = study.get().sample(id).orElseThrow();
        lanes.overtake(Lane.FOLLOW, cancel -> {
            try {
                PictureFile file = PictureReader.read(sample.file(), sample.page());
                OpenSample read = new OpenSample(id, file, Pyramid.of(file.picture(), work(cancel)));
                ui.execute(() -> opened(read));
            } catch (FileFault e) {
                ui.execute(() -> say(e.getMessage()));
            }
        });
    }

    private void opened(OpenSample sample) {
        if (study.get().sample(sample.id()).isEmpty()) {
            return;
        }
        keep(sample);
        if (sampleId.get().equals(sample.id())) {
            open.set(Optional.of(sample));
            refresh();
        }
    }

    private void keep(OpenSample sample) {
        pictures.put(sample.id(), sample);
        while (pictures.size() > PICTURES_KEPT) {
            pictures.remove(pictures.keySet().iterator().next());
        }
    }

    /** Shows the sample that stands {@code by} places further in the tray. */
    public void showNext(int by) {
        List<String> order = study.get().samples();
        int next = order.indexOf(sampleId.get()) + by;
        if (next >= 0 && next < order.size()) {
            show(order.get(next));
        }
    }

    public void removeSample(String id) {
        int place = study.get().samples().indexOf(id);
        String name = study.get().sample(id).orElseThrow().name();
        act(Texts.of("action.remove-sample", name), s -> s.without(id));
        if (sampleId.get().equals(id)) {
            List<String> left = study.get().samples();
            show(left.isEmpty() ? "" : left.get(Math.min(place, left.size() - 1)));
        }
    }

    /** Uses another of the study's methods on the sample on the stage. */
    public void use(String methodId) {
        act(
                Texts.of("action.use", study.get().method(methodId).name()),
                s -> s.sample(sampleId.get())
                        .map(sample -> s.with(sampleId.get(), sample.using(methodId)))
                        .orElse(s));
    }

    /** Sets or clears the scale of the sample on the stage; the method's unit follows where that is what makes sense. */
    public void giveScale(Optional<Scale> scale) {
        act(Texts.of(scale.isPresent() ? "action.scale" : "action.no-scale"), s -> {
            Study changed = s.sample(sampleId.get())
                    .map(sample -> s.with(sampleId.get(), sample.with(scale)))
                    .orElse(s);
            Method used = changed.method(methodId());
            boolean firstScale = scale.isPresent() && !used.unit().isReal();
            return firstScale ? changed.with(methodId(), used.in(scale.get().unit())) : changed;
        });
    }

    /** Replaces the method; refused with the reason where the order of its steps cannot work. */
    public boolean change(String title, UnaryOperator<Method> how) {
        Method next = how.apply(method());
        Optional<MethodFault> refusal = next.refusal();
        if (refusal.isPresent()) {
            say(refusal.get().getMessage());
            return false;
        }
        String id = methodId();
        act(title, s -> s.with(id, next));
        return true;
    }

    /** Shows what other values would give, without keeping them. */
    public void tryOut(String stepId, Values values) {
        Method tried = method().with(stepId, values);
        Optional<Sample> sample = sampleNow();
        if (sample.isEmpty() || tried.refusal().isPresent()) {
            return;
        }
        long ticket = ++asked;
        int upTo = tried.indexOf(stepId) + 1;
        lanes.submit(Lane.PREVIEW, cancel -> {
            try {
                Run run = runner.run(tried, sample.get(), upTo, cancel, Progress.SILENT);
                ui.execute(() -> preview.set(ticket >= dropped ? Optional.of(run) : preview.get()));
            } catch (RunFault e) {
                ui.execute(() -> say(e.getMessage()));
            }
        });
        follow(tried, sample.get(), ticket, false);
    }

    /** The one door for actions: into the journal, and everything is run again. */
    private void act(String title, UnaryOperator<Study> how) {
        if (journal.act(title, how)) {
            journalMoved();
        } else {
            refresh();
        }
    }

    public Optional<String> undoable() {
        return journal.undoable();
    }

    public Optional<String> redoable() {
        return journal.redoable();
    }

    public void undo() {
        Optional<String> title = journal.undoable();
        if (journal.undo()) {
            journalMoved();
            say(Texts.of("undone", title.orElseThrow()));
        }
    }

    public void redo() {
        Optional<String> title = journal.redoable();
        if (journal.redo()) {
            journalMoved();
            say(Texts.of("redone", title.orElseThrow()));
        }
    }

    private void journalMoved() {
        Study now = journal.study();
        message.set("");
        study.set(now);
        if (!station.get().equals(PICTURE) && method().indexOf(station.get()) < 0) {
            station.set(PICTURE);
        }
        if (!sampleId.get().isEmpty() && now.sample(sampleId.get()).isEmpty()) {
            show(now.samples().isEmpty() ? "" : now.samples().getFirst());
        } else if (sampleId.get().isEmpty() && !now.samples().isEmpty()) {
            show(now.samples().getFirst());
        } else {
            refresh();
        }
    }

    /** The sample as the runner takes it, where its picture is there. */
    private Optional<Sample> sampleNow() {
        return open.get()
                .flatMap(o -> sample().map(thing -> Sample.of(
                        o.file().sha256() + "#" + o.file().page(), o.file().picture(), thing.field(), thing.scale())));
    }

    private void refresh() {
        long ticket = ++asked;
        dropped = ticket;
        sampleNow().ifPresent(sample -> follow(method(), sample, ticket, true));
    }

    private void follow(Method method, Sample sample, long ticket, boolean whole) {
        Lanes.Job job = cancel -> {
            Shown result = Shown.of(runner, method, sample, cancel);
            ui.execute(() -> came(result, ticket, whole));
        };
        if (whole) {
            lanes.overtake(Lane.FOLLOW, job);
        } else {
            lanes.submit(Lane.FOLLOW, job);
        }
    }

    private void came(Shown result, long ticket, boolean whole) {
        if (ticket < dropped) {
            return;
        }
        boolean sameObjects = shown.get()
                .flatMap(Shown::readings)
                .flatMap(r -> r.state().objects())
                .equals(result.readings().flatMap(r -> r.state().objects()));
        if (!sameObjects) {
            selection.set(Set.of());
        }
        shown.set(Optional.of(result));
        if (whole) {
            preview.set(Optional.empty());
        }
    }

    @Override
    public void close() {
        lanes.close();
        workers.close();
    }
}
