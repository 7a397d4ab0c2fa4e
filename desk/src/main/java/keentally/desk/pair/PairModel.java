package keentally.desk.pair;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Function;
import javafx.beans.Observable;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.geometry.Point;
import keentally.core.method.Method;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.StateCache;
import keentally.core.step.State;
import keentally.core.view.Layer;
import keentally.core.view.Look;
import keentally.core.view.SamePlace;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.OpenSample;
import keentally.desk.model.TrialRuns;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageState;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;

/** What stands in the second of two views, without a window. Under the first view's method it follows every drag. */
public final class PairModel {
    private final DeskModel desk;
    private final StageModel stage;
    private final StageState first;
    private final Newest newest;
    private final Function<String, Optional<Layer.Tally>> tallies;

    private final BooleanProperty open = new SimpleBooleanProperty();
    private final BooleanProperty swapped = new SimpleBooleanProperty();
    private final BooleanProperty stacked = new SimpleBooleanProperty();
    private final BooleanProperty overSecond = new SimpleBooleanProperty();
    private final ObjectProperty<Optional<String>> sample = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<String>> method = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Place> place = new SimpleObjectProperty<>(Place.PICTURE);
    private final ObjectProperty<PairLook> look = new SimpleObjectProperty<>(PairLook.OUTLINES);
    private final ObjectProperty<Set<Integer>> chosen = new SimpleObjectProperty<>(Set.of());
    private final ReadOnlyObjectWrapper<Optional<Side>> second = new ReadOnlyObjectWrapper<>(Optional.empty());

    private Optional<Outcome> outcome = Optional.empty();
    private StateCache.Hold hold = () -> {};

    /**
     * @param ui runs what it is given on the interface thread, in order
     * @param tallies what was counted by hand on a sample
     */
    public PairModel(DeskModel desk, StageModel stage, Executor ui, Function<String, Optional<Layer.Tally>> tallies) {
        second.addListener(
                (o, was, is) -> stage.beside().set(is.flatMap(s -> s.state().mask())));
        this.desk = desk;
        this.stage = stage;
        this.first = new StageState(desk, stage);
        this.newest = new Newest(desk, ui);
        this.tallies = tallies;
        for (Observable asked : List.of(open, sample, method, desk.study(), desk.sampleId(), desk.open())) {
            asked.addListener(o -> ask());
        }
        for (Observable seen : List.of(desk.shown(), desk.preview(), desk.station(), stage.atEnd(), place)) {
            seen.addListener(o -> show());
        }
        desk.preview().addListener(o -> followDrag());
        desk.holding().addListener(o -> forget());
        desk.selection().addListener(o -> chosen.set(chosenBeside()));
        second.addListener(o -> chosen.set(chosenBeside()));
    }

    /** How the second view shows its state. */
    public enum PairLook {
        BARE(Look.Overlay.BARE),
        TINT(Look.Overlay.TINT),
        OUTLINES(Look.Overlay.OUTLINES),
        FILL(Look.Overlay.FILL),
        MASK(Look.Overlay.MASK),
        /** The picture with what was counted by hand. */
        TALLY(Look.Overlay.BARE),
        /** Both views' masks: in both, in one alone, in neither. */
        FOUR_AREAS(Look.Overlay.TINT);

        private final Look.Overlay overlay;

        PairLook(Look.Overlay overlay) {
            this.overlay = overlay;
        }

        Look.Overlay overlay() {
            return overlay;
        }
    }

    /** Where in its method the second view stands. */
    public enum At {
        PICTURE,
        /** What the station that is selected began with. */
        BEFORE,
        /** Where the first view stands. */
        SAME,
        STATION,
        END
    }

    /** @param station its id where one is meant */
    public record Place(At at, String station) {
        public static final Place PICTURE = new Place(At.PICTURE, "");
        public static final Place BEFORE = new Place(At.BEFORE, "");
        public static final Place SAME = new Place(At.SAME, "");
        public static final Place END = new Place(At.END, "");
    }

    /** A run of another sample or method than the first view's. */
    private record Outcome(
            String sampleId,
            String methodId,
            Optional<Run> run,
            Optional<State> end,
            TrialRuns.TrialSample of,
            SamePlace place,
            String trouble) {}

    /** Whether the stage is parted. */
    public BooleanProperty open() {
        return open;
    }

    /** Whether the second view stands first. */
    public BooleanProperty swapped() {
        return swapped;
    }

    /** Whether the views stand one over the other. */
    public BooleanProperty stacked() {
        return stacked;
    }

    /** Whether the pointer is over the second view. */
    public BooleanProperty overSecond() {
        return overSecond;
    }

    /** The sample of the second view; empty for that of the first. */
    public ObjectProperty<Optional<String>> sample() {
        return sample;
    }

