package keentally.study.run;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keentally.core.measure.ObjectTable;
import keentally.core.measure.SampleNumber.Facts;
import keentally.core.measure.SampleNumber.Missing;
import keentally.core.measure.SampleTerm;
import keentally.core.method.Method;
import keentally.core.quantity.Mass;
import keentally.core.region.ObjectSet;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.stats.Averages;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/** What the formulas about a sample are worked out from: the readings at its method's end, and what was typed for it. */
final class SampleFacts implements Facts {
    private final SampleOrder order;
    private final Readings readings;
    private final List<Double> masses;
    private final Method method;
    private final Work work;

    /** Objects with the columns that statistics are of, worked out when the first is asked for: of the kept ones, and of all. */
    private final Map<Boolean, ObjectTable> tables = new TreeMap<>();

    SampleFacts(SampleOrder order, Method method, Readings readings, List<Double> masses, Work work) {
        this.order = order;
        this.method = method;
        this.readings = readings;
        this.masses = masses;
        this.work = work;
    }

    @Override
    public double of(SampleTerm term) throws Missing {
        double field = readings.state().field().pixels();
        return switch (term.quantity()) {
            case COUNT -> term.of().isEmpty() ? objects().count() : count(term.of());
            case ALL_COUNT -> objects().regions().count();
            case FIELD_AREA -> field;
            case KEPT_AREA -> kept();
            case KEPT_SHARE -> kept() / field;
            case AREA -> phase(term).pixels();
            case SHARE -> phase(term).pixels() / field;
            case MASS -> grams(masses.get(phase(term).number()));
            case SAMPLE_MASS ->
                order.weighing().sample().map(Mass::grams).orElseThrow(() -> new Missing("the sample was not weighed"));
            case TAG -> order.typed().tag().orElseThrow(() -> new Missing("the sample's label has no number"));
            case TYPED -> typed(term.of());
            case MEAN -> averages(term).mean();
            case MEDIAN -> averages(term).median();
            case SD -> averages(term).sd();
            case LEAST -> averages(term).least();
            case GREATEST -> averages(term).greatest();
            case SUM ->
                Arrays.stream(column(term)).filter(v -> !Double.isNaN(v)).sum();
        };
    }

    private ObjectSet objects() throws Missing {
        return readings.state()
                .objects()
                .orElseThrow(() -> new Missing("the method ends in nothing that can be counted"));
    }

    private double kept() throws Missing {
        return objects().mask().count();
    }

    private double count(String name) throws Missing {
        ObjectSet objects = objects();
        int count = 0;
        for (int i = 0; i < objects.count(); i++) {
            count += objects.classOf(objects.region(i)).equals(name) ? 1 : 0;
        }
        if (count == 0 && !objects.isSorted()) {
            throw new Missing("no object was given the class \"" + name + "\"");
        }
        return count;
    }

    private PhaseReading phase(SampleTerm term) throws Missing {
        List<PhaseReading> phases = readings.fractions();
        return phases.stream()
                .filter(p ->
                        p.name().equals(term.of()) || String.valueOf(p.number()).equals(term.of()))
                .findFirst()
                .orElseThrow(() -> new Missing(
                        phases.isEmpty()
                                ? "the method ends in no phases"
                                : "there is no phase \"" + term.of() + "\"; there is "
                                        + phases.stream()
                                                .map(PhaseReading::name)
                                                .collect(Collectors.joining(", "))));
    }

    private double grams(double mass) throws Missing {
        Mass sample = order.weighing().sample().orElseThrow(() -> new Missing("the sample was not weighed"));
        return mass * sample.grams() / sample.amount();
    }

    private double typed(String name) throws Missing {
        Double value = order.typed().named().get(name);
        if (value == null) {
            throw new Missing("no number \"" + name + "\" was typed for the sample");
        }
        return value;
    }

    private Averages averages(SampleTerm term) throws Missing {
        Averages averages =
                Averages.of(column(term), term.column().orElseThrow().averaging());
        if (averages.count() == 0) {
            throw new Missing(
                    "there is no object with " + term.column().orElseThrow().id());
        }
        return averages;
    }

    private double[] column(SampleTerm term) throws Missing {
        ObjectTable table = tables.get(term.all());
        if (table == null) {
            table = measured(term.all());
            tables.put(term.all(), table);
        }
        return table.column(method.statistics().indexOf(term.column().orElseThrow()));
    }

    private ObjectTable measured(boolean all) throws Missing {
        ObjectSet objects = all ? ObjectSet.of(objects().regions()) : objects();
        try {
            return ObjectTable.of(objects, method.statistics(), readings.state().ground(method.signal(), work), work);
        } catch (StepFault e) {
            throw new Missing("the method " + e.getMessage());
        }
    }
}
