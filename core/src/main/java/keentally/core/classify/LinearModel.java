package keentally.core.classify;

import de.bwaldvogel.liblinear.Feature;
import de.bwaldvogel.liblinear.FeatureNode;
import de.bwaldvogel.liblinear.Linear;
import de.bwaldvogel.liblinear.Model;
import de.bwaldvogel.liblinear.Parameter;
import de.bwaldvogel.liblinear.Problem;
import de.bwaldvogel.liblinear.SolverType;
import java.util.Arrays;
import keentally.core.work.Work;

/**
 * A class for each side of a plane: weighed sums of features.
 *
 * <p>Definition: every feature is taken from its mean over the examples and divided by their standard deviation. For each class a logistic regression with
 * squared weights as penalty parts it from all others, every class weighing as much as any other; the chances of a pixel are those of its classes, divided by their sum. It has
 * converged where no class took all the rounds it was given.
 *
 * <p>Edge cases: a feature that never changes counts for nothing. Threads: classes are trained side by side; the same bytes come out with any number.
 *
 * <p>Source: R.-E. Fan, K.-W. Chang, C.-J. Hsieh, X.-R. Wang and C.-J. Lin (2008), LIBLINEAR: a library for large linear classification, Journal of
 * Machine Learning Research 9, 1871–1874; solved by its trust region Newton method.
 *
 * @param means of the features
 * @param spreads their standard deviations; 1 where they never change
 * @param weights for each class its weight of each feature, and at the end what is added
 * @param converged whether more rounds would change nothing
 */
public record LinearModel(float[] means, float[] spreads, float[][] weights, boolean converged) implements Learnt {
    private static final double NEAR = 0.01;

    @Override
    public int classes() {
        return weights.length;
    }

    @Override
    public int features() {
        return means.length;
    }

    static LinearModel trained(Examples examples, LinearPlan plan, Work work) {
        int features = examples.features().length;
        float[] means = new float[features];
        float[] spreads = new float[features];
        for (int f = 0; f < features; f++) {
            double mean = mean(examples.features()[f]);
            double square = 0;
            for (float v : examples.features()[f]) {
                square += (v - mean) * (v - mean);
            }
            means[f] = (float) mean;
            double spread = Math.sqrt(square / examples.count());
            spreads[f] = spread > 0 ? (float) spread : 1;
        }
        Feature[][] rows = rows(examples, means, spreads);
        float[][] weights = new float[examples.classes()][];
        boolean[] converged = new boolean[examples.classes()];
        Linear.disableDebugOutput();
        work.each(examples.classes(), c -> {
            Problem problem = problem(examples, rows, c);
            double[] learnt = solved(problem, plan, examples, c);
            weights[c] = new float[features + 1];
            for (int f = 0; f <= features; f++) {
                weights[c][f] = (float) learnt[f];
            }
            converged[c] = isNear(problem, learnt, plan, examples, c);
        });
        boolean all = true;
        for (boolean one : converged) {
            all &= one;
        }
        return new LinearModel(means, spreads, weights, all);
    }

    private static double mean(float[] values) {
        double sum = 0;
        for (float v : values) {
            sum += v;
        }
        return sum / values.length;
    }

    /** The last feature is always 1. */
    private static Feature[][] rows(Examples examples, float[] means, float[] spreads) {
        int features = means.length;
        Feature[][] rows = new Feature[examples.count()][features + 1];
        for (int i = 0; i < rows.length; i++) {
            for (int f = 0; f < features; f++) {
                rows[i][f] = new FeatureNode(f + 1, (examples.features()[f][i] - means[f]) / spreads[f]);
            }
            rows[i][features] = new FeatureNode(features + 1, 1);
        }
        return rows;
    }

    private static Problem problem(Examples examples, Feature[][] rows, int c) {
        Problem problem = new Problem();
        problem.l = rows.length;
        problem.n = rows[0].length;
        problem.x = rows;
        problem.bias = -1;
        problem.y = Arrays.stream(examples.classOf())
                .mapToDouble(k -> k == c ? 1 : -1)
                .toArray();
        return problem;
    }

    private static double[] solved(Problem problem, LinearPlan plan, Examples examples, int c) {
        Parameter parameter = new Parameter(SolverType.L2R_LR, plan.cost(), NEAR, plan.rounds(), 0.1);
        parameter.setWeights(new double[] {weight(examples, c, true), weight(examples, c, false)}, new int[] {1, -1});
        Model model = Linear.train(problem, parameter);
        double[] weights = model.getFeatureWeights();
        double sign = model.getLabels()[0] == 1 ? 1 : -1; // it takes the first label that it meets for the inside
        return Arrays.stream(weights).map(w -> sign * w).toArray();
    }

    /** As much for the one class as for all others together. */
    private static double weight(Examples examples, int c, boolean inside) {
        long of = Arrays.stream(examples.classOf()).filter(k -> k == c).count();
        return examples.count() / (2.0 * (inside ? of : examples.count() - of));
    }

    /** As the solver judges it: the slope is a hundredth of that at the beginning, and less where one side has few examples. */
    private static boolean isNear(Problem problem, double[] weights, LinearPlan plan, Examples examples, int c) {
        long of = Arrays.stream(examples.classOf()).filter(k -> k == c).count();
        double few = Math.max(1, Math.min(of, problem.l - of)) / (double) problem.l;
        double at = slope(problem, weights, plan, examples, c);
        double start = slope(problem, new double[weights.length], plan, examples, c);
        return at <= NEAR * few * start * (1 + 1e-6);
    }

    private static double slope(Problem problem, double[] weights, LinearPlan plan, Examples examples, int c) {
        double inside = plan.cost() * weight(examples, c, true);
        double outside = plan.cost() * weight(examples, c, false);
        double[] slope = weights.clone();
        for (int i = 0; i < problem.l; i++) {
            double sum = 0;
            for (Feature f : problem.x[i]) {
                sum += weights[f.getIndex() - 1] * f.getValue();
            }
            double y = problem.y[i];
            double pull = (y > 0 ? inside : outside) * (1 / (1 + StrictMath.exp(-y * sum)) - 1) * y;
            for (Feature f : problem.x[i]) {
                slope[f.getIndex() - 1] += pull * f.getValue();
            }
        }
        return Math.sqrt(Arrays.stream(slope).map(s -> s * s).sum());
    }

    @Override
    public float[] probabilities(float[][] values, int count) {
        int classes = classes();
        float[] out = new float[count * classes];
        double[] sums = new double[classes];
        for (int i = 0; i < count; i++) {
            double all = 0;
            for (int c = 0; c < classes; c++) {
                double sum = weights[c][means.length];
                for (int f = 0; f < means.length; f++) {
                    sum += weights[c][f] * (values[f][i] - means[f]) / spreads[f];
                }
                sums[c] = 1 / (1 + StrictMath.exp(-sum));
                all += sums[c];
            }
            for (int c = 0; c < classes; c++) {
                out[i * classes + c] = (float) (all > 0 ? sums[c] / all : 1.0 / classes);
            }
        }
        return out;
    }
}
