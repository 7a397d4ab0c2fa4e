package keentally.core.classify;

import keentally.core.work.Deadline;
import keentally.core.work.Work;

/**
 * How a linear learner is trained.
 *
 * @param cost how much an example on the wrong side weighs against large weights, above 0
 * @param rounds the most steps towards the best weights, from 1 to 10,000
 */
public record LinearPlan(double cost, int rounds) implements LearnerPlan {
    public static final LinearPlan USUAL = new LinearPlan(1, 100);
    private static final int MOST_ROUNDS = 10_000;

    public LinearPlan {
        if (!(cost > 0 && cost <= 1e6)) {
            throw new IllegalArgumentException("a cost is above 0 and at most 1,000,000, but not " + cost);
        }
        if (rounds < 1 || rounds > MOST_ROUNDS) {
            throw new IllegalArgumentException("a linear learner has 1 to 10,000 rounds, but not " + rounds);
        }
    }

    @Override
    public LinearModel learn(Examples examples, Work work, Deadline until) {
        return LinearModel.trained(examples, this, work);
    }
}
