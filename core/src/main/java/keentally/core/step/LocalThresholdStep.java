package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.threshold.LocalThreshold;

/** Chooses the pixels that are dark, or bright, for their surroundings. */
public record LocalThresholdStep(LocalThreshold.Rule rule, Length radius, Optional<Double> k, Keep keep)
        implements Step {
    public static final String ID = "local-threshold";

    enum Keep {
        BRIGHT,
        DARK
    }

    public static final ChoiceSetting<LocalThreshold.Rule> RULE =
            ChoiceSetting.of("rule", LocalThreshold.Rule.GAUSSIAN);
    public static final ChoiceSetting<Keep> KEEP = ChoiceSetting.of("keep", Keep.BRIGHT);
    private static final LengthSetting RADIUS = LengthSetting.of("radius", "25 px");
    public static final NumberSetting K = NumberSetting.free("k");
    private static final double MOST_RADIUS = 2000;

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(RULE, KEEP, RADIUS, K),
            v -> new LocalThresholdStep(v.get(RULE), v.get(RADIUS), v.find(K), v.get(KEEP)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = radius.px(before.scale());
        if (px < 1 || px > MOST_RADIUS) {
            throw new StepFault("takes a radius from 1 to 2,000 px, but found " + px);
        }
        Mask mask = LocalThreshold.of(
                before.plane(),
                before.field(),
                rule,
                (int) Math.rint(px),
                k.orElse(rule.usual(keep == Keep.DARK)),
                keep == Keep.DARK,
                site.work());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), Findings.NONE.percent(Findings.CHOSEN, percent));
    }
}
