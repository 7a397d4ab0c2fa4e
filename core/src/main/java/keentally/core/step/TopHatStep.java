package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.filter.GreyMorphology;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.Setting;

/** Keeps what is brighter, or darker, than its surroundings and smaller than a disk. */
record TopHatStep(Side side, Length radius) implements Step {
    enum Side {
        BRIGHT,
        DARK
    }

    private static final ChoiceSetting<Side> SIDE = ChoiceSetting.of("side", Side.BRIGHT);
    private static final LengthSetting RADIUS = LengthSetting.of("radius", "10 px");
    private static final double MOST_RADIUS = 500;

    static final StepDescription DESCRIPTION = new StepDescription(
            "top-hat",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.SCALE),
            List.<Setting<?>>of(SIDE, RADIUS),
            v -> new TopHatStep(v.get(SIDE), v.get(RADIUS)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = checked(radius.px(before.scale()));
        GreyMorphology disk = GreyMorphology.disk(px, Optional.empty());
        return new Outcome(before.give(EachChannel.of(before.current(), p -> hat(p, disk, site))), Findings.NONE);
    }

    private Plane hat(Plane plane, GreyMorphology disk, Site site) {
        return side == Side.BRIGHT
                ? EachValue.of(plane, disk.opening(plane, site.work()), (v, o) -> v - o, site.work())
                : EachValue.of(disk.closing(plane, site.work()), plane, (c, v) -> c - v, site.work());
    }

    static double checked(double radiusPx) throws StepFault {
        if (radiusPx > MOST_RADIUS) {
            throw new StepFault("takes a radius of at most 500 px, but found " + radiusPx);
        }
        return radiusPx;
    }
}
