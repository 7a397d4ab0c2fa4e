package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.Background;
import keentally.core.filter.Flatten;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Evens out the light: guesses the background of every channel and takes it out. */
record FlattenStep(By by, Length radius, int order, How how) implements Step {
    enum By {
        GAUSSIAN,
        OPENING,
        CLOSING,
        POLYNOMIAL
    }

    enum How {
        DIVIDE,
        SUBTRACT
    }

    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.POLYNOMIAL);
    private static final LengthSetting RADIUS =
            LengthSetting.of("radius", "50 px", Condition.is(BY, By.GAUSSIAN, By.OPENING, By.CLOSING));
    private static final NumberSetting ORDER = NumberSetting.whole("order", 2, 1, 4, Condition.is(BY, By.POLYNOMIAL));
    private static final ChoiceSetting<How> HOW = ChoiceSetting.of("how", How.DIVIDE);

    static final StepDescription DESCRIPTION = new StepDescription(
            "flatten",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(BY, RADIUS, ORDER, HOW),
            v -> new FlattenStep(v.get(BY), v.get(RADIUS), v.get(ORDER).intValue(), v.get(HOW)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = radius.px(before.scale());
        if (by != By.POLYNOMIAL && !(px > 0)) {
            throw new StepFault("needs a radius above 0");
        }
        return new Outcome(
                before.give(EachChannel.of(before.current(), plane -> flat(plane, before, px, site))), Findings.NONE);
    }

    private Plane flat(Plane plane, State before, double px, Site site) throws StepFault {
        Plane ground = switch (by) {
            case GAUSSIAN -> Background.gaussian(plane, before.field(), px, site.work());
            case OPENING -> Background.opening(plane, before.field(), px, site.work());
            case CLOSING -> Background.closing(plane, before.field(), px, site.work());
            case POLYNOMIAL ->
                Background.polynomial(plane, before.field(), order, site.work())
                        .orElseThrow(() -> new StepFault("finds too few places in the field to fit a surface to"));
        };
        return how == How.SUBTRACT
                ? Flatten.subtract(plane, ground, before.field(), site.work())
                : Flatten.divide(plane, ground, before.field(), site.work())
                        .orElseThrow(() -> new StepFault(
                                "cannot divide, since the background falls to 0 or below; subtract it instead"));
    }
}
