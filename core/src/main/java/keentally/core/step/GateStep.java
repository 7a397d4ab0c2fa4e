package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.Limit;
import keentally.core.region.Objects;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LimitSetting;

/** Keeps objects whose measure lies in a range, both ends included; a measure that is empty lies in none. */
record GateStep(Measure measure, Optional<Limit> atLeast, Optional<Limit> atMost) implements Step {
    private static final ChoiceSetting<Measure> MEASURE = ChoiceSetting.of("measure", Measure.AREA);
    private static final LimitSetting AT_LEAST = new LimitSetting("atLeast");
    private static final LimitSetting AT_MOST = new LimitSetting("atMost");

    static final StepDescription DESCRIPTION = new StepDescription(
            "gate",
            1,
            Flow.OBJECTS,
            Flow.OBJECTS,
            Set.of(Use.FIELD, Use.SCALE, Use.SIGNAL),
            List.of(MEASURE, AT_LEAST, AT_MOST),
            v -> new GateStep(v.get(MEASURE), v.find(AT_LEAST), v.find(AT_MOST)));

    GateStep {
        atLeast.ifPresent(l -> fits(measure, l));
        atMost.ifPresent(l -> fits(measure, l));
    }

    private static void fits(Measure measure, Limit limit) {
        Dimension found = switch (limit) {
            case Limit.OfLength l -> Dimension.LENGTH;
            case Limit.OfArea a -> Dimension.AREA;
            case Limit.Plain p -> Dimension.NONE;
        };
        boolean fits = measure.dimension() == found
                || found == Dimension.NONE && measure.dimension().factor(2) == 1;
        if (!fits) {
            String expected = switch (measure.dimension()) {
                case LENGTH -> "a length such as \"3 um\"";
                case AREA -> "an area such as \"35 um2\"";
                case NONE, ANGLE, SIGNAL, FLAG -> "a number without a unit";
            };
            throw new IllegalArgumentException(
                    "the measure " + measure.id() + " is limited by " + expected + ", but found " + limit);
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Objects objects = before.needObjects();
        double least = atLeast.map(l -> l.px(before.scale())).orElse(Double.NEGATIVE_INFINITY);
        double most = atMost.map(l -> l.px(before.scale())).orElse(Double.POSITIVE_INFINITY);
        ObjectTable table =
                ObjectTable.of(objects, List.of(measure), before.ground(site.signal(), site.work()), site.work());
        Objects after = objects.drop(site.station(), region -> {
            double value = table.at(objects.number(region) - 1, 0);
            return !(value >= least && value <= most);
        });
        return new Outcome(before.give(after), kept(objects, after));
    }

    static Findings kept(Objects before, Objects after) {
        return Findings.NONE
                .with("kept", after.count())
                .with("of", before.count())
                .with("dropped", before.count() - after.count());
    }
}
