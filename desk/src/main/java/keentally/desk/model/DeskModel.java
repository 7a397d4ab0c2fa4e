package keentally.desk.model;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import keentally.core.colour.Rgb;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.picture.HoldsBuffers;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.run.Jobs;
import keentally.core.run.Lanes;
import keentally.core.run.Lanes.Lane;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.Runner;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.view.Pyramid;
import keentally.core.words.SettingWords;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.desk.look.Texts;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.document.PhaseNote;
import keentally.study.document.PictureRef;
import keentally.study.document.ReportPlan;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.method.ReferenceFiles;
import keentally.study.run.SampleRequest;
import keentally.study.run.SampleRun;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/**
 * The desk without its window: the study, what is looked at, and what came back from running. All methods are called on the
 * interface thread; work is done in lanes and comes back through {@code ui}.
 */
public final class DeskModel implements AutoCloseable {
    /** The id that stands for the picture itself, before the first station. */
    public static final String PICTURE = "";

    private final Executor ui;
    private final Workers workers = Workers.of(Math.max(1, Runtime.getRuntime().availableProcessors()));
    private final StateCache memory = StateCache.ofUsualSize();
    private final Runner runner = new Runner(workers, memory, new ReferenceFiles());
    private final Lanes lanes;
    private final Jobs jobs;
    private final PictureCautions checks;
    private final Following following;
    private int rowsSeen = 1;
    private final OpenPictures pictures = new OpenPictures(memory);

    private OpenStudy held;

    private final LeavingStudies leaving;

    private final SampleMaker maker = new SampleMaker();
    private final Captions captions = new Captions();
    private final ReadOnlyObjectWrapper<Study> study = new ReadOnlyObjectWrapper<>(StudyActions.begun());
    private final ReadOnlyObjectWrapper<OpenStudy> holding;
    private final ReadOnlyStringWrapper sampleId = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<Optional<OpenSample>> open = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final StringProperty station = new SimpleStringProperty(PICTURE);
    private final BooleanProperty numbersOpen = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Set<String>> missing = new ReadOnlyObjectWrapper<>(Set.of());
    private final BooleanProperty onlyHere = new SimpleBooleanProperty();
    private Optional<LengthUnit> preferredUnit = Optional.empty();
    private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<List<Jobs.Standing>> running = new ReadOnlyObjectWrapper<>(List.of());
    private final AtomicBoolean telling = new AtomicBoolean();

    /**
     * @param ui runs what it is given on the interface thread, in order
     * @param onCrash told of defects
     */
    public DeskModel(Executor ui, Consumer<Throwable> onCrash) {
        this.ui = ui;
        this.lanes = new Lanes(onCrash);
        this.jobs = new Jobs(onCrash, this::tellJobs);
        this.leaving = new LeavingStudies(jobs, sentence -> ui.execute(() -> say(sentence)));
        this.checks = new PictureCautions(captions);
        this.following = new Following(ui, lanes, runner, memory, checks, this::say);
        this.held = OpenStudy.unkept(study.get(), ui);
        this.holding = new ReadOnlyObjectWrapper<>(held);
    }

