package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.threshold.Cut;
import keentally.core.threshold.rule.Generalised;
import keentally.core.threshold.rule.Rule;
import keentally.core.threshold.rule.Share;

/** Chooses the pixels on one side of a cut, or between two. */
final class ThresholdStep implements Step {
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
    private static final NumberSetting SHARE = NumberSetting.of("share", 50, 0, 100, Condition.is(RULE, Rule.SHARE));
    private static final Condition GENERALISED = Condition.is(RULE, Rule.GENERALISED);
    private static final NumberSetting NU = NumberSetting.of("nu", Generalised.USUAL.nu(), 0, 1e9, GENERALISED);
    private static final NumberSetting TAU = NumberSetting.of("tau", Generalised.USUAL.tau(), 0, 100, GENERALISED);
    private static final NumberSetting KAPPA =
            NumberSetting.of("kappa", Generalised.USUAL.kappa(), 0, 1e9, GENERALISED);
    private static final NumberSetting OMEGA = NumberSetting.of("omega", Generalised.USUAL.omega(), 0, 1, GENERALISED);

    static final StepDescription DESCRIPTION = new StepDescription(
            "threshold",
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(RULE, KEEP, CUT, LOW, HIGH, SHARE, NU, TAU, KAPPA, OMEGA),
            ThresholdStep::new);

    private final Rule rule;
    private final Keep keep;
    private final Values values;

    private ThresholdStep(Values values) {
        this.rule = values.get(RULE);
        this.keep = values.get(KEEP);
        this.values = values;
        if (keep == Keep.BETWEEN) {
            Optional<Double> low = values.find(LOW);
            Optional<Double> high = values.find(HIGH);
            if (rule != Rule.MANUAL) {
                throw new IllegalArgumentException(
                        "keeping what lies between needs the rule manual with 'low' or 'high'");
            }
            if (low.isEmpty() && high.isEmpty()) {
                throw new IllegalArgumentException("keeping what lies between needs 'low' or 'high', or both");
            }
            if (low.isPresent() && high.isPresent() && low.get() > high.get()) {
                throw new IllegalArgumentException("'low' must not be above 'high'");
            }
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        before.plane();
        if (keep == Keep.BETWEEN) {
            Optional<Double> low = values.find(LOW);
            Optional<Double> high = values.find(HIGH);
            Cut between = new Cut(low.orElse(Double.NEGATIVE_INFINITY), high.orElse(Double.POSITIVE_INFINITY));
            Findings ends = low.map(l -> Findings.NONE.with("low", l)).orElse(Findings.NONE);
            return outcome(before, between, high.map(h -> ends.with("high", h)).orElse(ends), site);
        }
        double at = rule == Rule.MANUAL ? values.get(CUT) : found(before, site);
        return outcome(before, keep == Keep.DARK ? Cut.dark(at) : Cut.bright(at), Findings.NONE.with("cut", at), site);
    }

    private double found(State before, Site site) throws StepFault {
        Histogram histogram = Histogram.of(before.plane(), before.field(), site.work());
        if (histogram.total() == 0) {
            throw new StepFault("needs values, but no pixel of the field holds a number");
        }
        if (histogram.firstOccupied() == histogram.lastOccupied()) {
            throw new StepFault("needs at least two different values in the field, but all its pixels have the same");
        }
        OptionalDouble cut = rule == Rule.SHARE
                ? Share.cut(histogram, values.get(SHARE), keep == Keep.DARK)
                : rule == Rule.GENERALISED ? generalised().cut(histogram) : rule.cut(histogram);
        return cut.orElseThrow(() -> new StepFault("finds no cut by this rule: " + why()));
    }

    private Generalised generalised() {
        return new Generalised(values.get(NU), values.get(TAU), values.get(KAPPA), values.get(OMEGA));
    }

    private String why() {
        return switch (rule) {
            case VALLEY -> "the histogram has one peak, and so no valley";
            case MIXTURE -> "the two curves fitted to the histogram end up in one place";
            case MINIMUM_ERROR, GENERALISED -> "there are too few values to give each side a spread";
            case OTSU,
                    VALLEY_EMPHASIS,
                    ITERATIVE_MEAN,
                    MAX_ENTROPY,
                    MIN_CROSS_ENTROPY,
                    MOMENTS,
                    TRIANGLE,
                    UNIMODAL,
                    SHARE,
                    MANUAL -> "the values do not part";
        };
    }

    private Outcome outcome(State before, Cut chosen, Findings findings, Site site) throws StepFault {
        Mask mask = chosen.mask(before.plane(), before.field(), site.work());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), findings.with("chosen-percent", percent));
    }
}
