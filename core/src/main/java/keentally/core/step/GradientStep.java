package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.filter.Gradient;
import keentally.core.filter.GreyMorphology;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.Setting;
import keentally.core.work.Work;

/** How much the picture changes from place to place. */
record GradientStep(By by, Length radius) implements Step {
    enum By {
        SOBEL,
        /** Greatest less least value over a disk. */
        MORPHOLOGICAL,
        /** Greatest less least value over a square. */
        RANGE
    }

    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.SOBEL);
    private static final LengthSetting RADIUS =
            LengthSetting.of("radius", "1 px", Condition.is(BY, By.MORPHOLOGICAL, By.RANGE));

    static final StepDescription DESCRIPTION = new StepDescription(
            "gradient",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.SCALE),
            List.<Setting<?>>of(BY, RADIUS),
            v -> new GradientStep(v.get(BY), v.get(RADIUS)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = TopHatStep.checked(radius.px(before.scale()));
        return new Outcome(
                before.give(EachChannel.of(before.current(), p -> steepness(by, p, px, site.work()))), Findings.NONE);
    }

    static Plane steepness(By by, Plane plane, double px, Work work) {
        if (by == By.SOBEL) {
            return Gradient.sobel(plane, work);
        }
        GreyMorphology shape = by == By.RANGE
                ? GreyMorphology.square(px, Optional.empty())
                : GreyMorphology.disk(px, Optional.empty());
        return EachValue.of(shape.greatest(plane, work), shape.least(plane, work), (a, b) -> a - b, work);
    }
}