    /** The study on the desk with its file. */
    public ReadOnlyObjectProperty<OpenStudy> holding() {
        return holding.getReadOnlyProperty();
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
    public ReadOnlyObjectProperty<Optional<SampleRun>> shown() {
        return following.shown.getReadOnlyProperty();
    }

    /** What a drag shows while it lasts: a run up to the dragged station. */
    public ReadOnlyObjectProperty<Optional<Run>> preview() {
        return following.preview.getReadOnlyProperty();
    }

    /** The same once the stage shows it: what is said of it beside the stage need not keep the hand waiting. */
    public ReadOnlyObjectProperty<Optional<Run>> previewSeen() {
        return following.previewSeen.getReadOnlyProperty();
    }

    /** Whether the numbers of the sample stand where the selected station's panel stands else. */
    public BooleanProperty numbersOpen() {
        return numbersOpen;
    }

    /** The id of the selected station, or {@link #PICTURE}. */
    public StringProperty station() {
        return station;
    }

    /** Selected objects, by region; they belong to the last run. */
    public ObjectProperty<Set<Integer>> selection() {
        return following.selection;
    }

    /** The samples whose pictures were not where they should be. */
    public ReadOnlyObjectProperty<Set<String>> missing() {
        return missing.getReadOnlyProperty();
    }

    /** How many cautions each sample had when it was last on the stage. */
    public ReadOnlyObjectProperty<Map<String, Integer>> cautionCounts() {
        return following.cautionCounts.getReadOnlyProperty();
    }

    /** The unit that a first scale turns a method to; empty for the scale's own. */
    public void prefer(Optional<LengthUnit> unit) {
        preferredUnit = unit;
    }

    Optional<LengthUnit> preferredUnit() {
        return preferredUnit;
    }

    /** The last thing that there was to say. */
    public ReadOnlyStringProperty message() {
        return message.getReadOnlyProperty();
    }

    /**
     * The id of the method that is used on the sample on the stage; without a sample, of the study's newest, so that one that was just made
     * or opened is used on the pictures to come.
     */
    public String methodId() {
        return sample().map(SampleThing::method)
                .orElseGet(() -> study.get().methods().getLast());
    }

    /** The method that is used on the sample on the stage, with the settings that this has of its own. */
    public Method method() {
        return study.get().methodOn(sampleId.get(), methodId());
    }

    /** Whether what is changed from now on stays with the sample on the stage, and leaves its method to the others as it is. */
    public BooleanProperty onlyHere() {
        return onlyHere;
    }

    /** The settings that the sample on the stage has of its own. */
    public Departures departures() {
        return study.get().departures(sampleId.get());
    }

    /** Takes settings of the sample on the stage back: they are its method's again. */
    public void takeBack(List<Departure> which) {
        String at = sampleId.get();
        String method = methodId();
        Departures less = departures().without(which::contains);
        act(
                Texts.of(
                        "action.take-back",
                        which.size() == 1 ? SettingWords.departure(which.getFirst(), method()) : which.size()),
                s -> s.withDepartures(at, method, less));
    }

    public Optional<SampleThing> sample() {
        return study.get().sample(sampleId.get());
    }

    /** The sample's scale; empty where there is no sample or no scale. */
    public Optional<Scale> scale() {
        return sample().flatMap(SampleThing::scale);
    }

    /** How large a pixel is in the unit that numbers are shown in: the method's where it can be, else pixels. */
    public PixelSize pixelSize() {
        return PixelSize.of(method().unit(), scale());
    }

    /** The unit that lengths are shown in. */
    public LengthUnit unit() {
        return pixelSize().unit();
    }

    /** The last run that is known to hold a station, a drag's first; empty where the station has not been reached. */
    public Optional<Run.Station> reached(String stationId) {
        return preview()
                .get()
                .flatMap(run -> run.station(stationId))
                .or(() -> shown().get().flatMap(s -> s.run().station(stationId)));
    }

    /** The state that a station starts from: after the last one before it that was reached, else the sample as it came. */
    public Optional<State> entering(String stationId) {
        for (int i = method().indexOf(stationId) - 1; i >= 0; i--) {
            Optional<Run.Station> before = reached(method().steps().get(i).id());
            if (before.isPresent()) {
                return before.map(Run.Station::after);
            }
        }
        return shown().get().map(s -> s.run().sample()).map(s -> State.of(s.picture(), s.field(), s.scale()));
    }

    /** What is burnt into pictures; not on the interface thread. */
    public Captions captions() {
        return captions;
    }

    public Work work(Cancel cancel) {
        return runner.work(cancel);
    }

    /** What is seen cannot be let go of until the hold is closed; may be asked by any thread. */
    public StateCache.Hold hold(HoldsBuffers what) {
        return memory.hold(what);
    }

    /** To run alternatives beside what is on the stage. */
    public TrialRuns trials() {
        return new TrialRuns(runner, maker, held.shelf(), pictures, checks);
    }

    /**
     * Works out something that is looked at, in its turn; it may be broken off and begun again.
     *
     * @param slot what was asked for in the same slot is wanted no more
     */
    public void look(Object slot, Urgency urgency, Lanes.Task task) {
        lanes.look(slot, urgency, task);
    }

    /** What was asked for in a slot is wanted no more. */
    public void unlook(Object slot) {
        lanes.drop(slot);
    }

    /** Does something that takes long and is waited for, behind what was asked for before; listed, and can be stopped. */
    public void job(String title, Jobs.Body body) {
        jobs.start(title, body, () -> ui.execute(() -> say(Texts.of("job.stopped", title))));
    }

    /** What is being done that takes long, and what waits. */
    public ReadOnlyObjectProperty<List<Jobs.Standing>> jobs() {
        return running.getReadOnlyProperty();
    }

    /** Jobs may tell a thousand times a second; the window is told when it has time. */
    private void tellJobs() {
        if (telling.compareAndSet(false, true)) {
            ui.execute(() -> {
                telling.set(false);
                running.set(jobs.list());
            });
        }
    }

    /** Whether what is on the stage is what the method gives; what is told beside it may still come. */
    public boolean followed() {
        return lanes.quiet(Lane.FOLLOW) && lanes.quiet(Lane.PREVIEW);
    }

    /** Whether all that was asked for has come back. */
    public boolean quiet() {
        return lanes.quiet() && jobs.quiet();
    }

    /** Where an answer to what is asked now belongs. */
    public Address here() {
        return new Address(held, sampleId.get(), methodId());
    }

    /** Whether the place is still there: the same study is on the desk, with the sample in it. */
    public boolean isThere(Address place) {
        return held == place.study() && study.get().sample(place.sampleId()).isPresent();
    }

    /** @param sentence in the reader's language */
    public void say(String sentence) {
        message.set(sentence);
    }

    // What a person does.

    /** Starts over with a study in memory alone. */
    public void begin(Study start) {
        hold(OpenStudy.unkept(start, ui));
    }

    /** Opens or makes a study file and puts it on the desk; the one before is let go of. What is in the way is said. */
    public void begin(OpenStudy.Opening opening, Runnable then) {
        job(Texts.of("job.open-study"), job -> {
            try {
                OpenStudy opened = OpenStudy.open(opening, ui);
                ui.execute(() -> {
                    hold(opened);
                    opened.file().flatMap(StudyFile::remark).ifPresent(this::say);
                    then.run();
                });
            } catch (FileFault e) {
                ui.execute(() -> say(Texts.fault(e)));
            }
        });
    }

    private void hold(OpenStudy next) {
        OpenStudy before = held;
        leaving.putAway(before);
        held = next;
        pictures.clear();
        following.drop();
        missing.set(Set.of());
        following.cautionCounts.set(Map.of());
        station.set(PICTURE);
        message.set("");
        holding.set(next);
        Study start = next.study();
        sampleId.set("");
        study.set(start);
        show(start.samples().isEmpty() ? "" : start.samples().getFirst());
    }

    /** Puts a sample on the stage. */
    public void show(String id) {
        onlyHere.set(false);
        following.drop(); // first: nobody is to see the run of one sample beside the name of another
        sampleId.set(id);
        if (method().indexOf(station.get()) < 0) {
            station.set(PICTURE);
        }
        if (id.isEmpty()) {
            open.set(Optional.empty());
            return;
        }
        SampleThing sample = study.get().sample(id).orElseThrow();
        Optional<OpenSample> known = pictures.find(sample.picture());
        open.set(known);
        if (known.isPresent()) {
            refresh();
            return;
        }
        PictureShelf shelf = held.shelf();
        lanes.overtake(Lane.FOLLOW, cancel -> {
            try {
                PictureShelf.ShelfPicture taken = shelf.take(sample.picture());
                OpenSample read = new OpenSample(
                        sample.picture(),
                        taken.file(),
                        Pyramid.of(taken.file().picture(), work(cancel)),
                        taken.changed());
                ui.execute(() -> opened(id, read));
            } catch (PictureShelf.MissingPicture e) {
                ui.execute(() -> {
                    say(Texts.fault(e));
                    looked(id, sample.picture(), false);
                });
            } catch (FileFault e) {
                ui.execute(() -> say(Texts.fault(e)));
            }
        });
    }

    /** Somebody looked for the picture of a sample, for the stage or elsewhere, and found it or not. */
    public void looked(String id, PictureRef picture, boolean isThere) {
        if (isOf(id, picture) && missing.get().contains(id) == isThere) {
            Set<String> now = new HashSet<>(missing.get());
            if (isThere) {
                now.remove(id);
            } else {
                now.add(id);
            }
            missing.set(Set.copyOf(now));
        }
    }

    /** Another study, or another sample, may go by the same id by now. */
    private boolean isOf(String id, PictureRef picture) {
        return study.get().sample(id).map(s -> s.picture().equals(picture)).orElse(false);
    }

    private void opened(String id, OpenSample picture) {
        if (!isOf(id, picture.ref())) {
            return;
        }
        pictures.keep(picture);
        looked(id, picture.ref(), true);
        picture.changed().forEach(c -> say(Words.spoken(c)));
        if (sampleId.get().equals(id)) {
            open.set(Optional.of(picture));
            refresh();
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

    /** Replaces the method; refused with the reason where the order of its steps cannot work. */
    public boolean change(String title, UnaryOperator<Method> how) {
        return change(title, how, UnaryOperator.identity());
    }

    /** As {@link #change(String, UnaryOperator)}, and what else of the study goes with it, in one action. */
    public boolean change(String title, UnaryOperator<Method> how, UnaryOperator<Study> also) {
        return change(sampleId.get(), methodId(), title, how, also);
    }

    /** As {@link #change(String, UnaryOperator)}, of the method that was in use where it was asked for. */
    public boolean change(Address at, String title, UnaryOperator<Method> how) {
        return isThere(at) && change(at.sampleId(), at.methodId(), title, how, UnaryOperator.identity());
    }

    private boolean change(String on, String id, String title, UnaryOperator<Method> how, UnaryOperator<Study> also) {
        Departures own = study.get().departures(on, id);
        Method before = study.get().methodOn(on, id);
        Method next = how.apply(before);
        boolean settings = ids(before).equals(ids(next)); // stations are the method's, never one sample's
        boolean here = onlyHere.get() && on.equals(sampleId.get()) && settings;
        Departures.Change changed = own.change(study.get().method(id), next, here);
        Optional<MethodFault> refusal = next.refusal().or(changed.method()::refusal);
        if (refusal.isPresent()) {
            say(Texts.fault(refusal.get()));
            return false;
        }
        return act(
                here ? Texts.of("action.only-here", title) : title,
                s -> also.apply(s.with(id, changed.method()).withDepartures(on, id, changed.departures())));
    }

    private static List<String> ids(Method method) {
        return method.steps().stream().map(MethodStep::id).toList();
    }

    /** What is said of the phases of the method in use, by their names. */
    public Map<String, PhaseNote> phaseNotes() {
        return study.get().phaseNotes(methodId());
    }

    /** The phases that have a colour of their own, by their names. */
    public Map<String, Rgb> phaseColours() {
        Map<String, Rgb> colours = new HashMap<>();
        phaseNotes().forEach((name, note) -> note.colour().ifPresent(c -> colours.put(name, c)));
        return colours;
    }

    /** Somebody waits to see something: until it is {@link #seen}, what is less urgent rests. */
    public void hurry() {
        workers.hurry();
    }

    /** Tells that one in so many of the picture's rows is looked at; an answer to a drag may be right in these alone. */
    public void seesOneRowIn(int every) {
        rowsSeen = every;
    }

    /** What was waited for can be seen. */
    public void seen() {
        workers.calm();
        following.seen();
    }

    /** Shows what other values would give, without keeping them. */
    public void tryOut(String stepId, Values values) {
        hurry();
        Method tried = method().with(stepId, values);
        if (tried.refusal().isEmpty()) {
            onStage().ifPresent(stage -> following.tryOut(tried, tried.indexOf(stepId) + 1, rowsSeen, stage));
        }
    }

    /** Prepares what {@link #tryOut} of a step begins with, so that the first answer to a drag is as quick as the next. */
    public void makeReady(String stepId) {
        onStage().ifPresent(stage -> following.makeReady(method(), method().indexOf(stepId) + 1, stage));
    }

    /** What the report is to hold. */
    public void plan(ReportPlan plan) {
        act(Texts.of("action.report"), s -> s.with(plan));
    }

    /** The one door for actions: into the journal, and everything is run again. */
    boolean act(String title, UnaryOperator<Study> how) {
        Study next = how.apply(study.get());
        List<String> locked = study.get().brokenLocks(next);
        if (held.isReadOnly()) {
            say(Texts.of("study.read-only"));
        } else if (!locked.isEmpty()) {
            say(Texts.of("method.locked", String.join(", ", locked)));
        } else if (held.act(title, s -> next)) {
            journalMoved();
            return true;
        }
        refresh();
        return false;
    }

    public Optional<String> undoable() {
        return held.undoable();
    }

    public Optional<String> redoable() {
        return held.redoable();
    }

    public void undo() {
        Optional<String> title = held.undoable();
        if (held.undo()) {
            journalMoved();
            say(Texts.of("undone", title.orElseThrow()));
        }
    }

    public void redo() {
        Optional<String> title = held.redoable();
        if (held.redo()) {
            journalMoved();
            say(Texts.of("redone", title.orElseThrow()));
        }
    }

    private void journalMoved() {
        Study now = held.study();
        message.set("");
        study.set(now);
        if (!station.get().equals(PICTURE) && method().indexOf(station.get()) < 0) {
            station.set(PICTURE);
        }
        if (!sampleId.get().isEmpty() && now.sample(sampleId.get()).isEmpty()) {
            show(now.samples().isEmpty() ? "" : now.samples().getFirst());
        } else if (sampleId.get().isEmpty() && !now.samples().isEmpty()) {
            show(now.samples().getFirst());
        } else if (sample().isPresent() && open.get().isPresent() && !isOpen()) {
            show(sampleId.get());
        } else {
            refresh();
        }
    }

    /** Whether the picture of the sample on the stage has been read; while another is put there, the last one is still open for a moment. */
    public boolean isOpen() {
        return sample().filter(this::isOpen).isPresent();
    }

    private boolean isOpen(SampleThing sample) {
        return open.get().map(o -> o.ref().equals(sample.picture())).orElse(false);
    }

    /** What is to be run, where its picture is there. */
    private Optional<Following.OnStage> onStage() {
        if (sample().isEmpty()) {
            return Optional.empty();
        }
        SampleRequest now = SampleRequest.of(study.get(), sampleId.get(), methodId());
        Background background = background();
        return open.get()
                .map(o -> new Following.OnStage(sampleId.get(), () -> now.order(maker.sample(o, now), background)));
    }

    private Background background() {
        List<String> order = study.get().samples();
        int before = order.indexOf(sampleId.get()) - 1;
        Optional<SampleThing> other =
                before < 0 ? Optional.empty() : study.get().sample(order.get(before));
        Optional<Background.Neighbour> previous = other.flatMap(o -> pictures.find(o.picture())
                .map(p -> new Background.Neighbour(
                        o.name(),
                        p.file().key(),
                        (long) p.pyramid().width() * p.pyramid().height(),
                        o.field())));
        return new Background(open.get().map(o -> o.file().facts().quality()).orElse(OptionalInt.empty()), previous);
    }

    private void refresh() {
        onStage().ifPresent(stage -> following.follow(method(), stage));
    }

    @Override
    public void close() {
        leaving.letGoOfAll(); // before the lanes are asked to stop, which would disturb one that is being let go of
        lanes.close();
        jobs.close();
        workers.close();
        leaving.add(held);
        leaving.letGoOfAll();
    }
}
