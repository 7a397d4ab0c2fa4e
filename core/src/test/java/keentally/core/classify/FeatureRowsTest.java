package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import keentally.core.picture.Border;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class FeatureRowsTest {
    private static final int WIDTH = 37;
    private static final int HEIGHT = 29;
    private static final FeatureSet ALL = new FeatureSet(List.of(FeatureGroup.values()), false, 1);

    private static Plane8 noise(long seed) {
        byte[] values = new byte[WIDTH * HEIGHT];
        new SplittableRandom(seed).nextBytes(values);
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private static float[][] read(FeatureSet set, Picture picture, int from, int to) {
        return FeatureRows.of(set, picture, picture).orElseThrow().read(from, to);
    }

    private static float[] one(FeatureSet set, Picture picture, String name) {
        List<String> names = set.features().stream().map(Object::toString).toList();
        return read(set, picture, 0, picture.height())[names.indexOf(name)];
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void rowsAreTheSameHoweverThePictureIsCut(boolean colour) {
        Picture picture = colour ? Picture.colour(noise(1), noise(2), noise(3)) : Picture.grey(noise(1));
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.values()), colour, 1);
        float[][] whole = read(set, picture, 0, HEIGHT);
        assertThat(whole).hasNumberOfRows(set.features().size());
        for (int from = 0; from < HEIGHT; from += 7) {
            int to = Math.min(HEIGHT, from + 7);
            float[][] part = read(set, picture, from, to);
            for (int f = 0; f < whole.length; f++) {
                for (int i = 0; i < part[f].length; i++) {
                    assertThat(part[f][i])
                            .as(set.features().get(f) + " at " + i)
                            .isEqualTo(whole[f][from * WIDTH + i]);
                }
            }
        }
    }

    @Test
    void averagesEqualAPlainSum() {
        Plane8 plane = noise(4);
        float[] found = one(ALL, Picture.grey(plane), "gaussian-0-2-0");
        Bell bell = Bell.of(2);
        for (int y = 0; y < HEIGHT; y += 3) {
            for (int x = 0; x < WIDTH; x += 3) {
                double sum = 0;
                for (int dy = -bell.reach(); dy <= bell.reach(); dy++) {
                    for (int dx = -bell.reach(); dx <= bell.reach(); dx++) {
                        sum += bell.weights()[dx + bell.reach()]
                                * (double) bell.weights()[dy + bell.reach()]
                                * at(plane, x + dx, y + dy);
                    }
                }
                assertThat(found[y * WIDTH + x]).isCloseTo((float) sum, within(1e-5f));
            }
        }
    }

    private static double at(Plane plane, int x, int y) {
        return plane.at(Border.mirror(x, WIDTH), Border.mirror(y, HEIGHT)) / 255.0;
    }

    @Test
    void whatASquareHoldsEqualsAPlainLook() {
        Plane8 plane = noise(5);
        Picture picture = Picture.grey(plane);
        float[] mean = one(ALL, picture, "local-0-2-0");
        float[] sd = one(ALL, picture, "local-0-2-1");
        float[] range = one(ALL, picture, "local-0-2-2");
        float[] entropy = one(ALL, picture, "local-0-2-3");
        float[] median = one(ALL, picture, "median-0-2-0");
        for (int y = 0; y < HEIGHT; y += 2) {
            for (int x = 0; x < WIDTH; x += 2) {
                double[] square = new double[25];
                int[] levels = new int[16];
                for (int i = 0; i < 25; i++) {
                    square[i] = at(plane, x + i % 5 - 2, y + i / 5 - 2);
                    levels[Math.min(15, (int) ((float) square[i] * 16))]++;
                }
                Arrays.sort(square);
                double m = Arrays.stream(square).average().orElseThrow();
                double v = Arrays.stream(square)
                        .map(s -> (s - m) * (s - m))
                        .average()
                        .orElseThrow();
                double bits = Arrays.stream(levels)
                        .filter(n -> n > 0)
                        .mapToDouble(n -> -n / 25.0 * Math.log(n / 25.0) / Math.log(2))
                        .sum();
                int i = y * WIDTH + x;
                assertThat(mean[i]).isCloseTo((float) m, within(1e-5f));
                assertThat(sd[i]).isCloseTo((float) Math.sqrt(v), within(1e-3f));
                assertThat(range[i]).isCloseTo((float) (square[24] - square[0]), within(1e-5f));
                assertThat(entropy[i]).isCloseTo((float) bits, within(1e-4f));
                assertThat(median[i]).isCloseTo((float) square[12], within(1f / 256));
            }
        }
    }

    /** In grey and in colour, at the border and in the middle, to the last bit. */
    @Test
    void aTileIsCutOutOfTheWhole() {
        for (Picture picture : List.of(Picture.grey(noise(6)), Picture.colour(noise(6), noise(7), noise(8)))) {
            FeatureSet set = new FeatureSet(ALL.groups(), picture.isColour(), 1);
            FeatureRows rows = FeatureRows.of(set, picture, picture).orElseThrow();
            float[][] whole = rows.read(0, HEIGHT);
            for (int[] tile : new int[][] {{0, 5, 0, 4}, {WIDTH - 7, WIDTH, HEIGHT - 3, HEIGHT}, {9, 21, 6, 15}}) {
                float[][] part = rows.read(tile[0], tile[1], tile[2], tile[3]);
                int across = tile[1] - tile[0];
                for (int f = 0; f < whole.length; f++) {
                    for (int i = 0; i < part[f].length; i++) {
                        assertThat(part[f][i])
                                .isEqualTo(whole[f][(tile[2] + i / across) * WIDTH + tile[0] + i % across]);
                    }
                }
            }
        }
    }

    /** Stripes of four pixels across or down: the wave of that direction answers, the one across hardly. */
    @Test
    void aWaveAnswersToItsDirection() {
        byte[] across = new byte[64 * 64];
        for (int i = 0; i < across.length; i++) {
            across[i] = (byte) (i % 64 % 4 < 2 ? 200 : 50);
        }
        Picture stripes = Picture.grey(Plane8.of(64, 64, across));
        float along = one(ALL, stripes, "gabor-0-4-0")[32 * 64 + 32];
        float beside = one(ALL, stripes, "gabor-0-4-2")[32 * 64 + 32];
        assertThat(along).isGreaterThan(5 * beside);
        float first = one(ALL, stripes, "structure-0-2-0")[32 * 64 + 32];
        float second = one(ALL, stripes, "structure-0-2-1")[32 * 64 + 32];
        assertThat(first).isGreaterThan(20 * second);
    }

    @Test
    void anEvenGroundHasNothingButItsValue() {
        byte[] values = new byte[WIDTH * HEIGHT];
        Arrays.fill(values, (byte) 102);
        float[][] found = read(ALL, Picture.grey(Plane8.of(WIDTH, HEIGHT, values)), 0, HEIGHT);
        List<FeatureSet.Feature> features = ALL.features();
        for (int f = 0; f < found.length; f++) {
            float expected = switch (features.get(f).group()) {
                case VALUE, GAUSSIAN, MEDIAN -> 0.4f;
                case LOCAL -> features.get(f).which() == 0 ? 0.4f : 0;
                case GRADIENT, DIFFERENCE, HESSIAN, STRUCTURE -> 0;
                case GABOR -> Float.NaN; // what a bell lets through of an even ground
            };
            if (!Float.isNaN(expected)) {
                assertThat(found[f][HEIGHT / 2 * WIDTH])
                        .as(features.get(f).toString())
                        .isCloseTo(expected, within(2e-3f));
            }
        }
    }

    @Test
    void depthMakesNoDifference() {
        Plane8 plane = noise(6);
        short[] wide = new short[WIDTH * HEIGHT];
        for (int i = 0; i < wide.length; i++) {
            wide[i] = (short) (257 * (plane.values()[i] & 0xff));
        }
        float[][] eight = read(ALL, Picture.grey(plane), 0, HEIGHT);
        float[][] sixteen = read(ALL, Picture.grey(Plane16.of(WIDTH, HEIGHT, wide)), 0, HEIGHT);
        for (int f = 0; f < eight.length; f++) {
            for (int i = 0; i < eight[f].length; i += 17) {
                assertThat(sixteen[f][i]).isCloseTo(eight[f][i], within(1.01f / 256));
            }
        }
    }

    @ParameterizedTest
    @EnumSource(FeatureGroup.class)
    void everyGroupIsThereOnAPictureSmallerThanItsReach(FeatureGroup group) {
        Picture tiny = Picture.grey(Plane8.of(2, 3, new byte[] {0, 50, 100, (byte) 150, (byte) 200, (byte) 250}));
        FeatureSet set = new FeatureSet(List.of(group), false, 2);
        float[][] found = read(set, tiny, 0, 3);
        assertThat(found.length).isEqualTo(set.features().size()).isPositive();
        for (float[] feature : found) {
            assertThat(feature).hasSize(6);
            for (float v : feature) {
                assertThat(v).isFinite();
            }
        }
    }

    @Test
    void whatCannotBeReadIsRefused() {
        FeatureSet colour = new FeatureSet(List.of(FeatureGroup.VALUE), true, 1);
        assertThat(FeatureRows.of(colour, Picture.grey(noise(1)), Picture.grey(noise(1))))
                .isEmpty();
        assertThatThrownBy(() -> new FeatureSet(List.of(), false, 1)).hasMessageContaining("at least one group");
        assertThatThrownBy(() -> new FeatureSet(List.of(FeatureGroup.VALUE), false, 17))
                .hasMessageContaining("1/16 to 16");
    }
}
