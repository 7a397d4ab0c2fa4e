package keentally.core.threshold;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class LocalThresholdTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(120);
    }

    /** Least, greatest, mean and deviation of the field's part of a square. */
    private static double[] window(Plane plane, Field field, int cx, int cy, int r) {
        double n = 0;
        double sum = 0;
        double squares = 0;
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int y = cy - r; y <= cy + r; y++) {
            for (int x = cx - r; x <= cx + r; x++) {
                if (field.contains(x, y)) {
                    double v = plane.at(x, y);
                    n++;
                    sum += v;
                    squares += v * v;
                    least = Math.min(least, v);
                    most = Math.max(most, v);
                }
            }
        }
        return new double[] {least, most, sum / n, Math.sqrt(Math.max(0, squares / n - sum / n * (sum / n)))};
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyRuleIsItsFormula(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 30);
        int height = chance.between(1, 25);
        Field field = chance.field(width, height);
        Plane plane = chance.toss(0.3)
                ? chance.planeF(width, height, false)
                : chance.toss(0.5) ? chance.plane8(width, height) : chance.plane16(width, height);
        int r = chance.between(1, 7);
        double k = chance.between(-0.7, 0.7);
        Work work = new Work(Workers.of(3), new Cancel());
        double[] all = window(plane, field, width / 2, height / 2, 60);
        double half = (all[1] - all[0]) / 2;
        double widest = 0;
        for (int i = 0; i < width * height; i++) {
            if (field.contains(i % width, i / width)) {
                widest = Math.max(widest, window(plane, field, i % width, i / width, r)[3]);
            }
        }
        for (LocalThreshold.Rule rule : LocalThreshold.Rule.values()) {
            if (rule == LocalThreshold.Rule.GAUSSIAN) {
                continue;
            }
            double factor = rule == LocalThreshold.Rule.BERNSEN || rule == LocalThreshold.Rule.MEAN ? 30 * k : k;
            Mask dark = LocalThreshold.of(plane, field, rule, r, factor, true, work);
            Mask bright = LocalThreshold.of(plane, field, rule, r, factor, false, work);
            assertThat(dark.or(bright)).isEqualTo(field.mask());
            assertThat(dark.and(bright).count()).isZero();
            for (int i = 0; i < width * height; i++) {
                int x = i % width;
                int y = i / width;
                if (!field.contains(x, y)) {
                    continue;
                }
                double cut = cut(rule, window(plane, field, x, y, r), factor, all[0], half, widest);
                if (Math.abs(cut - plane.at(x, y)) > 1e-6 * (1 + Math.abs(cut))) {
                    assertThat(dark.at(x, y)).as("%s at %d, %d", rule, x, y).isEqualTo(plane.at(x, y) <= cut);
                }
            }
        }
    }

    private static double cut(
            LocalThreshold.Rule rule, double[] w, double k, double least, double half, double widest) {
        return switch (rule) {
            case MEAN -> w[2] - k * half / 100;
            case NIBLACK -> w[2] + k * w[3];
            case SAUVOLA -> half > 0 ? least + (w[2] - least) * (1 + k * (w[3] / half - 1)) : w[2];
            case WOLF -> widest > 0 ? w[2] + k * (w[3] / widest - 1) * (w[2] - least) : w[2];
            case BERNSEN -> w[1] - w[0] < k / 100 * 2 * half ? least + half : (w[0] + w[1]) / 2;
            case GAUSSIAN -> throw new IllegalArgumentException("has no window of its own");
        };
    }

    /** What is even lies at its own mean, and so on the dark side, whatever its value. */
    @ParameterizedTest
    @MethodSource("seeds")
    void evenStretchesOfFloatsAreDark(long seed) {
        Chance chance = new Chance(seed);
        float[] values = new float[60 * 20];
        float[] bands = new float[3];
        for (int i = 0; i < bands.length; i++) {
            bands[i] = (float) chance.between(-1.0, 1);
        }
        for (int i = 0; i < values.length; i++) {
            values[i] = bands[i % 60 / 20];
        }
        Mask dark = LocalThreshold.of(
                PlaneF.of(60, 20, values),
                Field.whole(60, 20),
                LocalThreshold.Rule.NIBLACK,
                4,
                chance.between(-1.0, 1),
                true,
                Work.alone());
        for (int x = 0; x < 60; x++) {
            if (x % 20 >= 4 && x % 20 < 16) {
                assertThat(dark.at(x, 10)).as("%d", x).isTrue();
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aBellTakesOutATilt(long seed) {
        Chance chance = new Chance(seed);
        byte[] values = new byte[80 * 40];
        double tilt = chance.between(-30.0, 30);
        for (int i = 0; i < values.length; i++) {
            boolean thing = i % 80 % 20 < 4 && i / 80 % 20 < 4;
            values[i] = (byte) Math.round(120 + tilt * (i % 80 - 40) / 40 + (thing ? 45 : 0));
        }
        Plane plane = keentally.core.picture.Plane8.of(80, 40, values);
        Mask mask = LocalThreshold.of(
                plane, Field.whole(80, 40), LocalThreshold.Rule.GAUSSIAN, 8, -12, false, Work.alone());
        assertThat(mask.count()).isEqualTo(8 * 16);
    }
}
