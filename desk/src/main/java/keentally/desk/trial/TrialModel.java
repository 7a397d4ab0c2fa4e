package keentally.desk.trial;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Executor;
import java.util.function.Function;
import java.util.stream.IntStream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.StateCache;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.step.State;
import keentally.core.trial.Axes;
import keentally.core.trial.Axis;
import keentally.core.trial.Outcomes;
import keentally.core.trial.Variant;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;

/**
 * Alternatives of one station and what they give, without a window. Tiles fill in one after another, nearest to the current choice first;
 * a new question stops the one before.
 */
public final class TrialModel {
    private static final int MOST_TILES = 120;

    private final DeskModel desk;
    private final Executor ui;
    private final Function<MethodStep, List<Axis>> more;
    private final ObjectProperty<Request> wish = new SimpleObjectProperty<>();
    private final ReadOnlyObjectWrapper<List<Tile>> tiles = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<String> complaint = new ReadOnlyObjectWrapper<>("");
    private int ownAt;
    private final ObjectProperty<Number> number = new SimpleObjectProperty<>(Number.SHARE);
    private final ObjectProperty<Optional<Integer>> chosen = new SimpleObjectProperty<>(Optional.empty());
    private boolean isLearning;
    private String methodId = "";
    private String stepId = "";
    private List<Axis> axes = List.of();
    private Cancel running = new Cancel();
    private int waiting;

    /** What the tiles show cannot be let go of while they stand there. */
    private final List<StateCache.Hold> holds = new ArrayList<>();

    /** @param ui runs what it is given on the interface thread, in order */
    public TrialModel(DeskModel desk, Executor ui) {
        this(desk, ui, step -> List.of());
    }

    /** @param more axes of a step that its settings do not tell of */
    TrialModel(DeskModel desk, Executor ui, Function<MethodStep, List<Axis>> more) {
        this.desk = desk;
        this.ui = ui;
        this.more = more;
    }

    /** What tiles are told by and sorted by. */
    public enum Number {
        /** How well what was learnt for a tile does where nothing was learnt. */
        SCORE,
        SHARE,
        EXPLAINED,
        COUNT,
        /** One of the numbers of the sample that the method asks for. */
        OWN,
        DIFFERS
    }

    /**
     * A number that tiles can be told by.
     *
     * @param own which of the numbers of the sample, from 0; 0 for all else
     */
    public record Told(Number which, int own) {}

    /** Those that the method in use can have, in their order. */
    public List<Told> numbers() {
        return Arrays.stream(Number.values())
                .filter(n -> n != Number.SCORE || isLearning)
                .flatMap(n -> IntStream.range(
                                0, n == Number.OWN ? desk.method().numbers().size() : 1)
                        .mapToObj(i -> new Told(n, i)))
                .toList();
    }

    /** The one that tiles are told by. */
    public Told told() {
        return new Told(number.get(), number.get() == Number.OWN ? ownAt : 0);
    }

    /** What a number is called. */
    public String name(Told told) {
        return told.which() == Number.OWN
                        && told.own() < desk.method().numbers().size()
                ? desk.method().numbers().get(told.own()).name()
                : Texts.of("trial.number." + ChoiceSetting.word(told.which()));
    }

    /** What a number is called. */
    public String name(Number which) {
        return name(new Told(which, which == Number.OWN ? ownAt : 0));
    }

    /**
     * The numbers of a sample.
     *
     * @param at the one that is told
     */
    public record Owns(List<Double> values, int at) {
        static final Owns NONE = new Owns(List.of(), 0);

        public Owns {
            values = List.copyOf(values);
        }

        double told() {
            return at < values.size() ? values.get(at) : Double.NaN;
        }
    }

    /**
     * What is to be tried.
     *
     * @param second another axis that is varied too
     * @param samples ids, at least one; each a row
     * @param sorted whether tiles stand by their number, else as they were asked for
     */
    public record Request(
            Axis first,
            String firstText,
            Optional<Axis> second,
            String secondText,
            List<String> samples,
            boolean sorted) {
        public Request {
            samples = List.copyOf(samples);
        }
    }

