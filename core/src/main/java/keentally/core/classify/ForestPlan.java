package keentally.core.classify;

import keentally.core.work.Deadline;
import keentally.core.work.Work;

/**
 * How a forest is grown.
 *
 * @param trees how many, from 1 to 1,000
 * @param depth the most decisions on the way to a leaf, from 1 to 40
 * @param leastLeaf a leaf holds at least so many examples
 * @param seed of all chance in it
 */
public record ForestPlan(int trees, int depth, int leastLeaf, long seed) implements LearnerPlan {
    public static final ForestPlan USUAL = new ForestPlan(64, 18, 2, 1);
    private static final int MOST_TREES = 1000;
    private static final int MOST_DEPTH = 40;

    public ForestPlan {
        if (trees < 1 || trees > MOST_TREES) {
            throw new IllegalArgumentException("a forest has 1 to 1,000 trees, but not " + trees);
        }
        if (depth < 1 || depth > MOST_DEPTH) {
            throw new IllegalArgumentException("a tree is 1 to 40 decisions deep, but not " + depth);
        }
        if (leastLeaf < 1) {
            throw new IllegalArgumentException("a leaf holds at least one example, but not " + leastLeaf);
        }
    }

    @Override
    public Forest learn(Examples examples, Work work, Deadline until) {
        return Forest.grown(examples, this, work, until);
    }

    /** With other trees. */
    public ForestPlan of(int other) {
        return new ForestPlan(other, depth, leastLeaf, seed);
    }
}
