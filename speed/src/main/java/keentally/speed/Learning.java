package keentally.speed;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.ForestPlan;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Learning by examples: features of 12 megapixels, a forest of 64 trees grown on 50,000 examples, and 1.2 million pixels asked of it. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Learning extends TwoThreads {
    private static final int EXAMPLES = 50_000;
    private static final int ASKED = 1_200_000;
    private static final int COLUMNS = 960;
    private static final int ROWS = 160;
    private static final FeatureSet SET = new FeatureSet(Arrays.asList(FeatureGroup.values()), false, 1);

    private Picture picture;
    private Examples examples;
    private Forest forest;
    private float[][] asked;

    /** Noise with waves, and two classes that the first features tell apart for the most part. */
    @Setup(Level.Trial)
    public void draw() {
        SplittableRandom random = new SplittableRandom(3);
        byte[] values = new byte[Drawn.WIDTH * Drawn.HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i / 5 % 60 + random.nextInt(150));
        }
        picture = Picture.grey(Plane8.of(Drawn.WIDTH, Drawn.HEIGHT, values));
        int features = SET.features().size();
        float[][] learnt = numbers(random, features, EXAMPLES);
        int[] classOf = new int[EXAMPLES];
        for (int i = 0; i < EXAMPLES; i++) {
            classOf[i] = learnt[0][i] + learnt[3][i] * learnt[5][i] + 0.2 * random.nextDouble() > 0.8 ? 1 : 0;
        }
        examples = new Examples(learnt, classOf, 2, new int[EXAMPLES]);
        forest = growForest();
        asked = numbers(random, features, ASKED);
    }

    private static float[][] numbers(SplittableRandom random, int features, int count) {
        float[][] numbers = new float[features][count];
        for (float[] feature : numbers) {
            for (int i = 0; i < count; i++) {
                feature[i] = (float) random.nextDouble();
            }
        }
        return numbers;
    }

    /** Tile by tile, as a station works; a sum of each, so that nothing is left out. */
    @Benchmark
    public List<Float> features() {
        FeatureRows rows = FeatureRows.of(SET, picture, picture).orElseThrow();
        int across = (Drawn.WIDTH + COLUMNS - 1) / COLUMNS;
        return work.map(across * ((Drawn.HEIGHT + ROWS - 1) / ROWS), t -> {
            int left = t % across * COLUMNS;
            int top = t / across * ROWS;
            float sum = 0;
            for (float[] feature :
                    rows.read(left, Math.min(Drawn.WIDTH, left + COLUMNS), top, Math.min(Drawn.HEIGHT, top + ROWS))) {
                sum += feature[0];
            }
            return sum;
        });
    }

    @Benchmark
    public Forest growForest() {
        return Forest.grown(examples, ForestPlan.USUAL, work);
    }

    /** In two halves, as a picture's stretches are. */
    @Benchmark
    public List<Integer> askForest() {
        return work.map(2, half -> {
            float[][] mine = new float[asked.length][];
            for (int f = 0; f < mine.length; f++) {
                mine[f] = Arrays.copyOfRange(asked[f], half * ASKED / 2, (half + 1) * ASKED / 2);
            }
            return (int) forest.classOf(mine, ASKED / 2)[0];
        });
    }
}
