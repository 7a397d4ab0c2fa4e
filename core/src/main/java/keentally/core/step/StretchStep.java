package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.picture.Plane;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;

/** Draws the values between two percentiles of the field out over the whole range; what lies beyond goes beyond. */
record StretchStep(double low, double high) implements Step {
    private static final NumberSetting LOW = NumberSetting.of("low", 1, 0, 100);
    private static final NumberSetting HIGH = NumberSetting.of("high", 99, 0, 100);

    static final StepDescription DESCRIPTION = new StepDescription(
            "stretch",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(LOW, HIGH),
            v -> new StretchStep(v.get(LOW), v.get(HIGH)));

    StretchStep {
        if (!(low < high)) {
            throw new IllegalArgumentException("'low' must be below 'high'");
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double most = before.original().depth().most();
        return new Outcome(
                before.give(EachChannel.of(before.current(), plane -> stretched(plane, most, before, site))),
                Findings.NONE);
    }

    private Plane stretched(Plane plane, double most, State before, Site site) throws StepFault {
        Histogram h = Histogram.of(plane, before.field(), site.work());
        double from = Percentiles.of(h, low / 100);
        double to = Percentiles.of(h, high / 100);
        if (!(to > from)) {
            throw new StepFault("finds the same value at both percentiles, so there is nothing to stretch");
        }
        return EachValue.of(plane, v -> (float) ((v - from) / (to - from) * most), site.work());
    }
}
