package keentally.core.step;

import java.math.BigDecimal;
import java.math.MathContext;
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
import keentally.core.threshold.MultiLevel;
import keentally.core.threshold.rule.Generalised;
import keentally.core.threshold.rule.Rule;
import keentally.core.threshold.rule.Share;

/** Chooses the pixels on one side of a cut, or between two, or outside of two. */
public final class ThresholdStep implements Step, Fitting {
    public static final String ID = "threshold";

    enum Keep {
        BRIGHT,
        DARK,
        /** Above the low end and up to the high one; either may be left out. */
        BETWEEN,
        /** What is not between. */
        OUTSIDE
    }

    private static final MathContext SIX_DIGITS = new MathContext(6);

    /** Pixels of a picture of which the mask itself is there within two pulses of the screen. */
    private static final long SOON = 24_000_000;

    public static final ChoiceSetting<Rule> RULE = ChoiceSetting.of("rule", Rule.OTSU);
    public static final ChoiceSetting<Keep> KEEP = ChoiceSetting.of("keep", Keep.BRIGHT);
    public static final NumberSetting CUT =
            NumberSetting.needed("cut", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BRIGHT, Keep.DARK));
    public static final NumberSetting LOW =
            NumberSetting.free("low", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BETWEEN, Keep.OUTSIDE));
    public static final NumberSetting HIGH =
            NumberSetting.free("high", Condition.is(RULE, Rule.MANUAL), Condition.is(KEEP, Keep.BETWEEN, Keep.OUTSIDE));
    private static final NumberSetting SHARE = NumberSetting.of("share", 50, 0, 100, Condition.is(RULE, Rule.SHARE));
    private static final Condition GENERALISED = Condition.is(RULE, Rule.GENERALISED);
    private static final NumberSetting NU = NumberSetting.of("nu", Generalised.USUAL.nu(), 0, 1e9, GENERALISED);
    private static final NumberSetting TAU = NumberSetting.of("tau", Generalised.USUAL.tau(), 0, 100, GENERALISED);
    private static final NumberSetting KAPPA =
            NumberSetting.of("kappa", Generalised.USUAL.kappa(), 0, 1e9, GENERALISED);
    private static final NumberSetting OMEGA = NumberSetting.of("omega", Generalised.USUAL.omega(), 0, 1, GENERALISED);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(RULE, KEEP, CUT, LOW, HIGH, SHARE, NU, TAU, KAPPA, OMEGA),
            ThresholdStep::begin,
            ThresholdStep::new);

    /**
     * A cut by hand begins where the cut was that is shown, else at Otsu's; two ends begin at the exact two-level cuts, and are set by hand.
     * A rule that is chosen while there are two ends keeps what is bright.
     */
    private static Values begin(Beginning.Inputs made) throws StepFault {
        Values now = made.now();
        boolean ends = hasTwoEnds(now.get(KEEP));
        boolean ruleChosen =
                now.get(RULE) != Rule.MANUAL && now.get(RULE) != made.before().get(RULE);
        if (ends && ruleChosen) {
            return now.with(KEEP, Keep.BRIGHT);
        }
        if (!ends) {
            return now.find(CUT).isPresent() ? now : now.with(CUT, beginningCut(made));
        }
        Values byHand = now.with(RULE, Rule.MANUAL);
        if (byHand.find(LOW).isPresent() || byHand.find(HIGH).isPresent()) {
            return byHand;
        }
        Histogram h = made.entering().needHistogram(made.work());
        double[] cuts = MultiLevel.cuts(h, 2);
        return cuts.length == 2
                ? byHand.with(LOW, rounded(cuts[0])).with(HIGH, rounded(cuts[1]))
                : byHand.with(LOW, h.lowest()).with(HIGH, h.upperEdge(h.lastOccupied()));
    }

    /** More digits than these nobody means by hand. */
    private static double rounded(double value) {
        return new BigDecimal(value).round(SIX_DIGITS).doubleValue();
    }

    private static double beginningCut(Beginning.Inputs made) throws StepFault {
        if (!made.found().cuts().isEmpty()) {
            return made.found().cuts().getFirst();
        }
        Histogram h = made.entering().needHistogram(made.work());
        return Rule.OTSU.cut(h).orElse(h.lowest());
    }

    private final Rule rule;
    private final Keep keep;
    private final Values values;

    private ThresholdStep(Values values) {
        this.rule = values.get(RULE);
        this.keep = values.get(KEEP);
        this.values = values;
        if (hasTwoEnds(keep)) {
            Optional<Double> low = values.find(LOW);
            Optional<Double> high = values.find(HIGH);
            String what = "keeping what lies " + ChoiceSetting.word(keep);
            if (rule != Rule.MANUAL) {
                throw new IllegalArgumentException(what + " needs the rule manual with 'low' or 'high'");
            }
            if (low.isEmpty() && high.isEmpty()) {
                throw new IllegalArgumentException(what + " needs 'low' or 'high', or both");
            }
            if (low.isPresent() && high.isPresent() && low.get() > high.get()) {
                throw new IllegalArgumentException("'low' must not be above 'high'");
            }
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        return apply(before, site, 1);
    }

    private Outcome apply(State before, Site site, int every) throws StepFault {
        before.plane();
        if (hasTwoEnds(keep)) {
            return twoEnds(before, site, every);
        }
        double at = rule == Rule.MANUAL ? values.get(CUT) : found(before, site);
        Cut cut = keep == Keep.DARK ? Cut.dark(at) : Cut.bright(at);
        return outcome(before, mask(cut, before, site, every), Findings.NONE.cut(Findings.CUT, at));
    }

    /** On large pictures seen from afar: rows that are looked at are exact, those between are like the one above, and the share is that of such a mask, until the hand lets go. */
    @Override
    public Optional<Nimble> nimble(State before, int every) {
        long pixels = (long) before.field().width() * before.field().height();
        return every > 1 && pixels > SOON ? Optional.of(new Drag(every)) : Optional.empty();
    }

    private final class Drag implements Nimble {
        private final int every;

        Drag(int every) {
            this.every = every;
        }

        @Override
        public Object beside() {
            return "";
        }

        @Override
        public State prepared(State before, Site site) {
            return before;
        }

        @Override
        public Outcome answered(State prepared, Site site) throws StepFault {
            return apply(prepared, site, every);
        }
    }

    @Override
    public boolean fits() {
        return rule != Rule.MANUAL;
    }

    @Override
    public boolean hangsOn(Setting<?> setting) {
        return setting != KEEP;
    }

    @Override
    public Values held(Values now, State before, Site site) throws StepFault {
        before.plane();
        return now.with(RULE, Rule.MANUAL).with(CUT, found(before, site));
    }

    private static boolean hasTwoEnds(Keep keep) {
        return keep == Keep.BETWEEN || keep == Keep.OUTSIDE;
    }

    private Outcome twoEnds(State before, Site site, int every) throws StepFault {
        Optional<Double> low = values.find(LOW);
        Optional<Double> high = values.find(HIGH);
        boolean between = keep == Keep.BETWEEN;
        Mask mask;
        if (between) {
            Cut cut = new Cut(low.orElse(Double.NEGATIVE_INFINITY), high.orElse(Double.POSITIVE_INFINITY));
            mask = mask(cut, before, site, every);
        } else {
            Cut under = Cut.dark(low.orElse(Double.NEGATIVE_INFINITY));
            Cut over = Cut.bright(high.orElse(Double.POSITIVE_INFINITY));
            mask = mask(under, before, site, every).or(mask(over, before, site, every));
        }
        Findings ends = Findings.NONE;
        if (low.isPresent()) {
            ends = ends.cut(between ? "low" : "below", low.get());
        }
        return outcome(before, mask, high.isPresent() ? ends.cut(between ? "high" : "beyond", high.get()) : ends);
    }

    private static Mask mask(Cut cut, State before, Site site, int every) throws StepFault {
        return cut.mask(before.plane(), before.field(), every, site.work());
    }

    private double found(State before, Site site) throws StepFault {
        Histogram histogram = before.needHistogram(site.work());
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

    private static Outcome outcome(State before, Mask mask, Findings findings) {
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), findings.percent(Findings.CHOSEN, percent));
    }
}
