package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LimitSetting;

/** Keeps objects whose measure lies in a range, both ends included; a measure that is empty lies in none. */
public record GateStep(MeasureRange range) implements Step {
    public static final String ID = "gate";
    public static final ChoiceSetting<Measure> MEASURE = ChoiceSetting.of("measure", Measure.AREA);
    public static final LimitSetting AT_LEAST = new LimitSetting("atLeast");
    public static final LimitSetting AT_MOST = new LimitSetting("atMost");

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.OBJECTS,
            Flow.OBJECTS,
            Set.of(Use.FIELD, Use.SCALE, Use.SIGNAL),
            List.of(MEASURE, AT_LEAST, AT_MOST),
            v -> new GateStep(new MeasureRange(v.get(MEASURE), v.find(AT_LEAST), v.find(AT_MOST))));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ObjectSet objects = before.needObjects();
        MeasureRange.Ends ends = range.ends(before.scale());
        ObjectTable table = ObjectTable.of(
                objects, List.of(range.measure()), before.ground(site.signal(), site.work()), site.work());
        ObjectSet after = objects.drop(site.station(), region -> !ends.hold(table.at(objects.number(region) - 1, 0)));
        return new Outcome(before.give(after), kept(objects, after));
    }

    static Findings kept(ObjectSet before, ObjectSet after) {
        return Findings.NONE
                .count(Findings.KEPT, after.count())
                .count("of", before.count())
                .count("dropped", before.count() - after.count());
    }
}
