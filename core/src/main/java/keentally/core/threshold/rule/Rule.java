package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import java.util.function.Function;
import keentally.core.stats.Histogram;

/** The ways to find one cut, in groups of one idea each. */
public enum Rule {
    OTSU(Idea.SPREAD, Otsu::cut),
    VALLEY_EMPHASIS(Idea.SPREAD, ValleyEmphasis::cut),
    ITERATIVE_MEAN(Idea.SPREAD, IterativeMean::cut),
    MAX_ENTROPY(Idea.ENTROPY, MaxEntropy::cut),
    MIN_CROSS_ENTROPY(Idea.ENTROPY, MinCrossEntropy::cut),
    MINIMUM_ERROR(Idea.FITTED, MinimumError::cut),
    MIXTURE(Idea.FITTED, Mixture::cut),
    MOMENTS(Idea.FITTED, Moments::cut),
    /** Has settings of its own: {@link Generalised}. */
    GENERALISED(Idea.FITTED, h -> Generalised.USUAL.cut(h)),
    TRIANGLE(Idea.SHAPE, Triangle::cut),
    UNIMODAL(Idea.SHAPE, Unimodal::cut),
    VALLEY(Idea.SHAPE, Valley::cut),
    /** Has a setting of its own: {@link Share}. */
    SHARE(Idea.SHARE, h -> OptionalDouble.empty()),
    MANUAL(Idea.HAND, h -> OptionalDouble.empty());

    private final Idea idea;
    private final Function<Histogram, OptionalDouble> cut;

    Rule(Idea idea, Function<Histogram, OptionalDouble> cut) {
        this.idea = idea;
        this.cut = cut;
    }

    public Idea idea() {
        return idea;
    }

    /** Whether the histogram alone gives the cut. */
    public boolean isAutomatic() {
        return this != SHARE && this != MANUAL;
    }

    /** The highest value of the dark side; empty where the rule finds none, or is not automatic. */
    public OptionalDouble cut(Histogram histogram) {
        return cut.apply(histogram);
    }
}
