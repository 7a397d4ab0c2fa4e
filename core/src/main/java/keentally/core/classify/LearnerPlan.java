package keentally.core.classify;

import keentally.core.work.Deadline;
import keentally.core.work.Work;

/** How something is to be learnt. */
public sealed interface LearnerPlan permits ForestPlan, LinearPlan {
    /** Learns from all of some examples; the same plan and examples give the same outcome. */
    default Learnt learn(Examples examples, Work work) {
        return learn(examples, work, Deadline.NEVER);
    }

    /** Learns until a time; what can be cut short is. */
    Learnt learn(Examples examples, Work work, Deadline until);
}
