package keentally.desk.pair;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import javafx.beans.Observable;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.agree.ObjectFates;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.method.MethodDifference;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.step.State;
import keentally.core.trial.Comparison;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.pair.PairModel.PairLook;
import keentally.desk.pair.PairModel.Place;
import keentally.study.document.Study;

/** What the two views differ in, and every object that became another one to be gone to. */
public final class ComparisonModel {
    private static final double AROUND = 3;

    /** Of what is brought in sight, in pixels: the smallest thing is not blown up without bounds. */
    private static final double LEAST_SIDE = 20;

    /** What can become of an object. */
    public enum Fate {
        PARTED,
        JOINED,
        GONE,
        NEW
    }

    private final PairModel pair;
    private final DeskModel desk;
    private final Newest newest;
    private final BooleanProperty active = new SimpleBooleanProperty();
    private final ObjectProperty<Fate> fate = new SimpleObjectProperty<>(Fate.PARTED);
    private final IntegerProperty at = new SimpleIntegerProperty(-1);
    private final ReadOnlyObjectWrapper<Optional<Comparison>> outcome = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** @param ui runs what it is given on the interface thread, in order */
    public ComparisonModel(PairModel pair, Executor ui) {
        this.pair = pair;
        this.desk = pair.desk();
        this.newest = new Newest(desk, ui);
        for (Observable seen : List.of(
                active,
                pair.second(),
                desk.shown(),
                desk.preview(),
                desk.station(),
                pair.stage().atEnd())) {
            seen.addListener(o -> ask());
        }
        fate.addListener(o -> at.set(-1));
    }

    /** Whether it is looked at. */
    public BooleanProperty active() {
        return active;
    }

    public ObjectProperty<Fate> fate() {
        return fate;
    }

    /** Which object of that fate is gone to; −1 for none. */
    public IntegerProperty at() {
        return at;
    }

    /** Empty where there are not two views, or while it is worked out for the first time. */
    public ReadOnlyObjectProperty<Optional<Comparison>> outcome() {
        return outcome.getReadOnlyProperty();
    }

    PairModel pair() {
        return pair;
    }

    /**
     * Opens the second view where there is none, and turns it to where it can be compared: in another method of the study where there is
     * one, at the same station.
     */
    public void begin() {
        boolean fresh = !pair.open().get() || pair.place().get().at() == PairModel.At.PICTURE;
        pair.open().set(true);
        if (!fresh) {
            return;
        }
        pair.place().set(Place.SAME);
        pair.look().set(PairLook.FOUR_AREAS);
        if (pair.isOwn()) {
            likest().ifPresent(m -> pair.method().set(Optional.of(m)));
        }
    }

    /** What was made of this very sample before, else the method that differs least; one that needs hand work elsewhere is none. */
    private Optional<String> likest() {
        Study study = desk.study().get();
        String sample = desk.sampleId().get();
        return study.methods().stream()
                .filter(m -> !m.equals(desk.methodId()))
                .filter(m -> study.method(m).givesObjects())
                .filter(m -> study.method(m).byHand().isEmpty()
                        || !study.hand(sample, m).isEmpty())
                .min(Comparator.comparing((String m) -> study.hand(sample, m).isEmpty())
                        .thenComparing(m -> MethodDifference.between(desk.method(), study.method(m))
                                .size()));
    }

    /** The differences of the two methods, in the order of the second's steps. */
    List<MethodDifference> differences() {
        return pair.second()
                .get()
                .map(side -> MethodDifference.between(desk.method(), side.method()))
                .orElse(List.of());
    }

    private void ask() {
        Optional<State> first = pair.first().now();
        Optional<Side> second = pair.second().get();
        if (!active.get() || first.isEmpty() || second.isEmpty()) {
            newest.drop();
            outcome.set(Optional.empty());
            return;
        }
        State other = second.get().state();
        newest.ask(work -> {
            Comparison made = Comparison.of(first.get(), other, work);
            return () -> {
                outcome.set(Optional.of(made));
                at.set(Math.min(at.get(), places().size() - 1));
            };
        });
    }

    /** How many objects have a fate. */
    int count(Fate of) {
        return fates().map(f -> regions(f, of).size()).orElse(0);
    }

    private Optional<ObjectFates> fates() {
        return outcome.get().flatMap(Comparison::objects);
    }

    /** Those of the first, but new and joined ones of the second. */
    private static Set<Integer> regions(ObjectFates of, Fate fate) {
        return switch (fate) {
            case PARTED -> of.parted();
            case JOINED -> of.joined();
            case GONE -> of.gone();
            case NEW -> of.fresh();
        };
    }

    private List<Integer> places() {
        return fates().map(f -> regions(f, fate.get()).stream().sorted().toList())
                .orElse(List.of());
    }

    /** Goes to the next object of the fate, or the one before, round and round. */
    public void step(int by) {
        List<Integer> all = places();
        if (all.isEmpty()) {
            return;
        }
        int next = at.get() < 0 ? (by > 0 ? 0 : all.size() - 1) : Math.floorMod(at.get() + by, all.size());
        at.set(next);
        Comparison now = outcome.get().orElseThrow();
        boolean ofFirst = fate.get() == Fate.PARTED || fate.get() == Fate.GONE;
        ObjectSet objects = (ofFirst ? now.first() : now.second())
                .flatMap(Comparison.Cover::objects)
                .orElseThrow();
        int region = all.get(next);
        look(objects.regions(), region, ofFirst);
        mark(objects.regions(), region, ofFirst);
    }

    /** Both views mark what lies there, as far as the objects at the methods' ends tell it. */
    private void mark(Regions of, int region, boolean ofFirst) {
        Point inside = of.inside(region);
        pair.second().get().ifPresent(side -> pair.choose(ofFirst ? side.place().there(inside) : inside));
    }

    private void look(Regions of, int region, boolean ofFirst) {
        Regions.Box box = of.box(region);
        Point middle = new Point((box.left() + box.right()) / 2.0, (box.top() + box.bottom()) / 2.0);
        Point here = ofFirst
                ? middle
                : pair.second().get().map(s -> s.place().back().there(middle)).orElse(middle);
        double width = AROUND * Math.max(LEAST_SIDE, box.width());
        double height = AROUND * Math.max(LEAST_SIDE, box.height());
        pair.stage().look(new Rectangle(here.x() - width / 2, here.y() - height / 2, width, height));
    }
}
