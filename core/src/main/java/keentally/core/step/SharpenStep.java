package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.filter.Gaussian;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Adds to every pixel what sets it off from its surroundings: v + amount·(v − smoothed v). */
record SharpenStep(Length sigma, double amount) implements Step {
    private static final LengthSetting SIGMA = LengthSetting.of("sigma", "1 px");
    private static final NumberSetting AMOUNT = NumberSetting.of("amount", 1, 0, 100);

    static final StepDescription DESCRIPTION = new StepDescription(
            "sharpen",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.SCALE),
            List.<Setting<?>>of(SIGMA, AMOUNT),
            v -> new SharpenStep(v.get(SIGMA), v.get(AMOUNT)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = sigma.px(before.scale());
        return new Outcome(
                before.give(EachChannel.of(before.current(), p -> sharpened(p, px, site))),
                Findings.NONE.distance("sigma-px", px));
    }

    private Plane sharpened(Plane plane, double px, Site site) {
        float by = (float) amount;
        return EachValue.of(
                plane, Gaussian.of(plane, px, site.work()), (v, smooth) -> v + by * (v - smooth), site.work());
    }
}