    /** The method of the second view; empty for the one that is used on its sample. */
    public ObjectProperty<Optional<String>> method() {
        return method;
    }

    public ObjectProperty<Place> place() {
        return place;
    }

    public ObjectProperty<PairLook> look() {
        return look;
    }

    /** Objects that are selected in the second view, by its own regions. */
    public ObjectProperty<Set<Integer>> chosen() {
        return chosen;
    }

    /** What is to be seen; empty while the stage is whole, or as long as it is being worked out. */
    public ReadOnlyObjectProperty<Optional<Side>> second() {
        return second.getReadOnlyProperty();
    }

    /** What the first view shows. */
    public StageState first() {
        return first;
    }

    public DeskModel desk() {
        return desk;
    }

    public StageModel stage() {
        return stage;
    }

    /** The sample in the second view, whether or not it is ready. */
    public String sampleId() {
        return sample.get()
                .filter(id -> desk.study().get().sample(id).isPresent())
                .orElse(desk.sampleId().get());
    }

    /** The method in the second view. */
    public String methodId() {
        Study study = desk.study().get();
        return method.get()
                .filter(study.methods()::contains)
                .or(() -> study.sample(sampleId()).map(SampleThing::method))
                .orElseGet(desk::methodId);
    }

    /** Whether it has the first view's sample and method. */
    boolean isOwn() {
        return sampleId().equals(desk.sampleId().get()) && methodId().equals(desk.methodId());
    }

    /** What was counted by hand on the second view's sample. */
    Optional<Layer.Tally> tally() {
        return tallies.apply(sampleId());
    }

    /** Ids of another study mean something else. */
    private void forget() {
        sample.set(Optional.empty());
        method.set(Optional.empty());
    }

    /** An undo takes a sample or a method out of the study before something else is put in its place here. */
    private boolean isThere() {
        Study study = desk.study().get();
        return study.sample(sampleId()).isPresent() && study.methods().contains(methodId());
    }

    private void ask() {
        if (!open.get() || !isThere() || isOwn()) {
            newest.drop();
            keep(Optional.empty());
            show();
            return;
        }
        String sampleId = sampleId();
        String methodId = methodId();
        Study study = desk.study().get();
        Method wanted = dragged(sampleId, methodId).orElseGet(() -> study.methodOn(sampleId, methodId));
        TrialRuns trials = desk.trials();
        TrialRuns.Reading reading = trials.reading(study, sampleId, methodId);
        Optional<State> beside = first.start();
        newest.ask(work -> {
            try {
                TrialRuns.TrialSample made = reading.ready(work.cancel());
                Outcome came = run(sampleId, methodId, wanted, trials, made, beside, work.cancel());
                return () -> {
                    trials.keep(made);
                    keep(Optional.of(came));
                    show();
                };
            } catch (FileFault e) {
                return () -> desk.say(Texts.fault(e));
            } catch (IllegalArgumentException e) {
                return () -> desk.say(Texts.fault(e));
            }
        });
    }

    /** Another sample under the same method shows what a drag would make of it, and goes back where that is given up. */
    private void followDrag() {
        if (open.get() && !isOwn() && methodId().equals(desk.methodId())) {
            ask();
        }
    }

    /** The method as a drag would leave it to the sample: what stays with the first view's sample is none of it. */
    private Optional<Method> dragged(String sampleId, String methodId) {
        Study study = desk.study().get();
        return desk.preview()
                .get()
                .filter(run -> methodId.equals(desk.methodId()))
                .map(run -> desk.departures()
                        .change(
                                study.method(methodId),
                                run.method(),
                                desk.onlyHere().get())
                        .method())
                .map(study.departures(sampleId, methodId)::on);
    }

    private static Outcome run(
            String sampleId,
            String methodId,
            Method method,
            TrialRuns trials,
            TrialRuns.TrialSample made,
            Optional<State> beside,
            Cancel cancel) {
        SamePlace place = beside.map(b -> SamePlace.of(
                        b.field(), b.scale(), made.made().field(), made.made().scale()))
                .orElse(SamePlace.ITSELF);
        try {
            Run run = trials.run(method, made.made(), Integer.MAX_VALUE, cancel);
            return new Outcome(
                    sampleId, methodId, Optional.of(run), Optional.of(trials.ending(run, cancel)), made, place, "");
        } catch (RunFault e) {
            return new Outcome(sampleId, methodId, Optional.empty(), Optional.empty(), made, place, Texts.fault(e));
        }
    }

    private void keep(Optional<Outcome> next) {
        hold.close();
        hold = next.flatMap(Outcome::run).<StateCache.Hold>map(desk::hold).orElse(() -> {});
        outcome = next;
    }

