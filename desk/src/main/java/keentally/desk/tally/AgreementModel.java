package keentally.desk.tally;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.agree.Agreement;
import keentally.core.agree.CountDifferences;
import keentally.core.agree.Matching;
import keentally.core.geometry.Point;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.method.Method;
import keentally.core.quantity.Length;
import keentally.core.quantity.MissingScaleException;
import keentally.core.region.ObjectSet;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.work.Cancel;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.TrialRuns;
import keentally.desk.objects.ByHand;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.plot.DifferencePlot;
import keentally.study.plot.PlotLook;
import keentally.study.run.SampleRun;

/** A count held against the objects that the method found, or against another counter's; every disagreement can be gone to. */
public final class AgreementModel {
    private static final double AROUND = 60;

    /** Ways to disagree. */
    public enum Kind {
        MISSED,
        EXTRA,
        MERGED,
        SPLIT
    }

    private final TallyModel tally;
    private final Newest newest;
    private final ObjectProperty<Optional<String>> against = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<String>> of = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Length> within = new SimpleObjectProperty<>(Length.of("10 px"));
    private final ObjectProperty<Kind> kind = new SimpleObjectProperty<>(Kind.MISSED);
    private final IntegerProperty at = new SimpleIntegerProperty(-1);
    private final ReadOnlyObjectWrapper<Optional<Outcome>> outcome = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** @param tally whose counts are held against others */
    public AgreementModel(TallyModel tally) {
        this.tally = tally;
        this.newest = new Newest(tally.desk(), tally.ui());
        tally.desk().study().addListener(o -> ask());
        tally.desk().shown().addListener(o -> ask());
        tally.desk().sampleId().addListener(o -> ask());
        tally.counter().addListener(o -> ask());
        tally.open().addListener(o -> ask());
        against.addListener(o -> ask());
        of.addListener(o -> ask());
        within.addListener(o -> ask());
        kind.addListener(o -> {
            at.set(-1);
            tally.call(List.of(), AROUND);
        });
    }

    /**
     * What came of it.
     *
     * @param objects those that the marks were held against; empty for another counter
     * @param places of each disagreement by its kind, the one that it is about first
     * @param classes which class became what, by their ids, of marks that have a partner among another counter's
     */
    public record Outcome(
            Agreement agreement,
            Optional<ObjectSet> objects,
            Map<Kind, List<List<Point>>> places,
            Map<String, Map<String, Integer>> classes) {
        static Outcome ofObjects(Marks marks, ObjectSet objects, double reach) {
            List<Point> centres = IntStream.range(0, objects.count())
                    .mapToObj(i -> objects.regions().centroid(objects.region(i)))
                    .toList();
            Agreement agreement = Matching.withObjects(marks.places(), objects, reach);
            return new Outcome(agreement, Optional.of(objects), places(agreement, marks.places(), centres), Map.of());
        }

        static Outcome ofCounters(Marks mine, Marks theirs, double reach) {
            Agreement agreement = Matching.between(mine.places(), theirs.places(), reach);
            Map<String, Map<String, Integer>> classes = new TreeMap<>();
            int[] partner = agreement.partner();
            for (int m = 0; m < partner.length; m++) {
                if (partner[m] >= 0) {
                    classes.computeIfAbsent(mine.list().get(m).kind(), k -> new TreeMap<>())
                            .merge(theirs.list().get(partner[m]).kind(), 1, Integer::sum);
                }
            }
            return new Outcome(agreement, Optional.empty(), places(agreement, mine.places(), theirs.places()), classes);
        }

        private static Map<Kind, List<List<Point>>> places(Agreement of, List<Point> first, List<Point> second) {
            return Map.of(
                    Kind.MISSED,
                    Arrays.stream(of.missed())
                            .mapToObj(m -> List.of(first.get(m)))
                            .toList(),
                    Kind.EXTRA,
                    Arrays.stream(of.extra())
                            .mapToObj(s -> List.of(second.get(s)))
                            .toList(),
                    Kind.MERGED,
                    of.merged().stream()
                            .map(g -> g.several().stream().map(first::get).toList())
                            .toList(),
                    Kind.SPLIT,
                    of.split().stream()
                            .map(g -> Stream.concat(
                                            Stream.of(first.get(g.one())),
                                            g.several().stream().map(second::get))
                                    .toList())
                            .toList());
        }
    }

