package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SelectionTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void isWhatSortingFinds(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] odd = {Float.NaN, Float.NEGATIVE_INFINITY, Float.POSITIVE_INFINITY, 0f, -0f, Float.MIN_VALUE};
        float[] values = new float[random.nextInt(1, 300)];
        for (int i = 0; i < values.length; i++) {
            values[i] = random.nextInt(8) == 0
                    ? odd[random.nextInt(odd.length)]
                    : (float) random.nextGaussian() * (random.nextBoolean() ? 1 : 1e-30f);
        }
        float[] sorted = values.clone();
        Arrays.sort(sorted);
        for (int rank = 0; rank < values.length; rank++) {
            assertThat(Float.floatToIntBits(Selection.of(values, rank))).isEqualTo(Float.floatToIntBits(sorted[rank]));
        }
    }
}
