package keentally.core.refine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class LatticeTest {
    private static final int SIDE = 40;

    /** A picture of two tones with noise: place and value in units of the bell. */
    private static float[][] features(int dimensions, long seed) {
        Random random = new Random(seed);
        float[][] features = new float[dimensions][SIDE * SIDE];
        for (int i = 0; i < SIDE * SIDE; i++) {
            features[0][i] = i % SIDE / 8f;
            features[1][i] = i / SIDE / 8f;
            for (int d = 2; d < dimensions; d++) {
                features[d][i] = (i % SIDE < SIDE / 2 ? 0 : 4) + (float) random.nextGaussian() / 2;
            }
        }
        return features;
    }

    private static float[] values(long seed) {
        Random random = new Random(seed);
        float[] values = new float[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            values[i] = i / SIDE > SIDE / 3 + 6 * random.nextDouble() ? 1 : 0;
        }
        return values;
    }

    private static double plain(float[][] features, float[] values, int i) {
        double sum = 0;
        double all = 0;
        for (int j = 0; j < values.length; j++) {
            double apart = 0;
            for (float[] f : features) {
                apart += (f[i] - f[j]) * (f[i] - f[j]);
            }
            sum += values[j] * Math.exp(-apart / 2);
            all += Math.exp(-apart / 2);
        }
        return sum / all;
    }

    @Test
    void meansAreThoseOfAPlainDoubleLoop() {
        for (int dimensions = 2; dimensions <= 5; dimensions++) {
            float[][] features = features(dimensions, dimensions);
            float[] values = values(dimensions);
            float[] ones = new float[values.length];
            Arrays.fill(ones, 1);
            Lattice lattice = Lattice.of(features, Work.alone());
            float[] sums = lattice.sums(values, Work.alone());
            float[] all = lattice.sums(ones, Work.alone());
            double worst = 0;
            double mean = 0;
            for (int i = 0; i < values.length; i++) {
                double off = Math.abs(sums[i] / all[i] - plain(features, values, i));
                worst = Math.max(worst, off);
                mean += off / values.length;
            }
            assertThat(worst).as("worst in %d dimensions", dimensions).isLessThan(0.1);
            assertThat(mean).as("mean in %d dimensions", dimensions).isLessThan(0.015);
        }
    }

    @Test
    void theSameBitsComeOutWithAnyNumberOfThreads() {
        float[][] large = new float[5][60_000];
        Random random = new Random(5);
        for (int i = 0; i < large[0].length; i++) {
            large[0][i] = i % 300 / 20f;
            large[1][i] = i / 300 / 20f;
            for (int d = 2; d < 5; d++) {
                large[d][i] = random.nextInt(12) / 3f;
            }
        }
        float[] alone = Lattice.of(large, Work.alone()).sums(large[2], Work.alone());
        try (Workers workers = Workers.of(3)) {
            Work shared = new Work(workers, new Cancel());
            assertThat(Lattice.of(large, shared).sums(large[2], shared)).isEqualTo(alone);
        }
    }
}
