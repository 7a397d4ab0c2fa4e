package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.NumberSetting;
import keentally.core.stats.Histogram;
import keentally.core.threshold.Cut;
import keentally.core.threshold.rule.Otsu;

/** Chooses the pixels on one side of a cut, or between two. */
record ThresholdStep(Rule rule, Keep keep, Optional<Double> cut, Optional<Double> low, Optional<Double> high)
        implements Step {
    enum Rule {
        OTSU,
        MANUAL
    }

    enum Keep {
        BRIGHT,
        DARK,
        BETWEEN
    }

    private static final ChoiceSetting<Rule> RULE = ChoiceSetting.of("rule", Rule.OTSU);
    private static final ChoiceSetting<Keep> KEEP = ChoiceSetting.of("keep", Keep.BRIGHT);
    private static final NumberSetting CUT =
            NumberSetting.needed("cut", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BRIGHT, Keep.DARK));
    private static final NumberSetting LOW =
            NumberSetting.free("low", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BETWEEN));
    private static final NumberSetting HIGH =
            NumberSetting.free("high", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BETWEEN));

    static final StepDescription DESCRIPTION = new StepDescription(
            "threshold",
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD),
            List.of(RULE, KEEP, CUT, LOW, HIGH),
            v -> new ThresholdStep(v.get(RULE), v.get(KEEP), v.find(CUT), v.find(LOW), v.find(HIGH)));

    ThresholdStep {
        if (keep == Keep.BETWEEN && rule != Rule.MANUAL) {
            throw new IllegalArgumentException("keeping what lies between needs the rule manual with 'low' or 'high'");
        }
        if (keep == Keep.BETWEEN && low.isEmpty() && high.isEmpty()) {
            throw new IllegalArgumentException("keeping what lies between needs 'low' or 'high', or both");
        }
        if (keep == Keep.BETWEEN && low.isPresent() && high.isPresent() && low.get() > high.get()) {
            throw new IllegalArgumentException("'low' must not be above 'high'");
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Plane plane = before.plane();
        if (keep == Keep.BETWEEN) {
            Cut between = new Cut(low.orElse(Double.NEGATIVE_INFINITY), high.orElse(Double.POSITIVE_INFINITY));
            Findings ends = low.map(l -> Findings.NONE.with("low", l)).orElse(Findings.NONE);
            return outcome(before, between, high.map(h -> ends.with("high", h)).orElse(ends), site);
        }
        double at = rule == Rule.MANUAL ? cut.orElseThrow() : automatic(before, plane, site);
        return outcome(before, keep == Keep.DARK ? Cut.dark(at) : Cut.bright(at), Findings.NONE.with("cut", at), site);
    }

    private static double automatic(State before, Plane plane, Site site) throws StepFault {
        Histogram histogram = Histogram.of(plane, before.field(), site.work());
        return Otsu.cut(histogram)
                .orElseThrow(() -> new StepFault(
                        "needs at least two different values in the field, but all its pixels have the same"));
    }

    private Outcome outcome(State before, Cut chosen, Findings findings, Site site) throws StepFault {
        Mask mask = chosen.mask(before.plane(), before.field(), site.work());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), findings.with("chosen-percent", percent));
    }
}
