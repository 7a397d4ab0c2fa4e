package keentally.core.step;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import keentally.core.classify.ObjectLessons;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.HandWork;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.PhaseMap;
import keentally.core.region.ObjectSet;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;

/**
 * Gives every kept object a class as a few of them were given theirs by hand, over several measures at once: as a class of the objects, and as
 * phases. What no kept object covers is phase 0, the rest; classes follow in the order in which they were first given.
 *
 * @param measures none for the usual ones
 */
public record SortObjectsStep(List<Measure> measures) implements Step {
    public static final String ID = "sort-objects";
    public static final ListSetting<String> MEASURES = ListSetting.free("measures", Item.NAME, 40);

    /** Mean F1 of what was held out, in per cent. */
    public static final String HELD_OUT = "held-out-percent";

    /** Where the least certain objects lie, and how certain they are. */
    public static final String LEAST_CERTAIN = "least-certain";

    public static final String SAID = "said";

    /** Before a class's name: how many objects are of it. */
    public static final String IN_CLASS = "in-class ";

    private static final int MOST_NAMED = 60;

    /** What tells most things apart: how large, how long, how full, how light, of which colour. */
    public static final List<Measure> USUAL = List.of(
            Measure.AREA,
            Measure.ASPECT_RATIO,
            Measure.CIRCULARITY,
            Measure.SOLIDITY,
            Measure.MEAN,
            Measure.SD,
            Measure.MEAN_RED,
            Measure.MEAN_GREEN,
            Measure.MEAN_BLUE);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            v -> Flow.OBJECTS,
            v -> Flow.OBJECTS,
            Set.of(Flow.PHASES),
            Set.of(Use.FIELD, Use.SCALE, Use.SIGNAL, Use.HAND_WORK),
            List.of(MEASURES),
            Beginning.NONE,
            v -> new SortObjectsStep(
                    v.get(MEASURES).stream().map(SortObjectsStep::measure).toList()));

    private static Measure measure(String id) {
        return Measure.find(id)
                .orElseThrow(() -> new IllegalArgumentException("'measures' names '" + id + "', which is no measure"));
    }

    @Override
    public boolean byHand() {
        return true;
    }

    /** Whoever adds it looks at that sample. */
    @Override
    public Optional<HandWork> handToBegin() {
        return Optional.of(Corrections.NONE);
    }

    /** The examples: which objects, and the names of their classes. @param unfit those that lie on no object */
    private record Said(Map<Integer, Integer> classes, List<String> names, List<Integer> unfit) {}

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        if (!(site.hand().orElse(null) instanceof Corrections given)) {
            throw new StepFault("follows classes that were given by hand, and nobody has given any on this sample yet");
        }
        ObjectSet objects = before.needObjects();
        Said said = said(objects, given);
        if (said.names().size() < 2) {
            int[] phase = phases(said, new int[objects.count()]);
            return new Outcome(
                    given(before, objects, said, phase, i -> 1),
                    counted(Findings.NONE.count(SAID, said.classes().size()), said, phase)
                            .unfit(said.unfit()));
        }
        ObjectTable table = ObjectTable.of(
                objects, measures.isEmpty() ? USUAL : measures, before.ground(site.signal(), site.work()), site.work());
        ObjectLessons sorted = sorted(table, said, site);
        int[] phase = new int[objects.count()];
        for (int i = 0; i < phase.length; i++) {
            phase[i] = sorted.classOf()[i] + 1;
        }
        phases(said, phase);
        return new Outcome(
                given(before, objects, said, phase, i -> sorted.certainty()[i]),
                counted(told(objects, said, sorted), said, phase));
    }

    private static ObjectLessons sorted(ObjectTable table, Said said, Site site) throws StepFault {
        try {
            return ObjectLessons.of(table, said.classes(), said.names().size(), site.work());
        } catch (IllegalArgumentException e) {
            throw new StepFault(e.getMessage());
        }
    }

    private static Said said(ObjectSet objects, Corrections given) {
        Map<Integer, Integer> indexOf = new HashMap<>();
        for (int i = 0; i < objects.count(); i++) {
            indexOf.put(objects.region(i), i);
        }
        Map<Integer, String> named = new HashMap<>(); // classes that an earlier station knows are examples too
        List<String> order = new ArrayList<>();
        for (int i = 0; i < objects.count(); i++) {
            String known = objects.classOf(objects.region(i));
            if (!known.isEmpty()) {
                named.put(i, known);
                order.add(known);
            }
        }
        List<Integer> unfit = new ArrayList<>();
        for (int c = 0; c < given.list().size(); c++) {
            boolean fits = false;
            if (given.list().get(c) instanceof Correction.Sort sort) {
                order.add(sort.as());
                for (Point at : sort.on()) {
                    Integer row = indexOf.get(objects.regions().at((int) Math.floor(at.x()), (int) Math.floor(at.y())));
                    if (row != null) {
                        fits = true;
                        named.merge(row, sort.as(), (was, is) -> is);
                    }
                }
            }
            if (!fits) {
                unfit.add(c);
            }
        }
        named.values().removeIf(String::isEmpty);
        Set<String> used = Set.copyOf(named.values());
        List<String> names = order.stream().distinct().filter(used::contains).toList();
        Map<Integer, Integer> classes = new HashMap<>();
        named.forEach((row, name) -> classes.put(row, names.indexOf(name)));
        return new Said(classes, names, unfit);
    }

    /** What was said counts, whatever was learnt; in place. */
    private static int[] phases(Said said, int[] phase) {
        said.classes().forEach((row, c) -> phase[row] = c + 1);
        return phase;
    }

    /** How many there are of each class, by {@link #IN_CLASS} and its name. */
    private static Findings counted(Findings findings, Said said, int[] phase) {
        long[] counts = new long[said.names().size() + 1];
        for (int p : phase) {
            counts[p]++;
        }
        Findings told = findings;
        for (int c = 0; c < said.names().size(); c++) {
            told = told.count(IN_CLASS + said.names().get(c), counts[c + 1]);
        }
        return told;
    }

    /**
     * @param phase for each kept object; 0 for of no class yet, where only those said have one
     * @param certainty of each kept object
     */
    private static State given(State before, ObjectSet objects, Said said, int[] phase, IntToDoubleFunction certainty) {
        Map<Integer, ObjectSet.Kind> kinds = new HashMap<>();
        for (int i = 0; i < phase.length; i++) {
            if (phase[i] > 0) {
                kinds.put(
                        objects.region(i),
                        new ObjectSet.Kind(said.names().get(phase[i] - 1), certainty.applyAsDouble(i)));
            }
        }
        List<String> phases = new ArrayList<>(List.of(SortRegionsStep.REST));
        phases.addAll(said.names());
        PhaseMap map = new PhaseMap(
                SortRegionsStep.paint(objects, phase, before.field().mask()), phases);
        return before.give(map).give(objects.sorted(kinds));
    }

    private static Findings told(ObjectSet objects, Said said, ObjectLessons sorted) {
        List<List<Double>> least = sorted.leastCertain().stream()
                .limit(MOST_NAMED)
                .map(row -> {
                    Point inside = objects.regions().inside(objects.region(row));
                    return List.of(inside.x(), inside.y(), sorted.certainty()[row]);
                })
                .toList();
        Findings told = Findings.NONE
                .count(SAID, said.classes().size())
                .count("classes", said.names().size())
                .count(Findings.OBJECTS, objects.count());
        double score = sorted.heldOut().meanF1();
        boolean each = IntStream.range(0, said.names().size())
                .allMatch(c -> sorted.heldOut().examples(c) > 0);
        if (each && !Double.isNaN(score)) {
            told = told.percent(HELD_OUT, 100 * score);
        }
        return told.with(new Finding.Places(LEAST_CERTAIN, least)).unfit(said.unfit());
    }
}
