package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.morphology.Element;
import keentally.core.morphology.Probe;
import keentally.core.picture.Mask;
import keentally.core.quantity.Length;
import keentally.core.setting.LengthSetting;

/** Keeps the band inside the outline: what an erosion by its depth takes away. */
record RimStep(Length depth) implements Step {
    private static final LengthSetting DEPTH = LengthSetting.of("depth", "5 px");

    static final StepDescription DESCRIPTION = new StepDescription(
            "rim",
            1,
            Flow.MASK,
            Flow.MASK,
            Set.of(Use.FIELD, Use.SCALE),
            List.of(DEPTH),
            v -> new RimStep(v.get(DEPTH)));

    @Override
    public Outcome apply(State before, Site site) {
        Mask mask = before.needMask();
        Element disk = new Element.Disk(Math.min(depth.px(before.scale()), before.reach()));
        Mask core = Probe.of(disk, before.field(), site.work()).erode(mask);
        return MaskChange.outcome(before, mask.minus(core));
    }
}
