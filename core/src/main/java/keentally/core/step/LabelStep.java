package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.label.Labeller;
import keentally.core.picture.Neighbours;
import keentally.core.region.Objects;
import keentally.core.setting.ChoiceSetting;

/** Makes an object of every connected piece of the mask. */
public record LabelStep(Neighbours neighbours) implements Step {
    private static final ChoiceSetting<Neighbours> NEIGHBOURS = ChoiceSetting.of("neighbours", Neighbours.EIGHT);

    static final StepDescription DESCRIPTION = new StepDescription(
            "label", 1, Flow.MASK, Flow.OBJECTS, Set.of(), List.of(NEIGHBOURS), v -> new LabelStep(v.get(NEIGHBOURS)));

    /** What is done, without a station, where objects are asked for and nothing labelled them. */
    public static final LabelStep IMPLIED = new LabelStep(Neighbours.EIGHT);

    @Override
    public Outcome apply(State before, Site site) {
        Objects objects = Objects.of(Labeller.regions(before.needMask(), neighbours, site.work()));
        return new Outcome(before.give(objects), Findings.NONE.with("objects", objects.count()));
    }
}
