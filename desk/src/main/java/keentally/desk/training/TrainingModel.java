package keentally.desk.training;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.classify.LinearModel;
import keentally.core.classify.Scores;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.PhaseMap;
import keentally.core.quantity.Scale;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.StateCache;
import keentally.core.setting.Reference;
import keentally.core.step.ClassifyStep;
import keentally.core.trial.Axis;
import keentally.core.view.Layer;
import keentally.core.view.Look;
import keentally.core.view.PhaseInks;
import keentally.core.view.PhasePaint;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.TrainingActions;
import keentally.desk.model.TrialRuns;
import keentally.desk.stage.ClassTool;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageTool;
import keentally.desk.station.BrushWidth;
import keentally.study.method.ModelFile;
import keentally.study.result.ScoreFiles;

/** A station that is taught by examples, without a window: every stroke begins a new course, and what it comes to is on the stage as it comes. */
public final class TrainingModel {
    private static final double LOOK = 8;

    private final DeskModel desk;
    private final StageModel stage;
    private final Executor ui;
    private Inputs inputs = new Inputs();
    private final ReadOnlyBooleanWrapper open = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Optional<TrainingActions>> of = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<News> news = new ReadOnlyObjectWrapper<>(News.NONE);
    private final ObjectProperty<String> chosen = new SimpleObjectProperty<>("");
    private final BooleanProperty rubbing = new SimpleBooleanProperty();
    private final BooleanProperty errors = new SimpleBooleanProperty();
    private final ReadOnlyBooleanWrapper learning = new ReadOnlyBooleanWrapper();
    private final ClassTool tool;
    private final BrushWidth.Memory brush = new BrushWidth.Memory();
    private final FeatureCosts costs;
    private final Newest taking;
    private final Newest importance;
    private int place = -1;
    private Optional<Course> course = Optional.empty();
    private Optional<Learned> last = Optional.empty();
    private final List<StateCache.Hold> holds = new ArrayList<>();
    private Optional<Look.Overlay> lookBefore = Optional.empty();
    private Object asked = "";

    /** @param ui runs what it is given on the interface thread, in order */
    public TrainingModel(DeskModel desk, StageModel stage, Executor ui) {
        this.desk = desk;
        this.stage = stage;
        this.ui = ui;
        this.costs = new FeatureCosts(new Newest(desk, ui, Urgency.LATER));
        this.taking = new Newest(desk, ui, Urgency.ASKED);
        this.importance = new Newest(desk, ui);
        this.tool = new ClassTool(brush::px, this::colour, this::pending, new ByMouse());
        desk.study().addListener(o -> follow());
        desk.sampleId().addListener(o -> follow());
        desk.shown().addListener(o -> follow());
        desk.holding().addListener(o -> forget());
        errors.addListener(o -> show());
    }

    /** The station that is taught; empty where the method has none. */
    ReadOnlyObjectProperty<Optional<TrainingActions>> of() {
        return of.getReadOnlyProperty();
    }

    /** How far it has come. */
    ReadOnlyObjectProperty<News> news() {
        return news.getReadOnlyProperty();
    }

    /** Whether anything is being worked out. */
    public ReadOnlyBooleanProperty isLearning() {
        return learning.getReadOnlyProperty();
    }

    /** The name of the class that is painted; empty where there is none. */
    public ObjectProperty<String> chosen() {
        return chosen;
    }

    /** Whether the brush rubs out. */
    public BooleanProperty rubbing() {
        return rubbing;
    }

    /** Whether it is shown where something was painted and taken for something else. */
    public BooleanProperty errors() {
        return errors;
    }

    DeskModel desk() {
        return desk;
    }

    /** What the mouse does while the view stands before the picture. */
    public StageTool tool() {
        return tool;
    }

    /** How wide the brush is. */
    BrushWidth.Memory brush() {
        return brush;
    }

    /** What each group of features costs for the picture on the stage. */
    FeatureCosts costs() {
        return costs;
    }

    /** The id of the station that is taught. */
    public Optional<String> station() {
        return of.get().map(TrainingActions::stepId);
    }

