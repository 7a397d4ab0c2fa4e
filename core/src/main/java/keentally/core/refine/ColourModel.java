package keentally.core.refine;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.Points;
import keentally.core.work.Work;

/**
 * The colours of a side: a few round heaps, around centres that k-means finds.
 *
 * <p>Definition: the likelihood of a colour is the sum over heaps of weight · s<sup>−d</sup> · exp(−|c − centre|²/2s²), with s² the mean square distance of the heap's
 * colours for each of the d channels, and at least {@value #LEAST_SPREAD} squared. Colours on the 0 to 255 scale.
 */
final class ColourModel {
    private static final int HEAPS = 5;
    private static final double LEAST_SPREAD = 5;
    private static final double LEAST = 1e-12;
    private static final double NEAR = 9;

    private final int channels;
    private final double[] centres;
    private final double[] factor;
    private final double[] perSquare;

    private ColourModel(int channels, double[] centres, double[] factor, double[] perSquare) {
        this.channels = channels;
        this.centres = centres;
        this.factor = factor;
        this.perSquare = perSquare;
    }

    /** @param colours at least one: for each its channels one after the other */
    static ColourModel of(double[] colours, int channels, Work work) {
        int count = colours.length / channels;
        double[] weights = new double[count];
        Arrays.fill(weights, 1);
        Points points = new Points(channels, colours, weights);
        KMeans.Partition parted = IntStream.iterate(HEAPS, k -> k - 1) // as many as there are different colours
                .limit(HEAPS)
                .mapToObj(k -> KMeans.of(points, k, 1, 1, work))
                .flatMap(Optional::stream)
                .findFirst()
                .orElseThrow();
        int heaps = parted.centres().length / channels;
        double[] squares = new double[heaps];
        int[] counts = new int[heaps];
        for (int i = 0; i < count; i++) {
            int heap = parted.groups()[i];
            counts[heap]++;
            for (int c = 0; c < channels; c++) {
                double apart = colours[i * channels + c] - parted.centres()[heap * channels + c];
                squares[heap] += apart * apart;
            }
        }
        double[] factor = new double[heaps];
        double[] perSquare = new double[heaps];
        for (int h = 0; h < heaps; h++) {
            double variance = Math.max(LEAST_SPREAD * LEAST_SPREAD, squares[h] / Math.max(1, counts[h]) / channels);
            factor[h] = (double) counts[h] / count / StrictMath.pow(variance, channels / 2.0);
            perSquare[h] = 1 / (2 * variance);
        }
        return new ColourModel(channels, parted.centres(), factor, perSquare);
    }

    /** Whether a colour lies in one of the heaps: within three of its spreads. */
    boolean holds(float[][] planes, int pixel) {
        for (int h = 0; h < factor.length; h++) {
            if (square(planes, pixel, h) * perSquare[h] < NEAR * channels / 2) {
                return true;
            }
        }
        return false;
    }

    private double square(float[][] planes, int pixel, int heap) {
        double square = 0;
        for (int c = 0; c < channels; c++) {
            double apart = planes[c][pixel] - centres[heap * channels + c];
            square += apart * apart;
        }
        return square;
    }

    /** The logarithm of the likelihood, up to a summand that is the same for all. */
    double logLikelihood(float[][] planes, int pixel) {
        double sum = LEAST;
        for (int h = 0; h < factor.length; h++) {
            sum += factor[h] * StrictMath.exp(-square(planes, pixel, h) * perSquare[h]);
        }
        return StrictMath.log(sum);
    }
}