    private void show() {
        if (!open.get() || desk.open().get().isEmpty()) {
            second.set(Optional.empty());
        } else if (isOwn()) {
            second.set(own(desk.open().get().get()));
        } else {
            second.set(outcome.filter(o -> o.sampleId.equals(sampleId()) && o.methodId.equals(methodId()))
                    .map(this::other));
        }
    }

    private Optional<Side> own(OpenSample picture) {
        Optional<String> station = station(desk.method());
        Optional<State> before =
                place.get().at() == At.BEFORE ? desk.entering(desk.station().get()) : Optional.empty();
        return before.or(() -> station.isPresent() ? first.at(station.get()) : first.end())
                .or(first::start)
                .map(state -> new Side(
                        desk.sampleId().get(),
                        desk.methodId(),
                        desk.method(),
                        station,
                        state,
                        first.objects(),
                        picture,
                        SamePlace.ITSELF,
                        true,
                        ""));
    }

    private Side other(Outcome of) {
        Method wanted = desk.study().get().methodOn(of.sampleId, of.methodId);
        Optional<String> station = station(wanted);
        State start = State.of(
                of.of.made().picture(), of.of.made().field(), of.of.made().scale());
        State state = station.isPresent()
                ? of.run
                        .flatMap(r -> r.station(station.get()))
                        .map(Run.Station::after)
                        .orElse(start)
                : of.end.orElse(start);
        return new Side(
                of.sampleId,
                of.methodId,
                wanted,
                station,
                state,
                of.end.flatMap(State::objects),
                of.of.open(),
                of.place,
                false,
                of.trouble.isEmpty() ? elsewhere(station) : of.trouble);
    }

    /** Where the second method has no such station as the first view stands at, its end is shown, and that is said. */
    private String elsewhere(Optional<String> station) {
        boolean asked = place.get().at() == At.SAME && !stage.atEnd().get();
        return asked && station.isEmpty() ? Texts.of("pair.no-such-station") : "";
    }

    /** The station that the place means in a method; empty for its end. */
    private Optional<String> station(Method of) {
        String selected = desk.station().get();
        return switch (place.get().at()) {
            case PICTURE -> Optional.of(DeskModel.PICTURE);
            case END -> Optional.empty();
            case STATION ->
                Optional.of(place.get().station()).filter(s -> of.step(s).isPresent());
            case SAME ->
                stage.atEnd().get()
                        ? Optional.empty()
                        : Optional.of(selected)
                                .filter(s -> s.equals(DeskModel.PICTURE)
                                        || of.step(s).isPresent());
            case BEFORE -> {
                int index = of.indexOf(selected);
                yield Optional.of(index > 0 ? of.steps().get(index - 1).id() : DeskModel.PICTURE);
            }
        };
    }

    /** The second view's objects that lie where objects are selected in the first. */
    private Set<Integer> chosenBeside() {
        Optional<ObjectSet> here = first.objects();
        Optional<Side> side = second.get();
        if (here.isEmpty() || side.isEmpty() || side.get().objects().isEmpty()) {
            return Set.of();
        }
        if (side.get().own()) {
            return desk.selection().get();
        }
        Regions others = side.get().objects().get().regions();
        return Set.copyOf(desk.selection().get().stream()
                .filter(region -> region < here.get().regions().count())
                .map(region -> {
                    Point in = here.get().regions().inside(region);
                    Point there = side.get().place().there(in);
                    return others.at((int) Math.floor(there.x()), (int) Math.floor(there.y()));
                })
                .filter(region -> region >= 0)
                .toList());
    }

    /** Selects what lies at a place of the second view, and the same place in the first. */
    void choose(Point at) {
        Optional<Side> side = second.get();
        if (side.isEmpty()) {
            return;
        }
        Point beside = side.get().place().back().there(at);
        int here = first.objects()
                .map(o -> {
                    int region = o.regions().at((int) Math.floor(beside.x()), (int) Math.floor(beside.y()));
                    return region >= 0 && o.isKept(region) ? region : -1;
                })
                .orElse(-1);
        desk.selection().set(here < 0 ? Set.of() : Set.of(here));
        if (!side.get().own()) {
            int there = side.get()
                    .objects()
                    .map(o -> o.regions().at((int) Math.floor(at.x()), (int) Math.floor(at.y())))
                    .orElse(-1);
            chosen.set(there < 0 ? Set.of() : Set.of(there));
        }
    }

    /** The part of the second picture that is seen, where something is. @param width of its window, in pixels of the screen */
    Optional<Viewport> view(int width, int height) {
        return second.get()
                .flatMap(side -> stage.view().get().map(v -> side.place().there(v, width, height)));
    }
}
