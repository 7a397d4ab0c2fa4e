package keentally.core.refine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

/** The field against one whose every pixel is asked about every other one, with exact bells. */
class MeanFieldTest {
    private static final int WIDTH = 26;
    private static final int HEIGHT = 20;
    private static final int PIXELS = WIDTH * HEIGHT;
    private static final RefinePlan PLAN = new RefinePlan(5, 20, 4, 1.5, 2, 5);

    private final float[][] features = new float[3][PIXELS];
    private final float[] counts = new float[PIXELS];
    private final float[][] costs;

    MeanFieldTest() {
        this.costs = costs(3);
    }

    /** Bars of three greys with noise, said roughly. */
    private float[][] costs(int classes) {
        Random random = new Random(7);
        float[][] made = new float[classes][PIXELS];
        for (int i = 0; i < PIXELS; i++) {
            int x = i % WIDTH;
            features[0][i] = (float) (x / PLAN.position());
            features[1][i] = (float) (i / WIDTH / PLAN.position());
            features[2][i] = (float) ((80 * (x / 9) + 8 * random.nextGaussian()) / PLAN.colour());
            counts[i] = x < 2 ? 0 : 1;
            int said = Math.min(2, (x + random.nextInt(7) - 3) / 9);
            for (int c = 0; c < classes; c++) {
                made[c][i] = (float) -Math.log(c == Math.max(0, said) ? 0.6 : 0.2);
            }
        }
        return made;
    }

    private double[][] kernel(boolean alike) {
        double[][] k = new double[PIXELS][PIXELS];
        for (int i = 0; i < PIXELS; i++) {
            for (int j = 0; j < PIXELS; j++) {
                double dx = i % WIDTH - j % WIDTH;
                double dy = i / WIDTH - j / WIDTH;
                double sigma = alike ? PLAN.position() : PLAN.smooth();
                double grey = alike ? features[2][i] - features[2][j] : 0;
                k[i][j] = counts[i] * counts[j] * Math.exp(-((dx * dx + dy * dy) / (sigma * sigma) + grey * grey) / 2);
            }
        }
        double[] sum =
                Arrays.stream(k).mapToDouble(row -> Arrays.stream(row).sum()).toArray();
        for (int i = 0; i < PIXELS; i++) {
            for (int j = 0; j < PIXELS; j++) {
                k[i][j] /= Math.sqrt(Math.max(1e-30, sum[i] * sum[j]));
            }
        }
        return k;
    }

    private double[][] plain() {
        double[][] alike = kernel(true);
        double[][] near = kernel(false);
        double[][] parts = shares((c, i) -> 0, new double[3][PIXELS]);
        for (int round = 0; round < PLAN.rounds(); round++) {
            double[][] now = parts;
            parts = shares(
                    (c, i) -> {
                        double votes = 0;
                        for (int j = 0; j < PIXELS; j++) {
                            votes += (PLAN.appearance() * alike[i][j] + PLAN.smoothness() * near[i][j]) * now[c][j];
                        }
                        return votes;
                    },
                    new double[3][PIXELS]);
        }
        return parts;
    }

    /** What others say of a class at a pixel. */
    private interface Votes {
        double of(int c, int i);
    }

    private double[][] shares(Votes votes, double[][] into) {
        for (int i = 0; i < PIXELS; i++) {
            double sum = 0;
            for (int c = 0; c < 3; c++) {
                into[c][i] = Math.exp(votes.of(c, i) - costs[c][i]);
                sum += into[c][i];
            }
            for (int c = 0; c < 3; c++) {
                into[c][i] /= sum;
            }
        }
        return into;
    }

    private static int best(int i, double... parts) {
        return parts[0] >= parts[1] && parts[0] >= parts[2] ? 0 : parts[1] >= parts[2] ? 1 : 2;
    }

    @Test
    void partsAreThoseOfAPlainDoubleLoop() {
        double[][] plain = plain();
        float[][] fast = new MeanField(WIDTH, HEIGHT, features, counts, costs, PLAN, Work.alone()).settled();
        double off = 0;
        int other = 0;
        int changed = 0;
        for (int i = 0; i < PIXELS; i++) {
            for (int c = 0; c < 3; c++) {
                off += Math.abs(plain[c][i] - fast[c][i]) / 3 / PIXELS;
            }
            int settled = best(i, plain[0][i], plain[1][i], plain[2][i]);
            other += settled != best(i, fast[0][i], fast[1][i], fast[2][i]) ? 1 : 0;
            changed += settled != best(i, -costs[0][i], -costs[1][i], -costs[2][i]) ? 1 : 0;
        }
        assertThat(changed).as("something was to be done").isGreaterThan(40);
        assertThat(off).as("mean difference of the parts").isLessThan(0.02);
        assertThat(other).as("pixels that settle on another class").isLessThanOrEqualTo(4);
    }

    @Test
    void theSameBitsComeOutWithAnyNumberOfThreads() {
        float[][] alone = new MeanField(WIDTH, HEIGHT, features, counts, costs, PLAN, Work.alone()).settled();
        try (Workers workers = Workers.of(3)) {
            Work shared = new Work(workers, new Cancel());
            assertThat(new MeanField(WIDTH, HEIGHT, features, counts, costs, PLAN, shared).settled())
                    .isDeepEqualTo(alone);
        }
    }
}