    /** The other counter; empty for the objects. */
    public ObjectProperty<Optional<String>> against() {
        return against;
    }

    /** The id of the one class whose marks are held against the rest; empty for all. */
    public ObjectProperty<Optional<String>> of() {
        return of;
    }

    private Marks chosen(Marks all) {
        return of.get().map(all::ofKind).orElse(all);
    }

    /** How far a mark may be from its thing; told in real units it is the same on samples of any scale. */
    public ObjectProperty<Length> within() {
        return within;
    }

    public ObjectProperty<Kind> kind() {
        return kind;
    }

    /** Which disagreement of the kind is gone to; −1 for none. */
    public IntegerProperty at() {
        return at;
    }

    /** Empty while there is nothing to be held together. */
    public ReadOnlyObjectProperty<Optional<Outcome>> outcome() {
        return outcome.getReadOnlyProperty();
    }

    /** In pixels of this sample; nothing for a real length on a sample without a scale. */
    private Optional<Double> reach() {
        try {
            return Optional.of(within.get().px(tally.desk().scale())).filter(Double::isFinite);
        } catch (MissingScaleException noScale) {
            return Optional.empty();
        }
    }

    private void ask() {
        Optional<String> other = against.get();
        Marks marks = chosen(tally.marks());
        Optional<ObjectSet> objects = tally.run().flatMap(SampleRun::objects);
        Marks others = chosen(other.map(tally.actions()::marks).orElse(Marks.NONE));
        Optional<Double> px = reach();
        boolean possible = tally.open().get() && px.isPresent() && (other.isPresent() || objects.isPresent());
        if (!possible) {
            newest.drop();
            outcome.set(Optional.empty());
            return;
        }
        double reach = px.get();
        newest.ask(work -> {
            Outcome made = other.isPresent()
                    ? Outcome.ofCounters(marks, others, reach)
                    : Outcome.ofObjects(marks, objects.orElseThrow(), reach);
            return () -> {
                outcome.set(Optional.of(made));
                at.set(Math.min(at.get(), places().size() - 1));
            };
        });
    }

    /** The disagreements of the kind that is looked at. */
    List<List<Point>> places() {
        return outcome.get().map(o -> o.places().get(kind.get())).orElse(List.of());
    }

    /** Goes to the next disagreement of the kind, or the one before, round and round. */
    public void step(int by) {
        List<List<Point>> all = places();
        if (all.isEmpty()) {
            return;
        }
        int next = at.get() < 0 ? (by > 0 ? 0 : all.size() - 1) : Math.floorMod(at.get() + by, all.size());
        at.set(next);
        tally.found().set(against.get().isEmpty());
        tally.call(all.get(next), AROUND);
        select(next);
    }

