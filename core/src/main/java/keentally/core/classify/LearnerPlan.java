package keentally.core.classify;

import keentally.core.work.Work;

/** How something is to be learnt. */
public sealed interface LearnerPlan permits ForestPlan, LinearPlan {
    /** Learns from all of some examples; the same plan and examples give the same outcome. */
    Learnt learn(Examples examples, Work work);
}