    /**
     * One alternative on one sample.
     *
     * @param differs per cent of the field that is otherwise than with the current choice
     * @param own the numbers of the sample; none where there are none, or it is not done
     * @param fault why it cannot be done; empty where it can, or is not done yet
     * @param ready the sample with its picture
     * @param changed which objects are otherwise than with the current choice, where objects are told apart
     */
    public record Tile(
            String sample,
            Variant variant,
            boolean current,
            Optional<TrialRuns.TrialSample> ready,
            Optional<Outcomes> outcome,
            double differs,
            Owns own,
            Optional<ChangedObjects> changed,
            String fault) {

        public String label() {
            return variant.label();
        }

        public Values values() {
            return variant.values();
        }

        public OptionalDouble at() {
            return variant.at();
        }

        /** The picture alone, as the sheet begins with it. */
        Tile plain() {
            return new Tile(
                    sample,
                    new Variant(Texts.of("trial.plain"), variant.values(), OptionalDouble.empty()),
                    false,
                    ready,
                    Optional.empty(),
                    Double.NaN,
                    Owns.NONE,
                    Optional.empty(),
                    "");
        }

        /** One of its numbers; not-a-number where it has none. */
        public double number(Number which) {
            return outcome.map(o -> switch (which) {
                        case SCORE -> variant.score().orElse(Double.NaN);
                        case SHARE -> o.share();
                        case EXPLAINED -> o.explained();
                        case COUNT -> o.count().orElse(Double.NaN);
                        case OWN -> own.told();
                        case DIFFERS -> differs;
                    })
                    .orElse(Double.NaN);
        }

        private Tile came(
                Variant made,
                Optional<TrialRuns.TrialSample> with,
                Outcomes what,
                Owns numbers,
                Optional<Outcomes> now) {
            return new Tile(
                    sample,
                    made,
                    current,
                    with,
                    Optional.of(what),
                    now.map(what::differs).orElse(Double.NaN),
                    numbers,
                    current ? Optional.empty() : now.flatMap(n -> ChangedObjects.of(n, what)),
                    "");
        }

        private Tile failed(Optional<TrialRuns.TrialSample> with, String why) {
            return new Tile(
                    sample, variant, current, with, Optional.empty(), Double.NaN, Owns.NONE, Optional.empty(), why);
        }
    }

    private static Tile telling(Tile tile, int own) {
        return new Tile(
                tile.sample(),
                tile.variant(),
                tile.current(),
                tile.ready(),
                tile.outcome(),
                tile.differs(),
                new Owns(tile.own().values(), own),
                tile.changed(),
                tile.fault());
    }

    public ReadOnlyObjectProperty<List<Tile>> tiles() {
        return tiles.getReadOnlyProperty();
    }

    /** What is wrong with what was asked for; empty where nothing is. */
    public ReadOnlyObjectProperty<String> complaint() {
        return complaint.getReadOnlyProperty();
    }

    public ObjectProperty<Number> number() {
        return number;
    }

    /** The tile that a key would take. */
    public ObjectProperty<Optional<Integer>> chosen() {
        return chosen;
    }

    public ReadOnlyObjectProperty<Request> wish() {
        return wish;
    }

    public List<Axis> axes() {
        return axes;
    }

    public boolean isRunning() {
        return waiting > 0;
    }

    public String stepId() {
        return stepId;
    }

    /** Turns to the selected station and tries its first axis; says why where that cannot be. */
    public void open(Runnable then) {
        Optional<MethodStep> step = desk.method().step(desk.station().get());
        if (step.isEmpty() || desk.open().get().isEmpty()) {
            desk.say(Texts.of("trial.no-station"));
            return;
        }
        MethodStep of = step.get();
        List<Axis> beside = more.apply(of);
        Optional<State> entering =
                of.description().setting("cut").isPresent() ? desk.entering(of.id()) : Optional.empty();
        desk.look(this, Urgency.ASKED, cancel -> {
            Optional<Histogram> histogram = entering.flatMap(s -> s.histogram(desk.work(cancel)));
            List<Axis> found = new ArrayList<>(beside);
            found.addAll(Axes.of(of, histogram));
            ui.execute(() -> opened(of, found, beside, then));
        });
    }

    private void opened(MethodStep of, List<Axis> found, List<Axis> beside, Runnable then) {
        if (found.isEmpty()) {
            desk.say(Texts.of("trial.no-axis", Words.title(of.description())));
            return;
        }
        methodId = desk.methodId();
        stepId = of.id();
        axes = found;
        isLearning = !beside.isEmpty();
        number.set(
                switch (of.gives()) {
                    case PHASES -> Number.EXPLAINED;
                    case OBJECTS -> Number.COUNT;
                    case PICTURE, MASK -> Number.SHARE;
                });
        Optional<Axes.Pair> pair = Axes.pair(of, axes);
        Axis first = pair.map(Axes.Pair::first).orElse(axes.getFirst());
        if (beside.contains(first)) {
            number.set(Number.SCORE);
        }
        ask(new Request(
                first,
                first.usual(),
                pair.map(Axes.Pair::second),
                pair.map(p -> p.second().usual()).orElse(""),
                List.of(desk.sampleId().get()),
                first.usual().equals(Axes.ALL)));
        then.run();
    }

