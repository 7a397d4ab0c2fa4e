package keentally.core.threshold.rule;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/** The rules as their papers write them, a sum over all levels for every cut; levels 0 to counts.length − 1. */
final class SlowRules {
    private final long[] counts;
    private final double n;

    SlowRules(long... counts) {
        this.counts = counts;
        this.n = Arrays.stream(counts).sum();
    }

    /** Σ of f(level) over [from, to] weighed by the share of pixels. */
    private double sum(int from, int to, IntToDoubleFunction f) {
        return IntStream.rangeClosed(from, to)
                .filter(i -> counts[i] > 0)
                .mapToDouble(i -> counts[i] / n * f.applyAsDouble(i))
                .sum();
    }

    private double share(int from, int to) {
        return sum(from, to, i -> 1);
    }

    private double mean(int from, int to) {
        return sum(from, to, i -> i) / share(from, to);
    }

    double variance(int from, int to) {
        double mean = mean(from, to);
        return sum(from, to, i -> (i - mean) * (i - mean)) / share(from, to);
    }

    private int last() {
        return counts.length - 1;
    }

    private long occupied(int from, int to) {
        return IntStream.rangeClosed(from, to).filter(i -> counts[i] > 0).count();
    }

    boolean splits(int k) {
        return counts[k] > 0 && occupied(k + 1, last()) > 0;
    }

    double valleyEmphasis(int k) {
        double dark = mean(0, k);
        double bright = mean(k + 1, last());
        return (1 - counts[k] / n) * (share(0, k) * dark * dark + share(k + 1, last()) * bright * bright);
    }

    double maxEntropy(int k) {
        double p = share(0, k);
        double dark = -sum(0, k, i -> Math.log(counts[i] / n / p)) / p;
        double bright = -sum(k + 1, last(), i -> Math.log(counts[i] / n / (1 - p))) / (1 - p);
        return dark + bright;
    }

    double minCrossEntropy(int k) {
        double dark = sum(0, k, i -> i + 1) / share(0, k);
        double bright = sum(k + 1, last(), i -> i + 1) / share(k + 1, last());
        return -sum(0, k, i -> (i + 1) * Math.log((i + 1) / dark))
                - sum(k + 1, last(), i -> (i + 1) * Math.log((i + 1) / bright));
    }

    double minimumError(int k) {
        if (occupied(0, k) < 2 || occupied(k + 1, last()) < 2) {
            return Double.NaN;
        }
        double p = share(0, k);
        double q = share(k + 1, last());
        double spreads = p * Math.log(Math.sqrt(variance(0, k))) + q * Math.log(Math.sqrt(variance(k + 1, last())));
        return -(1 + 2 * spreads - 2 * (p * Math.log(p) + q * Math.log(q)));
    }

    /** With pixel counts as in the paper: ν and κ times the number of pixels. */
    double generalised(int k, Generalised believed) {
        int first = IntStream.range(0, counts.length)
                .filter(i -> counts[i] > 0)
                .findFirst()
                .orElseThrow();
        int end = IntStream.range(0, counts.length)
                .filter(i -> counts[i] > 0)
                .max()
                .orElseThrow();
        double tau = believed.tau() / 100 * (end - first);
        return side(0, k, believed, tau, believed.omega()) + side(k + 1, last(), believed, tau, 1 - believed.omega());
    }

    private double side(int from, int to, Generalised believed, double tau, double omega) {
        double w = share(from, to) * n;
        double p = w / n;
        double d = variance(from, to) * w;
        double nu = believed.nu() * n;
        double v = (p * nu * tau * tau + d) / (p * nu + w);
        return -d / v - w * Math.log(v) + 2 * (w + believed.kappa() * n * omega) * Math.log(w);
    }

    /** Two levels and a share that keep the raw moments, by the paper's own equations. */
    double moments(int k) {
        double m1 = sum(0, last(), i -> i);
        double m2 = sum(0, last(), i -> (double) i * i);
        double m3 = sum(0, last(), i -> (double) i * i * i);
        double cd = m2 - m1 * m1;
        double c0 = (m1 * m3 - m2 * m2) / cd;
        double c1 = (m1 * m2 - m3) / cd;
        double z0 = (-c1 - Math.sqrt(c1 * c1 - 4 * c0)) / 2;
        double z1 = (-c1 + Math.sqrt(c1 * c1 - 4 * c0)) / 2;
        double p0 = (z1 - m1) / (z1 - z0);
        return -Math.abs(share(0, k) - p0);
    }

