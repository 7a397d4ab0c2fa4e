package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.morphology.FillHoles;
import keentally.core.quantity.Area;
import keentally.core.setting.AreaSetting;

/** Fills what the mask shuts in, all of it or up to an area. */
record FillHolesStep(Optional<Area> upTo) implements Step {
    private static final AreaSetting UP_TO = AreaSetting.orAll("upTo", "all");

    static final StepDescription DESCRIPTION = new StepDescription(
            "fill-holes",
            1,
            Flow.MASK,
            Flow.MASK,
            Set.of(Use.FIELD, Use.SCALE),
            List.of(UP_TO),
            v -> new FillHolesStep(v.get(UP_TO)));

    @Override
    public Outcome apply(State before, Site site) {
        double most = upTo.map(a -> a.px2(before.scale())).orElse(Double.POSITIVE_INFINITY);
        FillHoles.Filled filled = FillHoles.of(before.needMask(), before.field(), most, site.work());
        long added = filled.mask().count() - before.needMask().count();
        Findings findings = Findings.NONE.with("holes", filled.holes()).with("added-px2", added);
        Findings left = filled.larger() > 0 ? findings.with("larger", filled.larger()) : findings;
        return new Outcome(before.give(filled.mask()), filled.open() > 0 ? left.with("open", filled.open()) : left);
    }
}
