package keentally.core.refine;

import keentally.core.work.Work;

/**
 * What pixels settle on that each hold together with every other one.
 *
 * <p>Definition: the mean field of a fully connected conditional random field. Every round, the part of class l at pixel i becomes proportional to exp(−cost +
 * w<sub>a</sub>·Σ<sub>j</sub> k<sub>a</sub>(i,j)·q<sub>j</sub>(l) + w<sub>s</sub>·Σ<sub>j</sub> k<sub>s</sub>(i,j)·q<sub>j</sub>(l)), all pixels at once. k<sub>a</sub> is a bell in place and colour, k<sub>s</sub> in place alone; both are
 * divided by the roots of their sums at i and at j, so that weights mean the same whatever the widths. A pixel's own vote is in its sums.
 *
 * <p>Edge cases: pixels that do not count take no part. Accuracy: {@link Lattice}'s for k<sub>a</sub>; k<sub>s</sub> is cut off at three sigma. Cost: linear in pixels, classes
 * and rounds. Threads: the same bits with any number.
 *
 * <p>Source: P. Krähenbühl and V. Koltun (2011), Efficient inference in fully connected CRFs with Gaussian edge potentials, NIPS 24, 109–117; the
 * dividing by sums: by the same (2013), Parameter learning and convergent inference for dense random fields, ICML 30, 513–521.
 */
final class MeanField {
    private static final double CUT = 3;

    private final int width;
    private final int height;
    private final int classes;
    private final RefinePlan plan;
    private final float[][] costs;
    private final Kernel alike;
    private final Kernel near;
    private final Work work;

    /** Sums over all pixels, weighed. */
    private interface Sums {
        float[] of(float[] in);
    }

    /** @param root for each pixel one over the root of its sum, 0 where it does not count @param all the sum of those of all */
    private record Kernel(Sums sums, float[] root, float[] all) {}

    /**
     * A field to be settled.
     *
     * @param features in units of their widths, place first
     * @param counts 1 where a pixel takes part, else 0
     * @param costs for each class its cost at each pixel
     */
    MeanField(int width, int height, float[][] features, float[] counts, float[][] costs, RefinePlan plan, Work work) {
        this.width = width;
        this.height = height;
        this.classes = costs.length;
        this.plan = plan;
        this.costs = costs;
        this.work = work;
        Lattice lattice = Lattice.of(features, work);
        this.alike = kernel(in -> lattice.sums(in, work), counts);
        float[] bell = bell(plan.smooth());
        this.near = kernel(in -> smoothed(in, bell), counts);
    }

    private static Kernel kernel(Sums sums, float[] counts) {
        float[] root = sums.of(counts);
        for (int i = 0; i < root.length; i++) {
            root[i] = counts[i] == 0 ? 0 : (float) (1 / Math.sqrt(Math.max(root[i], Float.MIN_NORMAL)));
        }
        float[] all = sums.of(root);
        for (int i = 0; i < all.length; i++) {
            all[i] *= root[i];
        }
        return new Kernel(sums, root, all);
    }

    /** For each class its part at each pixel after all rounds. */
    float[][] settled() {
        float[][] parts = new float[classes][width * height];
        work.bands(width * height, (from, to) -> {
            double[] energy = new double[classes];
            for (int i = from; i < to; i++) {
                for (int c = 0; c < classes; c++) {
                    energy[c] = -costs[c][i];
                }
                share(energy, parts, i);
            }
        });
        for (int round = 0; round < plan.rounds(); round++) {
            work.cancel().check();
            float[][] fromAlike = votes(alike, parts);
            float[][] fromNear = votes(near, parts);
            work.bands(width * height, (from, to) -> {
                double[] energy = new double[classes];
                for (int i = from; i < to; i++) {
                    energies(i, fromAlike, fromNear, energy);
                    share(energy, parts, i);
                }
            });
        }
        return parts;
    }

    /** Of all classes but the last, which has what is left. */
    private float[][] votes(Kernel kernel, float[][] parts) {
        float[][] votes = new float[classes - 1][];
        float[] in = new float[width * height];
        float[] root = kernel.root();
        for (int c = 0; c < votes.length; c++) {
            float[] part = parts[c];
            work.bands(width * height, (from, to) -> {
                for (int i = from; i < to; i++) {
                    in[i] = part[i] * root[i];
                }
            });
            votes[c] = kernel.sums().of(in);
        }
        return votes;
    }

    private void energies(int i, float[][] fromAlike, float[][] fromNear, double[] energy) {
        int last = classes - 1;
        double restAlike = alike.all()[i];
        double restNear = near.all()[i];
        for (int c = 0; c < last; c++) {
            double a = fromAlike[c][i] * alike.root()[i];
            double n = fromNear[c][i] * near.root()[i];
            restAlike -= a;
            restNear -= n;
            energy[c] = -costs[c][i] + plan.appearance() * a + plan.smoothness() * n;
        }
        energy[last] = -costs[last][i] + plan.appearance() * restAlike + plan.smoothness() * restNear;
    }

    /** Parts in proportion to the exponentials. */
    private static void share(double[] energy, float[][] parts, int at) {
        double most = energy[0];
        for (double e : energy) {
            most = Math.max(most, e);
        }
        double sum = 0;
        for (int c = 0; c < energy.length; c++) {
            energy[c] = energy[c] == most ? 1 : StrictMath.exp(energy[c] - most);
            sum += energy[c];
        }
        for (int c = 0; c < energy.length; c++) {
            parts[c][at] = (float) (energy[c] / sum);
        }
    }

    private static float[] bell(double sigma) {
        int reach = Math.max(1, (int) Math.ceil(CUT * sigma));
        float[] bell = new float[2 * reach + 1];
        for (int i = -reach; i <= reach; i++) {
            bell[i + reach] = (float) StrictMath.exp(-i * i / (2 * sigma * sigma));
        }
        return bell;
    }

    /** Nothing lies beyond the border. */
    private float[] smoothed(float[] in, float[] bell) {
        float[] across = new float[in.length];
        float[] out = new float[in.length];
        int reach = bell.length / 2;
        work.bands(height, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int k = -reach; k <= reach; k++) {
                    float weight = bell[k + reach];
                    int last = y * width + Math.min(width, width - k);
                    for (int i = y * width + Math.max(0, -k); i < last; i++) {
                        across[i] += weight * in[i + k];
                    }
                }
            }
        });
        work.bands(height, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int k = Math.max(-reach, -y); k <= Math.min(reach, height - 1 - y); k++) {
                    float weight = bell[k + reach];
                    int shift = k * width;
                    for (int i = y * width; i < (y + 1) * width; i++) {
                        out[i] += weight * across[i + shift];
                    }
                }
            }
        });
        return out;
    }
}
