package keentally.desk.tally;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.agree.Agreement;
import keentally.core.agree.Matching;
import keentally.core.geometry.Point;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.region.ObjectSet;
import keentally.desk.model.Newest;
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
    private final DoubleProperty within = new SimpleDoubleProperty(10);
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
        kind.addListener(o -> at.set(-1));
    }

    /**
     * What came of it.
     *
     * @param first the marks
     * @param second where the things of the second are, by their places in the agreement
     * @param objects those that the marks were held against; empty for another counter
     * @param others the other counter's marks; none for objects
     */
    public record Outcome(
            Agreement agreement, Marks first, List<Point> second, Optional<ObjectSet> objects, Marks others) {
        /** The places of each disagreement of a kind, the one that it is about first. */
        List<List<Point>> places(Kind of) {
            List<Point> marks = first.places();
            return switch (of) {
                case MISSED ->
                    Arrays.stream(agreement.missed())
                            .mapToObj(m -> List.of(marks.get(m)))
                            .toList();
                case EXTRA ->
                    Arrays.stream(agreement.extra())
                            .mapToObj(s -> List.of(second.get(s)))
                            .toList();
                case MERGED ->
                    agreement.merged().stream()
                            .map(g -> g.several().stream().map(marks::get).toList())
                            .toList();
                case SPLIT ->
                    agreement.split().stream()
                            .map(g -> {
                                List<Point> all = new ArrayList<>(List.of(marks.get(g.one())));
                                g.several().forEach(s -> all.add(second.get(s)));
                                return List.copyOf(all);
                            })
                            .toList();
            };
        }

        /** Which class became what, of those that have a partner, with how often; classes by their names. */
        Map<String, Map<String, Integer>> classes(List<TallyClass> known) {
            Map<String, String> names =
                    known.stream().collect(Collectors.toMap(TallyClass::id, TallyClass::name, (a, b) -> a));
            Map<String, Map<String, Integer>> table = new TreeMap<>();
            int[] partner = agreement.partner();
            for (int m = 0; m < partner.length && objects.isEmpty(); m++) {
                if (partner[m] >= 0) {
                    Mark mine = first.list().get(m);
                    Mark theirs = others.list().get(partner[m]);
                    table.computeIfAbsent(names.getOrDefault(mine.kind(), mine.kind()), k -> new TreeMap<>())
                            .merge(names.getOrDefault(theirs.kind(), theirs.kind()), 1, Integer::sum);
                }
            }
            return table;
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

    /** How far a mark may be from its thing, in pixels. */
    public DoubleProperty within() {
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

    private void ask() {
        Optional<String> other = against.get();
        Marks marks = chosen(tally.marks());
        Optional<ObjectSet> objects = tally.run().flatMap(SampleRun::objects);
        Marks others = chosen(other.map(tally.actions()::marks).orElse(Marks.NONE));
        boolean possible = tally.open().get() && (other.isPresent() || objects.isPresent());
        if (!possible) {
            newest.drop();
            outcome.set(Optional.empty());
            return;
        }
        double reach = within.get();
        newest.ask(work -> {
            Outcome made = other.isPresent()
                    ? new Outcome(
                            Matching.between(marks.places(), others.places(), reach),
                            marks,
                            others.places(),
                            Optional.empty(),
                            others)
                    : held(marks, objects.orElseThrow(), reach);
            return () -> {
                outcome.set(Optional.of(made));
                at.set(Math.min(at.get(), places().size() - 1));
            };
        });
    }

    private static Outcome held(Marks marks, ObjectSet objects, double reach) {
        List<Point> centres = new ArrayList<>();
        for (int i = 0; i < objects.count(); i++) {
            centres.add(objects.regions().centroid(objects.region(i)));
        }
        return new Outcome(
                Matching.withObjects(marks.places(), objects, reach), marks, centres, Optional.of(objects), Marks.NONE);
    }

    /** The disagreements of the kind that is looked at. */
    List<List<Point>> places() {
        return outcome.get().map(o -> o.places(kind.get())).orElse(List.of());
    }

    /** Goes to the next disagreement of the kind, or the one before, round and round. */
    public void step(int by) {
        List<List<Point>> all = places();
        if (all.isEmpty()) {
            return;
        }
        int next = at.get() < 0 ? (by > 0 ? 0 : all.size() - 1) : Math.floorMod(at.get() + by, all.size());
        at.set(next);
        tally.found().set(true);
        tally.call(all.get(next), AROUND);
        select(next);
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