    /** What the station's alternatives can differ in beside its settings: how a model is learnt from what is painted; none where that is not learnt yet. */
    public List<Axis> axes(MethodStep step) {
        if (!step.description().id().equals(ClassifyStep.ID)) {
            return List.of();
        }
        TrainingActions now = new TrainingActions(desk, step.id());
        ModelText text = ModelText.of(desk.study().get());
        return last.filter(l ->
                        l.from().plan().equals(now.plan()) && l.from().strokes().equals(now.strokes()))
                .map(l -> new LearnerAxes(l, text).all())
                .orElse(List.of());
    }

    /** The station that is selected, where it learns; else the method's first that does. */
    private static Optional<String> station(DeskModel desk) {
        List<String> learning = desk.method().steps().stream()
                .filter(s -> s.description().id().equals(ClassifyStep.ID))
                .map(MethodStep::id)
                .toList();
        String selected = desk.station().get();
        return learning.contains(selected)
                ? Optional.of(selected)
                : learning.stream().findFirst();
    }

    /** Stands before the picture, or no longer. */
    public void open(boolean is) {
        if (is == open.get()) {
            return;
        }
        open.set(is);
        if (is) {
            lookBefore = Optional.of(stage.overlay().get());
            if (stage.overlay().get() == Look.Overlay.OUTLINES) {
                stage.overlay().set(Look.Overlay.TINT);
            }
        } else {
            if (stage.overlay().get() == Look.Overlay.TINT) {
                lookBefore.ifPresent(stage.overlay()::set);
            }
            stop();
            inputs = new Inputs(); // what is being worked out still has its own
            news.set(News.NONE);
            stage.taught().set(Optional.empty());
        }
        follow();
    }

    private void forget() {
        stop();
        letGo();
        inputs = new Inputs();
        last = Optional.empty();
        chosen.set("");
        follow();
    }

    private void letGo() {
        holds.forEach(StateCache.Hold::close);
        holds.clear();
    }

    private void stop() {
        course = Optional.empty();
        asked = "";
        desk.unlook(this);
        learning.set(false);
    }

    /** Everything that is looked at may have changed. */
    private void follow() {
        if (!open.get()) {
            return;
        }
        Optional<String> step = station(desk);
        Optional<String> taught = of.get().filter(a -> !a.isStale()).map(TrainingActions::stepId);
        boolean same = taught.equals(step) && of.get().isPresent() == step.isPresent();
        if (!same) {
            stop();
            of.set(step.map(s -> new TrainingActions(desk, s)));
            place = -1;
        }
        if (of.get().isEmpty() || desk.open().get().isEmpty() || desk.sample().isEmpty()) {
            stop();
            news.set(News.NONE);
            stage.taught().set(Optional.empty());
            return;
        }
        List<ClassLabel> classes = of.get().get().plan().classes();
        if (classes.stream().noneMatch(c -> c.name().equals(chosen.get()))) {
            chosen.set(classes.isEmpty() ? "" : classes.getFirst().name());
        }
        learn(of.get().get());
    }

    /** Begins anew, unless nothing that it hangs on has changed. */
    private void learn(TrainingActions actions) {
        String sample = desk.sampleId().get();
        Map<String, ClassStrokes> strokes = actions.strokes();
        TreeSet<String> ids = new TreeSet<>(strokes.keySet());
        ids.add(sample);
        Map<String, TrialRuns.Reading> readings = new HashMap<>();
        Map<String, Method> methods = new HashMap<>();
        Map<String, Scale> scales = new HashMap<>();
        TrialRuns runs = desk.trials();
        for (String id : ids) {
            readings.put(id, runs.reading(desk.study().get(), id, desk.methodId()));
            methods.put(id, desk.study().get().methodOn(id, desk.methodId()));
            desk.study().get().sample(id).flatMap(s -> s.scale()).ifPresent(s -> scales.put(id, s));
        }
        Object now = List.of(
                sample,
                actions.plan(),
                strokes,
                methods.values().stream().map(m -> before(m, actions.stepId())).toList(),
                scales,
                desk.study().get().sample(sample).map(s -> s.field()).orElse(List.of()),
                desk.open().get().orElseThrow().ref());
        if (now.equals(asked)) {
            return;
        }
        stop();
        asked = now;
        place = -1; // other places now
        tool.ring(Optional.empty());
        learning.set(true);
        course = Optional.of(new Course(
                new Course.Asked(
                        sample, actions.stepId(), actions.plan(), strokes, readings, methods, scales, runs, last),
                inputs));
        next(course.get());
    }

