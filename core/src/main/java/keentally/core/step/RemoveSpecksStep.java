package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.morphology.RemoveSpecks;
import keentally.core.picture.Neighbours;
import keentally.core.quantity.Area;
import keentally.core.setting.AreaSetting;
import keentally.core.setting.ChoiceSetting;

/** Takes pieces away that are smaller than an area. */
record RemoveSpecksStep(Optional<Area> below, Neighbours neighbours) implements Step {
    private static final AreaSetting BELOW = AreaSetting.of("below", "16 px2");
    private static final ChoiceSetting<Neighbours> NEIGHBOURS = ChoiceSetting.of("neighbours", Neighbours.EIGHT);

    static final StepDescription DESCRIPTION = new StepDescription(
            "remove-specks",
            1,
            Flow.MASK,
            Flow.MASK,
            Set.of(Use.SCALE),
            List.of(BELOW, NEIGHBOURS),
            v -> new RemoveSpecksStep(v.get(BELOW), v.get(NEIGHBOURS)));

    @Override
    public Outcome apply(State before, Site site) {
        long least = below.orElseThrow().leastPixels(before.scale());
        RemoveSpecks.Outcome cleaned = RemoveSpecks.of(before.needMask(), least, neighbours, site.work());
        long removed = before.needMask().count() - cleaned.mask().count();
        return new Outcome(
                before.give(cleaned.mask()),
                Findings.NONE.count("specks", cleaned.specks()).area(Findings.REMOVED, removed));
    }
}
