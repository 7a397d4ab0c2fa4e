package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;

/** Drops objects that the field's edge cuts, since their sizes are not known. */
public record EdgeObjectsStep(Drop drop) implements Step {
    public static final String ID = "edge-objects";

    enum Drop {
        ALL,
        TWO_SIDES,
        NONE
    }

    private static final ChoiceSetting<Drop> DROP = ChoiceSetting.of("drop", Drop.ALL);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID, 1, Flow.OBJECTS, Flow.OBJECTS, Set.of(Use.FIELD), List.of(DROP), v -> new EdgeObjectsStep(v.get(DROP)));

    @Override
    public Outcome apply(State before, Site site) {
        ObjectSet objects = before.needObjects();
        ObjectSet after = switch (drop) {
            case ALL -> dropped(objects, before.field().inner(Neighbours.EIGHT), site);
            case TWO_SIDES -> dropped(objects, before.field().innerRightAndBelow(), site);
            case NONE -> objects;
        };
        return new Outcome(before.give(after), GateStep.kept(objects, after));
    }

    private static ObjectSet dropped(ObjectSet objects, Mask inner, Site site) {
        return objects.drop(site.station(), region -> objects.regions().leaves(region, inner));
    }
}