    public Optional<MethodStep> step() {
        return desk.methodId().equals(methodId) ? desk.method().step(stepId) : Optional.empty();
    }

    /** Lets go of all that the tiles hold. */
    public void close() {
        stop();
        tiles.set(List.of());
        letGo();
    }

    private void letGo() {
        holds.forEach(StateCache.Hold::close);
        holds.clear();
    }

    /** Tries something else. Returns whether it could be understood. */
    public boolean ask(Request other) {
        stop();
        letGo();
        wish.set(other);
        if (step().isEmpty()) {
            return false;
        }
        try {
            tiles.set(laidOut(other, step().get().values()));
            complaint.set("");
        } catch (IllegalArgumentException e) {
            complaint.set(Texts.complaint(e.getMessage()));
            return false;
        }
        chosen.set(Optional.of(currentTile()));
        run();
        return true;
    }

    private int currentTile() {
        List<Tile> all = tiles.get();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).current()) {
                return i;
            }
        }
        return 0;
    }

    private List<Tile> laidOut(Request asked, Values now) {
        List<Tile> laid = new ArrayList<>();
        for (String sample : asked.samples()) {
            for (Variant a : asked.first().variants(asked.firstText(), now)) {
                if (asked.second().isEmpty()) {
                    laid.add(tile(sample, a, now));
                    continue;
                }
                for (Variant b : asked.second().get().variants(asked.secondText(), a.values())) {
                    laid.add(tile(sample, Variant.both(a, b), now));
                }
            }
        }
        if (laid.isEmpty() || laid.size() > MOST_TILES) {
            throw new IllegalArgumentException(
                    "from 1 to " + MOST_TILES + " tiles fit on a sheet, but this asks for " + laid.size());
        }
        return laid;
    }

    private Tile tile(String sample, Variant variant, Values now) {
        var settings = step().orElseThrow().description().settings();
        boolean current =
                variant.making().isEmpty() && variant.values().tree(settings).equals(now.tree(settings));
        return new Tile(
                sample,
                variant,
                current,
                Optional.empty(),
                Optional.empty(),
                Double.NaN,
                Owns.NONE,
                Optional.empty(),
                "");
    }

    private void run() {
        Cancel cancel = new Cancel();
        running = cancel;
        Map<String, Method> methods = new HashMap<>();
        TrialRuns trials = desk.trials();
        Map<String, TrialRuns.Reading> readings = new HashMap<>();
        for (Tile tile : tiles.get()) {
            methods.computeIfAbsent(tile.sample(), s -> desk.study().get().methodOn(s, desk.methodId()));
            readings.computeIfAbsent(
                    tile.sample(), s -> trials.reading(desk.study().get(), s, desk.methodId()));
        }
        Bench bench = new Bench(methods, stepId, trials, readings, new HashMap<>(), new HashMap<>(), ownAt);
        waiting = tiles.get().size();
        next(order().stream().map(tiles.get()::get).iterator(), bench, cancel);
    }

    /** One tile at a time, so that what is ready is painted before the next; painting breaks it off, and it goes on after that. */
    private void next(Iterator<Tile> left, Bench bench, Cancel cancel) {
        if (cancel.asked() || !left.hasNext()) {
            return;
        }
        Tile tile = left.next();
        desk.look(this, Urgency.BESIDE, turn -> {
            boolean made = tile.variant().making().isPresent(); // what is learnt for it is not begun again
            Tile done = bench.done(tile, made ? cancel : turn);
            ui.execute(() -> {
                came(tile, done, cancel);
                next(left, bench, cancel);
            });
        });
    }

    /** Nearest to the current choice first. */
    private List<Integer> order() {
        int current = currentTile();
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < tiles.get().size(); i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingInt(i -> Math.abs(i - current)));
        return order;
    }

    private void came(Tile was, Tile is, Cancel of) {
        if (of.asked()) {
            return;
        }
        waiting--;
        is.outcome().ifPresent(o -> holds.add(desk.hold(o.state())));
        is.changed().ifPresent(c -> holds.add(desk.hold(c)));
        Optional<Tile> keep = chosen.get().map(i -> tiles.get().get(i));
        List<Tile> now = new ArrayList<>(tiles.get());
        now.replaceAll(t -> t == was ? is : t);
        if (wish.get().sorted() && waiting == 0) {
            sort(now);
        }
        tiles.set(List.copyOf(now));
        Tile chosenNow = keep.map(t -> t == was ? is : t).orElse(is);
        chosen.set(Optional.of(Math.max(0, now.indexOf(chosenNow))));
    }

    private void sort(List<Tile> all) {
        Number by = number.get();
        all.sort(Comparator.comparingInt((Tile t) -> wish.get().samples().indexOf(t.sample()))
                .thenComparing(t -> Double.isNaN(t.number(by)) ? Double.POSITIVE_INFINITY : t.number(by)));
    }

    /** Tells what is there by a number, and sorts it by that. */
    public void sortBy(Number by) {
        sortBy(new Told(by, 0));
    }

    /** Tells what is there by a number, and sorts it by that. */
    public void sortBy(Told by) {
        ownAt = by.which() == Number.OWN ? by.own() : ownAt;
        List<Tile> now =
                new ArrayList<>(tiles.get().stream().map(t -> telling(t, ownAt)).toList());
        Optional<Tile> keep = chosen.get().map(now::get);
        number.set(by.which());
        if (wish.get().sorted()) {
            sort(now);
        }
        tiles.set(List.copyOf(now));
        chosen.set(keep.map(now::indexOf));
    }

    /** Leaves what is not done yet undone. */
    public void stop() {
        running.ask();
        desk.unlook(this);
        waiting = 0;
    }

    /** Makes a tile's values the station's. */
    public boolean take(Tile tile) {
        stop();
        return step().isPresent()
                && desk.change(
                        Texts.of("action.trial", Words.title(step().get().description()), tile.label()),
                        m -> m.with(stepId, tile.values()));
    }

    /** What runs tiles, one after another, away from the interface thread. */
    private record Bench(
            Map<String, Method> methods,
            String stepId,
            TrialRuns trials,
            Map<String, TrialRuns.Reading> readings,
            Map<String, TrialRuns.TrialSample> ready,
            Map<String, Optional<Outcomes>> current,
            int ownAt) {

        Tile done(Tile tile, Cancel cancel) {
            Optional<TrialRuns.TrialSample> there = Optional.empty();
            try {
                if (!ready.containsKey(tile.sample())) {
                    ready.put(tile.sample(), readings.get(tile.sample()).ready(cancel));
                }
                there = Optional.of(ready.get(tile.sample()));
                Optional<Outcomes> now =
                        current.computeIfAbsent(tile.sample(), s -> current(methods.get(s), ready.get(s), cancel));
                Variant made = tile.variant().made(trials.work(cancel));
                Method with = methods.get(tile.sample()).with(stepId, made.values());
                Outcomes tried = tried(with, there.get(), cancel);
                return tile.came(made, there, tried, new Owns(own(with, there.get(), cancel), ownAt), now);
            } catch (RunFault | FileFault e) {
                return tile.failed(there, Texts.fault(e));
            } catch (IllegalArgumentException e) {
                return tile.failed(there, Texts.complaint(e.getMessage()));
            }
        }

        /** None where the method asks for none, or does not reach its end. */
        private List<Double> own(Method with, TrialRuns.TrialSample sample, Cancel cancel) {
            if (with.numbers().isEmpty()) {
                return List.of();
            }
            try {
                return trials.numbers(trials.run(with, sample.made(), Integer.MAX_VALUE, cancel), sample, cancel);
            } catch (RunFault e) {
                return List.of();
            }
        }

        private Optional<Outcomes> current(Method method, TrialRuns.TrialSample sample, Cancel cancel) {
            try {
                return Optional.of(tried(method, sample, cancel));
            } catch (RunFault e) {
                return Optional.empty();
            }
        }

        private Outcomes tried(Method with, TrialRuns.TrialSample sample, Cancel cancel) throws RunFault {
            Run run = trials.run(with, sample.made(), with.indexOf(stepId) + 1, cancel);
            return Outcomes.of(run, stepId, end(with, sample, cancel));
        }

        /** The whole method; what stands in the way of that is no fault of the tile's. */
        private Optional<State> end(Method with, TrialRuns.TrialSample sample, Cancel cancel) {
            try {
                return Optional.of(trials.ending(trials.run(with, sample.made(), Integer.MAX_VALUE, cancel), cancel));
            } catch (RunFault e) {
                return Optional.empty();
            }
        }
    }
}
