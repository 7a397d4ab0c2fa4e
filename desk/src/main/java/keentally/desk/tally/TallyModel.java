package keentally.desk.tally;

import java.nio.file.Path;
import java.util.DoubleSummaryStatistics;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.Marks;
import keentally.core.hand.SweepCells;
import keentally.core.hand.TallyClass;
import keentally.core.picture.Field;
import keentally.core.view.Layer;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TallyActions;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageTool;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.result.MarksFile;
import keentally.study.run.SampleRun;

/** Counting by hand on the sample on the stage: who counts, in which class, how marks look, and where the sweep is. */
public final class TallyModel {
    private static final double ROOM = 1.06;

    private final DeskModel desk;
    private final StageModel stage;
    private final Executor ui;
    private final TallyActions actions;
    private final StringProperty counter = new SimpleStringProperty(Texts.of("tally.counter.first"));
    private final ObjectProperty<Optional<String>> kind = new SimpleObjectProperty<>(Optional.empty());
    private final IntegerProperty radius = new SimpleIntegerProperty(6);
    private final DoubleProperty strength = new SimpleDoubleProperty(1);
    private final BooleanProperty seen = new SimpleBooleanProperty(true);
    private final BooleanProperty found = new SimpleBooleanProperty();
    private final BooleanProperty open = new SimpleBooleanProperty();
    private final ObjectProperty<Optional<SweepCells>> sweep = new SimpleObjectProperty<>(Optional.empty());
    private final IntegerProperty cell = new SimpleIntegerProperty(-1);
    private final Set<Integer> visited = new HashSet<>();
    private final ObjectProperty<List<Point>> called = new SimpleObjectProperty<>(List.of());

    /** @param ui runs what it is given on the interface thread, in order */
    public TallyModel(DeskModel desk, StageModel stage, Executor ui) {
        this.desk = desk;
        this.stage = stage;
        this.ui = ui;
        this.actions = new TallyActions(desk);
        desk.study().addListener(o -> {
            checkKind();
            show();
        });
        desk.sampleId().addListener(o -> {
            endSweep();
            called.set(List.of());
            show();
        });
        desk.holding().addListener(o -> counter.set(knownCounter()));
        counter.addListener(o -> {
            endSweep();
            show();
        });
        radius.addListener(o -> show());
        strength.addListener(o -> show());
        seen.addListener(o -> show());
        called.addListener(o -> show());
        open.addListener(o -> show());
        found.addListener(o -> show());
    }

    /** Who counts now. */
    public StringProperty counter() {
        return counter;
    }

    /** The id of the class that is counted now. */
    public ObjectProperty<Optional<String>> kind() {
        return kind;
    }

    /** Of a mark, in pixels of the window. */
    public IntegerProperty radius() {
        return radius;
    }

    /** 0 for marks that are not to be seen, 1 for such that hide what is below. */
    public DoubleProperty strength() {
        return strength;
    }

    public BooleanProperty seen() {
        return seen;
    }

    /** Whether the objects that the method found are shown below the marks; else the picture alone. */
    public BooleanProperty found() {
        return found;
    }

    /** Whether the view stands before the picture. */
    public BooleanProperty open() {
        return open;
    }

    /** The cells of the sweep, while there is one. */
    public ObjectProperty<Optional<SweepCells>> sweep() {
        return sweep;
    }

    /** Which of them is looked at; −1 for none. */
    public IntegerProperty cell() {
        return cell;
    }

    public TallyActions actions() {
        return actions;
    }

    /** What the mouse does while the view stands before the picture. */
    public StageTool tool() {
        return new TallyTool(this);
    }

    public DeskModel desk() {
        return desk;
    }

    public List<TallyClass> classes() {
        return desk.study().get().classes();
    }

    public Marks marks() {
        return actions.marks(counter.get());
    }

    /** Other counters of this sample. */
    public List<String> others() {
        return desk.study().get().tallies(desk.sampleId().get()).keySet().stream()
                .filter(c -> !c.equals(counter.get()))
                .toList();
    }

    private void checkKind() {
        List<TallyClass> classes = classes();
        boolean there = kind.get()
                .filter(k -> classes.stream().anyMatch(c -> c.id().equals(k)))
                .isPresent();
        if (!there) {
            kind.set(classes.stream().findFirst().map(TallyClass::id));
        }
    }

    /** Whoever counted in the study before, the first by name; else a first counter. */
    private String knownCounter() {
        Study study = desk.holding().get().study();
        return study.samples().stream()
                .flatMap(id -> study.tallies(id).keySet().stream())
                .sorted()
                .findFirst()
                .orElse(Texts.of("tally.counter.first"));
    }

    /** The class that is counted now. */
    public Optional<TallyClass> chosen() {
        return kind.get()
                .flatMap(k -> classes().stream().filter(c -> c.id().equals(k)).findFirst());
    }

    /** Counts by a number key, from 1; whether there is such a class. */
    boolean choose(int number) {
        List<TallyClass> classes = classes();
        if (number < 1 || number > classes.size()) {
            return false;
        }
        kind.set(Optional.of(classes.get(number - 1).id()));
        return true;
    }

    /** Counts what lies at a place; whoever has no class yet counts in one without a name of its own. */
    void place(Point at) {
        Optional<Field> field = field();
        if (field.isEmpty()) {
            return;
        }
        if (!isIn(field.get(), at)) {
            desk.say(Texts.of("tally.outside"));
            return;
        }
        if (chosen().isEmpty()) {
            kind.set(Optional.of(actions.add(Texts.of("tally.class.first")).id()));
        }
        actions.place(counter.get(), chosen().orElseThrow(), rounded(at));
    }