    /** What comes before the station; what comes behind it has no say. */
    private static Method before(Method method, String stepId) {
        return method.with(method.steps().subList(0, method.indexOf(stepId)));
    }

    private void next(Course now) {
        Optional<Viewport> view = stage.view().get();
        desk.look(this, now.urgency(), cancel -> {
            now.step(view, desk.work(cancel));
            News came = now.news();
            boolean done = now.isDone();
            ui.execute(() -> {
                if (course.filter(c -> c == now).isPresent()) {
                    came(came, done);
                    if (!done) {
                        next(now);
                    }
                }
            });
        });
    }

    private void came(News what, boolean done) {
        what.learned().ifPresent(l -> {
            if (last.filter(b -> b.from() == l.from()).isEmpty()) {
                letGo();
                l.from().pictures().forEach(p -> holds.add(desk.hold(p)));
            }
            last = Optional.of(l);
        });
        if (done && what.learned().isEmpty()) { // nothing of what is painted now
            letGo();
            last = Optional.empty();
        }
        news.set(what);
        what.under()
                .ifPresent(u ->
                        costs.turnTo(u, of.get().map(a -> a.plan().stretch()).orElse(1.0)));
        learning.set(!done);
        show();
    }

    /** What the stage shows of it. */
    private void show() {
        News now = news.get();
        if (!open.get() || now.under().isEmpty()) {
            return;
        }
        List<Layer> layers = new ArrayList<>();
        now.predicted().ifPresent(p -> layers.add(new Layer.Learnt(paint(p))));
        if (errors.get()) {
            now.wrong().ifPresent(w -> layers.add(new Layer.Wrong(w)));
        }
        now.painted().ifPresent(p -> layers.add(new Layer.Scribbles(paint(p))));
        stage.taught()
                .set(Optional.of(new StageModel.Taught(now.sample(), now.under().get(), layers)));
    }

    private static PhasePaint paint(PhaseMap map) {
        return new PhasePaint(map, PhaseInks.flat(map, Map.of()), false);
    }

    private Rgb colour() {
        return rubbing.get()
                ? ClassTool.RUBBING
                : of.get()
                        .flatMap(a -> a.plan().find(chosen.get()))
                        .map(ClassLabel::colour)
                        .orElse(ClassTool.RUBBING);
    }

    /** Strokes that are painted and not on the stage yet. */
    private List<ClassStroke.Brush> pending() {
        List<ClassStroke> all = of.get().map(a -> a.here().list()).orElse(List.of());
        int shown =
                news.get().sample().equals(desk.sampleId().get()) ? news.get().strokes() : 0;
        return all.stream()
                .skip(shown)
                .filter(ClassStroke.Brush.class::isInstance)
                .map(ClassStroke.Brush.class::cast)
                .toList();
    }

    /** What the mouse and the keys did on the stage. */
    private final class ByMouse implements ClassTool.Hand {
        @Override
        public Rgb colour(String name) {
            return of.get()
                    .flatMap(a -> a.plan().find(name))
                    .map(ClassLabel::colour)
                    .orElse(ClassTool.RUBBING);
        }

        @Override
        public void painted(List<Point> path, boolean rubs) {
            if (of.get().isEmpty()) {
                return;
            }
            if (chosen.get().isEmpty() && !rubs && !rubbing.get()) {
                desk.say(Texts.of("training.class-first"));
                return;
            }
            of.get().get().paint(new ClassStroke.Brush(path, brush.px(), rubs || rubbing.get() ? "" : chosen.get()));
        }

