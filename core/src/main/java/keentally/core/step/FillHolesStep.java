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
        long most = upTo.map(a -> a.mostPixels(before.scale())).orElse(Long.MAX_VALUE);
        FillHoles.Outcome filled = FillHoles.of(before.needMask(), before.field(), most, site.work());
        long added = filled.mask().count() - before.needMask().count();
        Findings findings = Findings.NONE.count("holes", filled.holes()).area(Findings.ADDED, added);
        Findings left = filled.larger() > 0 ? findings.count("larger", filled.larger()) : findings;
        return new Outcome(before.give(filled.mask()), filled.open() > 0 ? left.count("open", filled.open()) : left);
    }
}