    private static boolean isIn(Field field, Point at) {
        return field.contains((int) Math.floor(at.x()), (int) Math.floor(at.y()));
    }

    /** How many marks lie outside the field, which may have been made smaller since. */
    int outside() {
        return field().map(f -> (int)
                        marks().list().stream().filter(m -> !isIn(f, m.at())).count())
                .orElse(0);
    }

    void move(int index, Point to) {
        actions.move(counter.get(), index, rounded(to));
    }

    /** To hundredths of a pixel: more is no hand's. */
    private static Point rounded(Point at) {
        return new Point(Math.rint(at.x() * 100) / 100, Math.rint(at.y() * 100) / 100);
    }

    void remove(int index) {
        actions.remove(counter.get(), index);
    }

    void removeLast() {
        int n = marks().list().size();
        if (n > 0) {
            actions.remove(counter.get(), n - 1);
        }
    }

    private Optional<Field> field() {
        return desk.shown().get().map(s -> s.run().sample().field());
    }

    /** Goes through the field cell by cell, beginning with the first. @param side of a cell, in pixels */
    public void beginSweep(double side) {
        Optional<Field> field = field();
        if (field.isEmpty()) {
            return;
        }
        try {
            sweep.set(Optional.of(SweepCells.of(field.get(), side)));
            visited.clear();
            go(0);
        } catch (IllegalArgumentException e) {
            desk.say(Texts.complaint(e.getMessage()));
        }
    }

    public void endSweep() {
        sweep.set(Optional.empty());
        cell.set(-1);
    }

    /** To the next cell, or the one before; the one that is left counts as looked at. */
    public void step(int by) {
        sweep.get().ifPresent(s -> {
            int next = cell.get() + by;
            if (cell.get() >= 0) {
                visited.add(cell.get());
            }
            if (next >= s.cells().size()) {
                desk.say(Texts.of("tally.sweep.done", String.valueOf(s.cells().size())));
                cell.set(s.cells().size() - 1);
                show();
            } else {
                go(Math.max(0, next));
            }
        });
    }

    private void go(int index) {
        cell.set(index);
        Rectangle c = sweep.get().orElseThrow().cells().get(index);
        look(c);
        show();
    }

    /** The cells that this sweep has looked at. */
    public Set<Integer> visited() {
        return visited;
    }

    /** Brings a part of the picture in sight, with a little room about it. */
    private void look(Rectangle part) {
        double right = part.width() * (ROOM - 1);
        double below = part.height() * (ROOM - 1);
        stage.look(
                new Rectangle(part.x() - right / 2, part.y() - below / 2, part.width() + right, part.height() + below));
    }

    /** Calls places out, and brings all of them in sight. @param around how much of the picture is to be seen about them, in pixels */
    void call(List<Point> places, double around) {
        called.set(places);
        if (!places.isEmpty()) {
            DoubleSummaryStatistics x = places.stream().mapToDouble(Point::x).summaryStatistics();
            DoubleSummaryStatistics y = places.stream().mapToDouble(Point::y).summaryStatistics();
            look(new Rectangle(
                    x.getMin() - around,
                    y.getMin() - around,
                    x.getMax() - x.getMin() + 2 * around,
                    y.getMax() - y.getMin() + 2 * around));
        }
    }

    private void show() {
        boolean there = open.get() && !desk.sampleId().get().isEmpty();
        stage.plain().set(there && !found.get());
        stage.tally()
                .set(
                        there && seen.get()
                                ? Optional.of(
                                        new Layer.Tally(marks(), classes(), radius.get(), strength.get(), called.get()))
                                : Optional.empty());
    }

    /** What is counted on a sample by whoever counts now, as it is to be shown. */
    public Layer.Tally layer(String sampleId) {
        Marks of = desk.study().get().tallies(sampleId).getOrDefault(counter.get(), Marks.NONE);
        return new Layer.Tally(of, classes(), radius.get(), strength.get(), List.of());
    }

    /** Takes in marks from a file; those outside the picture are named and left out. */
    public void read(Path file) {
        Address here = desk.here();
        String who = counter.get();
        Optional<Field> field = field();
        if (here.sampleId().isEmpty() || field.isEmpty()) {
            return;
        }
        desk.job(Texts.of("job.open-method", file.getFileName()), job -> {
            try {
                List<MarksFile.Entry> all = MarksFile.read(file);
                List<MarksFile.Entry> inside = all.stream()
                        .filter(e -> e.at().x() >= 0
                                && e.at().y() >= 0
                                && e.at().x() < field.get().width()
                                && e.at().y() < field.get().height())
                        .toList();
                ui.execute(() -> bring(here, inside, all.size() - inside.size(), who));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    private void bring(Address here, List<MarksFile.Entry> inside, int left, String who) {
        try {
            int fresh = actions.bring(here, inside, who, Texts.of("tally.class.first"));
            desk.say(Texts.of(
                    "tally.brought",
                    Figures.number(fresh),
                    Figures.number(inside.size() - fresh),
                    Figures.number(left)));
        } catch (IllegalArgumentException e) {
            desk.say(Texts.complaint(e.getMessage()));
        }
    }

    /** The run whose objects the count is held against. */
    Optional<SampleRun> run() {
        return desk.shown().get();
    }

    Executor ui() {
        return ui;
    }
}
