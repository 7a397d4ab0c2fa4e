package keentally.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Colours taken from marked places, ranges fitted round them, and dyes pulled apart. */
class ColourPartTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(60);
    }

    private static Picture random(Chance chance, int width, int height) {
        byte[][] rgb = new byte[3][width * height];
        for (byte[] plane : rgb) {
            for (int i = 0; i < plane.length; i++) {
                plane[i] = (byte) chance.between(1, 255);
            }
        }
        return Picture.colour(
                Plane8.of(width, height, rgb[0]), Plane8.of(width, height, rgb[1]), Plane8.of(width, height, rgb[2]));
    }

    private static ColourRows rows(Picture picture) {
        return ColourRows.of(picture, picture).orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void densitiesPutTogetherAgainGiveThePictureBack(long seed) {
        Chance chance = new Chance(seed);
        Picture picture = random(chance, 20, 12);
        double[] white = {chance.between(200.0, 255), chance.between(200.0, 255), chance.between(200.0, 255)};
        List<List<Double>> dyes = new ArrayList<>();
        for (int i = 0; i < chance.between(2, 3); i++) {
            dyes.add(List.of(chance.between(0.05, 1), chance.between(0.05, 1), chance.between(0.05, 1)));
        }
        Unmix.of(dyes, white).ifPresent(unmix -> {
            Picture amounts = unmix.apply(rows(picture), List.of(), Work.alone());
            for (int i = 0; i < 240; i++) {
                int x = i % 20;
                int y = i / 20;
                double[] back = unmix.colour(
                        amounts.channels().get(0).plane().at(x, y),
                        amounts.channels().get(1).plane().at(x, y),
                        amounts.channels().get(2).plane().at(x, y));
                double[] was = rows(picture).value(x, y);
                for (int c = 0; c < 3; c++) {
                    assertThat(back[c]).isCloseTo(was[c], within(0.05 + 1e-3 * was[c]));
                }
            }
        });
    }

    @Test
    void dyesThatLieInOneLineOrPlaneCannotBeToldApart() {
        double[] white = {255, 255, 255};
        assertThat(Unmix.of(List.of(List.of(1.0, 2.0, 3.0), List.of(2.0, 4.0, 6.0)), white))
                .isEmpty();
        assertThat(Unmix.of(List.of(List.of(1.0, 0.0, 0.0), List.of(0.0, 1.0, 0.0), List.of(1.0, 1.0, 0.0)), white))
                .isEmpty();
        assertThatThrownBy(() -> Unmix.of(List.of(List.of(0.0, 0.0, 0.0), List.of(1.0, 1.0, 0.0)), white))
                .hasMessageContaining("not be all 0");
        assertThat(Dyes.HAEMATOXYLIN_EOSIN_DAB.vectors()).hasSize(3);
    }

    @Test
    void twoDyesAreGuessedFromWhatTheyDo() {
        List<Double> one = List.of(0.60, 0.74, 0.30);
        List<Double> two = List.of(0.13, 0.52, 0.84);
        Unmix unmix = Unmix.of(List.of(one, two), new double[] {240, 240, 240}).orElseThrow();
        Chance chance = new Chance(3);
        byte[][] rgb = new byte[3][10_000];
        for (int i = 0; i < 10_000; i++) {
            double a = i % 4 < 2 ? chance.between(0.3, 0.7) : 0;
            double b = i % 3 == 0 ? chance.between(0.3, 0.7) : 0;
            double[] colour = unmix.colour(a, b);
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = (byte) Math.round(colour[c]);
            }
        }
        Picture picture =
                Picture.colour(Plane8.of(100, 100, rgb[0]), Plane8.of(100, 100, rgb[1]), Plane8.of(100, 100, rgb[2]));
        Field field = Field.whole(100, 100);
        double[] white = Unmix.white(rows(picture), field);
        assertThat(white[0]).isCloseTo(240, within(1.0));
        List<List<Double>> guessed = DyeGuess.of(rows(picture), field, white).orElseThrow();
        assertThat(angle(guessed.get(0), one)).isLessThan(3);
        assertThat(angle(guessed.get(1), two)).isLessThan(3);
        assertThat(angle(
                        Unmix.vector(
                                List.of(Rgb.from(
                                        unmix.colour(0.5, 0)[0], unmix.colour(0.5, 0)[1], unmix.colour(0.5, 0)[2])),
                                white),
                        one))
                .isLessThan(2);
    }

    /** In degrees. */
    private static double angle(List<Double> a, List<Double> b) {
        double dot = 0;
        double aa = 0;
        double bb = 0;
        for (int c = 0; c < 3; c++) {
            dot += a.get(c) * b.get(c);
            aa += a.get(c) * a.get(c);
            bb += b.get(c) * b.get(c);
        }
        return Math.toDegrees(Math.acos(Math.min(1, dot / Math.sqrt(aa * bb))));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void rangesHoldNearlyAllThatIsWantedAndNoneOfWhatIsNot(long seed) {
        Chance chance = new Chance(seed);
        for (ColourSpace space : ColourSpace.values()) {
            double[] wantedAt = {chance.between(40.0, 215), chance.between(40.0, 215), chance.between(40.0, 215)};
            double[] otherAt = {255 - wantedAt[0], 255 - wantedAt[2], 255 - wantedAt[1]};
            boolean apart = Math.abs(wantedAt[0] - otherAt[0]) + Math.abs(wantedAt[1] - otherAt[1]) > 90;
            List<double[]> wanted = cloud(chance, wantedAt, 300);
            RangeFit fit = RangeFit.of(space, wanted, List.of());
            assertThat(held(space, fit, wanted)).isGreaterThan(270);
            if (apart) {
                List<double[]> other = cloud(chance, otherAt, 200);
                RangeFit narrower = RangeFit.of(space, wanted, other);
                assertThat(held(space, narrower, other)).isLessThan(8);
                assertThat(held(space, narrower, wanted)).isGreaterThan(200);
            }
        }
    }

    private static List<double[]> cloud(Chance chance, double[] at, int count) {
        List<double[]> cloud = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            cloud.add(new double[] {
                at[0] + chance.between(-6.0, 6), at[1] + chance.between(-6.0, 6), at[2] + chance.between(-6.0, 6)
            });
        }
        return cloud;
    }

    private static int held(ColourSpace space, RangeFit fit, List<double[]> colours) {
        int held = 0;
        double[] at = new double[3];
        for (double[] colour : colours) {
            space.of(colour, at);
            boolean in = true;
            for (int c = 0; c < 3; c++) {
                double from = fit.from()[c];
                double to = fit.to()[c];
                in &= from <= to ? at[c] >= from && at[c] <= to : at[c] >= from || at[c] <= to;
            }
            held += in ? 1 : 0;
        }
        return held;
    }

    @Test
    void hueRunsOverItsEnd() {
        List<double[]> reds =
                List.of(new double[] {200, 20, 40}, new double[] {200, 40, 20}, new double[] {210, 30, 30});
        RangeFit fit = RangeFit.of(ColourSpace.HSV, reds, List.of());
        assertThat(fit.from()[0]).isGreaterThan(330);
        assertThat(fit.to()[0]).isLessThan(30);
    }

    @Test
    void coloursAreTakenFromTheFieldUnderStrokes() {
        Picture picture = random(new Chance(9), 40, 30);
        ColourRows rows = rows(picture);
        Field whole = Field.whole(40, 30);
        assertThat(ColourSamples.stroke(rows, whole, List.of(new Point(5.5, 5.5), new Point(14.5, 5.5)), 0.2))
                .hasSize(10);
        assertThat(ColourSamples.stroke(rows, whole, List.of(new Point(-50, -50)), 2))
                .isEmpty();
        Rgb one = ColourSamples.mean(rows, new Point(3.5, 4.5), 0.1);
        assertThat(one).isEqualTo(rows.at(3, 4));
    }

    @Test
    void everyPixelIsCountedOnceInEachComponentAndGreyHasNoHue() {
        Picture picture = random(new Chance(4), 50, 20);
        for (ColourSpace space : ColourSpace.values()) {
            int[][] counts =
                    ColourCounts.of(rows(picture), Field.whole(50, 20), space).counts();
            for (int c = 0; c < 3; c++) {
                long sum = java.util.Arrays.stream(counts[c]).sum();
                assertThat(sum).isBetween(space.wraps(c) ? 900L : 1000L, 1000L);
            }
        }
        int[][] one = ColourCounts.of(List.of(new double[] {255, 0, 0}, new double[] {128, 128, 128}), ColourSpace.HSV)
                .counts();
        assertThat(one[0][0]).isEqualTo(1);
        assertThat(java.util.Arrays.stream(one[0]).sum()).isEqualTo(1);
        assertThat(one[1][ColourCounts.STEPS - 1]).isEqualTo(1);
        assertThat(one[2][ColourCounts.STEPS / 2]).isEqualTo(1);
    }
}