    /**
     * Counts of every sample that was counted, held against the same thing, told on the interface thread; samples where that cannot be had
     * are left out and named.
     *
     * @param look of the plot's picture
     */
    void overAll(PlotLook look, BiConsumer<DifferencePlot, BufferedImage> then) {
        DeskModel desk = tally.desk();
        Study study = desk.study().get();
        String mine = tally.counter().get();
        Optional<String> other = against.get();
        TrialRuns trials = desk.trials();
        List<Counting> asked = new ArrayList<>();
        for (String id : study.samples()) {
            Map<String, Marks> tallies = study.tallies(id);
            SampleThing sample = study.sample(id).orElseThrow();
            boolean both =
                    tallies.containsKey(mine) && other.map(tallies::containsKey).orElse(true);
            if (both) {
                asked.add(new Counting(
                        sample.name(),
                        chosen(tallies.get(mine)).list().size(),
                        other.map(o -> chosen(tallies.get(o)).list().size()),
                        study.methodOn(id, sample.method()),
                        trials.reading(study, id, sample.method())));
            }
        }
        if (asked.isEmpty()) {
            desk.say(Texts.of("differences.none"));
            return;
        }
        String first = mine;
        String second = other.orElse(Texts.of("agreement.objects"));
        desk.job(Texts.of("job.differences"), job -> {
            List<CountDifferences.Pair> pairs = new ArrayList<>();
            List<String> left = new ArrayList<>();
            for (Counting one : asked) {
                job.cancel().check();
                one.second(trials, job.cancel())
                        .ifPresentOrElse(
                                n -> pairs.add(new CountDifferences.Pair(one.sample, one.first, n)),
                                () -> left.add(one.sample));
            }
            DifferencePlot plot = new DifferencePlot(CountDifferences.of(pairs), first, second);
            Optional<BufferedImage> picture = pairs.isEmpty() ? Optional.empty() : Optional.of(plot.image(look));
            tally.ui().execute(() -> {
                if (!left.isEmpty()) {
                    desk.say(Texts.of("differences.left", String.join(", ", left)));
                }
                picture.ifPresent(p -> then.accept(plot, p));
            });
        });
    }

    /** A sample whose counts are wanted; the second one known, or that of the objects which the method finds. */
    private record Counting(
            String sample, int first, Optional<Integer> known, Method method, TrialRuns.Reading reading) {
        Optional<Integer> second(TrialRuns trials, Cancel cancel) {
            if (known.isPresent()) {
                return known;
            }
            try {
                Run run = trials.run(method, reading.ready(cancel).made(), Integer.MAX_VALUE, cancel);
                return trials.ending(run, cancel).objects().map(ObjectSet::count);
            } catch (RunFault | FileFault | IllegalArgumentException e) {
                return Optional.empty(); // named by whoever asked
            }
        }
    }

    /** Every object that a mark goes with gets that mark's class, in one action. */
    void sortObjects() {
        Optional<Outcome> now = outcome.get().filter(o -> o.objects().isPresent());
        if (now.isEmpty()) {
            tally.desk().say(Texts.of("agreement.none"));
            return;
        }
        ObjectSet objects = now.get().objects().orElseThrow();
        List<Mark> marks = chosen(tally.marks()).list();
        Map<String, String> names =
                tally.classes().stream().collect(Collectors.toMap(TallyClass::id, TallyClass::name));
        SortedMap<String, List<Integer>> sorted = new TreeMap<>();
        int[] partner = now.get().agreement().partner();
        for (int m = 0; m < partner.length; m++) {
            if (partner[m] >= 0) {
                String kind = marks.get(m).kind();
                sorted.computeIfAbsent(names.getOrDefault(kind, kind), k -> new ArrayList<>())
                        .add(objects.region(partner[m]));
            }
        }
        new ByHand(tally.desk()).sort(sorted);
    }

    /** The selected objects get the class that is counted now. */
    void sortSelected() {
        tally.chosen()
                .ifPresent(c -> new ByHand(tally.desk())
                        .sort(Map.of(c.name(), tally.desk().selection().get())));
    }

    /** The objects that the disagreement is about are selected, so that table and stage show them. */
    private void select(int index) {
        Outcome now = outcome.get().orElseThrow();
        Set<Integer> regions = now.objects()
                .map(objects -> switch (kind.get()) {
                    case MISSED, SPLIT -> Set.<Integer>of();
                    case EXTRA -> Set.of(objects.region(now.agreement().extra()[index]));
                    case MERGED ->
                        Set.of(objects.region(
                                now.agreement().merged().get(index).one()));
                })
                .orElse(Set.of());
        tally.desk().selection().set(regions);
    }
}