        @Override
        public boolean choose(int number) {
            List<ClassLabel> classes = of.get().map(a -> a.plan().classes()).orElse(List.of());
            if (number == 0) {
                rubbing.set(true);
            } else if (number <= classes.size()) {
                TrainingModel.this.choose(classes.get(number - 1).name());
            }
            return true;
        }

        @Override
        public void next(int by) {
            goNext(by);
        }
    }

    void choose(String name) {
        rubbing.set(false);
        chosen.set(name);
    }

    /** Brings the next of the places where a stroke would help most in sight, with the class that it is likeliest taken for. */
    void goNext(int by) {
        boolean isHere = news.get().sample().equals(desk.sampleId().get());
        List<News.Place> places = isHere ? news.get().next() : List.of();
        if (places.isEmpty()) {
            desk.say(Texts.of(news.get().learned().isPresent() ? "training.next.none" : "training.next.not-yet"));
            return;
        }
        place = Math.floorMod(place + by, places.size());
        News.Place at = places.get(place);
        Rectangle where = at.where();
        stage.look(new Rectangle(
                where.x() - LOOK * where.width() / 2,
                where.y() - LOOK * where.height() / 2,
                (LOOK + 1) * where.width(),
                (LOOK + 1) * where.height()));
        tool.ring(Optional.of(where));
        desk.say(Texts.of(
                "training.next.at", String.valueOf(place + 1), String.valueOf(places.size()), at.first(), at.second()));
    }

    /** Makes what was learnt the station's model, kept inside the method. @param then where that could be */
    void take(Runnable then) {
        Optional<Learned> learned = news.get().learned();
        if (learned.isEmpty() || of.get().isEmpty()) {
            desk.say(Texts.of("training.nothing"));
            return;
        }
        TrainingActions actions = of.get().get();
        ModelText text = ModelText.of(desk.study().get());
        taking.ask(work -> {
            Reference model = text.held(learned.get());
            return () -> {
                if (actions.take(model)) {
                    then.run();
                }
            };
        });
    }

    /** What writes what was learnt into a file of its own; nothing while nothing was. */
    Optional<DeskFiles.FileWriting> modelFile() {
        ModelText text = ModelText.of(desk.study().get());
        return news.get().learned().map(l -> file -> ModelFile.write(file, l.classifier(), text.provenance(l)));
    }

    /** Works out what each single feature is for; told on the interface thread. */
    void eachFeature(Scores scores, Consumer<List<Importance>> then) {
        importance.ask(work -> {
            List<Importance> found = scores.byFeature(work);
            return () -> then.accept(found);
        });
    }

    /** What writes the scores as tables; nothing while there are none. */
    Optional<DeskFiles.FileWriting> scoreFiles() {
        return news.get()
                .learned()
                .flatMap(Learned::scores)
                .map(s -> file -> ScoreFiles.write(file, s, desk.work(new Cancel())));
    }

    /** One line on what was learnt, and what was left out. */
    String told() {
        News now = news.get();
        if (!now.fault().isEmpty()) {
            return now.fault();
        }
        if (of.get().isEmpty()) {
            return Texts.of("training.no-station");
        }
        TreeSet<String> painted = new TreeSet<>();
        of.get().get().strokes().values().forEach(s -> painted.addAll(s.names()));
        if (painted.size() < 2) {
            return Texts.of(painted.isEmpty() ? "training.paint-first" : "training.paint-second");
        }
        if (now.learned().isEmpty()) {
            return Texts.of("training.learning");
        }
        Learned learned = now.learned().get();
        StringBuilder told = new StringBuilder(Texts.of(
                "training.learned", Figures.number(learned.examples().count()), Figures.fixed(learned.seconds(), 1)));
        if (now.part() < 1) {
            told.append(' ').append(Texts.of("training.asked", Figures.percent(100 * now.part())));
        }
        if (learned.missing() > 0) {
            told.append(' ')
                    .append(Texts.of(
                            "training.cut",
                            String.valueOf(learned.trees()),
                            String.valueOf(learned.trees() + learned.missing())));
        }
        if (learned.classifier().learnt() instanceof LinearModel linear && !linear.converged()) {
            told.append(' ').append(Texts.of("training.not-converged"));
        }
        return told.toString();
    }
}
