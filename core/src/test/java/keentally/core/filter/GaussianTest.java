package keentally.core.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Border;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class GaussianTest {
    private static final double ERROR_OF_RANGE = 3e-4;

    static Stream<Arguments> seeds() {
        return Chance.seeds(60);
    }

    /** By the definition, in doubles, out to eight sigmas. */
    private static double slow(Plane plane, double sigma, int x, int y) {
        int radius = (int) Math.ceil(8 * sigma);
        double sum = 0;
        double weights = 0;
        for (int dy = -radius; dy <= radius; dy++) {
            double line = 0;
            double lineWeights = 0;
            for (int dx = -radius; dx <= radius; dx++) {
                double w = Math.exp(-dx * dx / (2 * sigma * sigma));
                line += w * plane.at(Border.mirror(x + dx, plane.width()), Border.mirror(y + dy, plane.height()));
                lineWeights += w;
            }
            double w = Math.exp(-dy * dy / (2 * sigma * sigma));
            sum += w * line / lineWeights;
            weights += w;
        }
        return sum / weights;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void isTheConvolutionWithinAThousandthOfTheRange(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        Plane plane = seed % 2 == 0 ? chance.plane8(width, height) : chance.plane16(width, height);
        double range = plane.depth().most();
        double sigma = Math.exp(chance.between(Math.log(0.2), Math.log(30)));
        PlaneF smooth = Gaussian.of(plane, sigma, Work.alone());
        for (int i = 0; i < 6; i++) {
            int x = chance.below(width);
            int y = chance.below(height);
            assertThat((double) smooth.at(x, y))
                    .as("sigma %f at %d %d of %d × %d", sigma, x, y, width, height)
                    .isCloseTo(slow(plane, sigma, x, y), within(ERROR_OF_RANGE * range));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {4.01, 5, 7, 11, 20, 40})
    void aSmallPictureStaysWithinItOnAnEdge(double sigma) {
        float[] values = new float[400];
        for (int i = 200; i < 400; i++) {
            values[i] = 1;
        }
        PlaneF edge = PlaneF.of(400, 1, values);
        PlaneF smooth = Gaussian.of(edge, sigma, Work.alone());
        for (int x = 0; x < 400; x += 7) {
            assertThat((double) smooth.at(x, 0)).isCloseTo(slow(edge, sigma, x, 0), within(ERROR_OF_RANGE));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.8, 3, 9, 500})
    void threadsMakeNoDifference(double sigma) {
        Plane plane = new Chance(5).plane16(301, 203);
        float[] alone = Gaussian.of(plane, sigma, Work.alone()).values();
        try (Workers workers = Workers.of(4)) {
            assertThat(Gaussian.of(plane, sigma, new Work(workers, new Cancel()))
                            .values())
                    .isEqualTo(alone);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.4, 2.5, 6, 80})
    void aConstantPictureStaysWhatItIs(double sigma) {
        float[] values = new float[37 * 11];
        java.util.Arrays.fill(values, 1234.5f);
        PlaneF smooth = Gaussian.of(PlaneF.of(37, 11, values), sigma, Work.alone());
        for (float v : smooth.values()) {
            assertThat(v).isCloseTo(1234.5f, within(0.01f));
        }
    }

    @Test
    void noSmoothingKeepsTheValues() {
        PlaneF plane = new Chance(3).planeF(17, 5, false);
        assertThat(Gaussian.of(plane, 0, Work.alone()).values()).isEqualTo(plane.values());
    }

    @Test
    void aNegativeSigmaIsRefused() {
        PlaneF plane = new Chance(3).planeF(4, 4, false);
        assertThatThrownBy(() -> Gaussian.of(plane, -1, Work.alone()))
                .hasMessage("sigma must be 0 px or more, was -1.0");
        assertThatThrownBy(() -> Gaussian.of(plane, Double.NaN, Work.alone()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