    /** Midway between the means of what a cut at {@code t} parts; both sides must hold pixels. */
    double midway(int t) {
        return (mean(0, t) + mean(t + 1, last())) / 2;
    }

    double mean() {
        return mean(0, last());
    }

    /** How far below the line from (peak, top) to (end, height) the bin lies, at right angles to it. */
    double below(int bin, int peak, int end, double height) {
        double run = end - peak;
        double rise = height - counts[peak];
        double line = counts[peak] + rise * (bin - peak) / run;
        return (line - counts[bin]) * Math.abs(run) / Math.hypot(run, rise);
    }

    /** The lowest level between the two peaks that smoothing leaves; −1 where it leaves another number of them. */
    int valley() {
        int first = IntStream.range(0, counts.length)
                .filter(i -> counts[i] > 0)
                .findFirst()
                .orElseThrow();
        int end = IntStream.range(0, counts.length)
                .filter(i -> counts[i] > 0)
                .max()
                .orElseThrow();
        List<Double> heights = new ArrayList<>();
        for (int i = first; i <= end; i++) {
            heights.add((double) counts[i]);
        }
        for (int round = 0; round < 10_000 && peaks(heights).size() > 2; round++) {
            List<Double> next = new ArrayList<>();
            for (int i = 0; i < heights.size(); i++) {
                double left = heights.get(Math.max(0, i - 1));
                double right = heights.get(Math.min(heights.size() - 1, i + 1));
                next.add((left + heights.get(i) + right) / 3);
            }
            heights = next;
        }
        List<Integer> peaks = peaks(heights);
        if (peaks.size() != 2) {
            return -1;
        }
        int lowest = peaks.get(0);
        for (int i = peaks.get(0); i <= peaks.get(1); i++) {
            lowest = heights.get(i) < heights.get(lowest) ? i : lowest;
        }
        return first + lowest;
    }

    /** The first places of runs of equal heights with nothing as high on either side. */
    private static List<Integer> peaks(List<Double> heights) {
        List<Integer> peaks = new ArrayList<>();
        for (int i = 0; i < heights.size(); i++) {
            boolean begins = i == 0 || heights.get(i - 1) < heights.get(i);
            int j = i;
            while (j + 1 < heights.size() && heights.get(j + 1).equals(heights.get(i))) {
                j++;
            }
            boolean ends = j == heights.size() - 1 || heights.get(j + 1) < heights.get(i);
            if (begins && ends) {
                peaks.add(i);
            }
        }
        return peaks;
    }

    /** Share, mean and variance of each of two bells after expectation maximisation from a cut; darker first. */
    double[][] bells(int cut) {
        double[] toDark = new double[counts.length];
        Arrays.fill(toDark, 0, cut + 1, 1);
        double[][] bells = maximised(toDark);
        for (int round = 0; round < 300; round++) {
            double before = bells[0][0];
            for (int i = 0; i < counts.length; i++) {
                double dark = density(bells[0], i);
                double bright = density(bells[1], i);
                toDark[i] = dark + bright > 0 ? dark / (dark + bright) : i < bells[0][1] ? 1 : 0;
            }
            bells = maximised(toDark);
            if (Math.abs(bells[0][0] - before) < 1e-7) {
                break;
            }
        }
        return bells;
    }

    static double density(double[] bell, double x) {
        double off = x - bell[1];
        return bell[0] / Math.sqrt(bell[2]) * Math.exp(-off * off / (2 * bell[2]));
    }

    private double[][] maximised(double[] toDark) {
        double[][] bells = new double[2][];
        for (int c = 0; c < 2; c++) {
            double weight = 0;
            double sum = 0;
            for (int i = 0; i < counts.length; i++) {
                double w = counts[i] * (c == 0 ? toDark[i] : 1 - toDark[i]);
                weight += w;
                sum += w * i;
            }
            double squares = 0;
            for (int i = 0; i < counts.length; i++) {
                double w = counts[i] * (c == 0 ? toDark[i] : 1 - toDark[i]);
                squares += w * (i - sum / weight) * (i - sum / weight);
            }
            bells[c] = new double[] {weight / n, sum / weight, Math.max(1 / 12.0, squares / weight)};
        }
        return bells;
    }
}
