package keentally.core.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Border;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Each filter against its definition, pixel by pixel. */
class FilterTest {
    static Stream<org.junit.jupiter.params.provider.Arguments> seeds() {
        return Chance.seeds(60);
    }

    private static float mirrored(Plane plane, int x, int y) {
        return plane.at(Border.mirror(x, plane.width()), Border.mirror(y, plane.height()));
    }

    private static List<Float> around(Plane plane, int x, int y, int r, double disk) {
        List<Float> values = new ArrayList<>();
        for (int dy = -r; dy <= r; dy++) {
            for (int dx = -r; dx <= r; dx++) {
                if (dx * dx + dy * dy <= disk * disk) {
                    values.add(mirrored(plane, x + dx, y + dy));
                }
            }
        }
        return values;
    }

    private static Plane some(Chance chance, int width, int height) {
        return switch (chance.below(3)) {
            case 0 -> chance.plane8(width, height);
            case 1 -> chance.plane16(width, height);
            default -> chance.planeF(width, height, false);
        };
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void medianAndMeanOfASquare(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        int r = chance.between(0, 6);
        Plane plane = some(chance, width, height);
        Work work = new Work(Workers.of(3), new Cancel());
        Plane median = MedianFilter.of(plane, r, work);
        Plane mean = MeanFilter.of(plane, r, work);
        double slack = plane.depth().isWhole() ? 0 : 1e-4 * range(plane);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                List<Float> values = around(plane, x, y, r, 1e9);
                values.sort(Float::compare);
                assertThat(median.at(x, y)).isCloseTo(values.get(values.size() / 2), within((float) slack));
                double sum = values.stream().mapToDouble(v -> v).sum();
                assertThat((double) mean.at(x, y))
                        .isCloseTo(sum / values.size(), within(1e-3 + 1e-6 * Math.abs(sum / values.size())));
            }
        }
    }

    /** Wide enough for several stripes of columns, and with the largest radius, where counts come near 65,535. */
    @ParameterizedTest
    @ValueSource(ints = {1, 3, 24, 127})
    void medianOfAWidePicture(int radius) {
        Chance chance = new Chance(radius);
        int width = 611;
        int height = 9;
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % width > 300 ? chance.between(0, 255) : 255 * (i % width / 200));
        }
        Plane plane = Plane8.of(width, height, values);
        Plane median = MedianFilter.of(plane, radius, new Work(Workers.of(2), new Cancel()));
        for (int x = 0; x < width; x += radius > 30 ? 37 : 1) {
            List<Float> around = around(plane, x, x % height, radius, 1e9);
            around.sort(Float::compare);
            assertThat(median.at(x, x % height)).as("x %d", x).isEqualTo(around.get(around.size() / 2));
        }
    }

    private static double range(Plane plane) {
        float[] values = ((PlaneF) plane).values().clone();
        Arrays.sort(values);
        return values[values.length - 1] - values[0];
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void leastAndGreatestOfADiskOrSquare(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        double radius = chance.toss(0.5) ? chance.between(0, 7) : chance.between(0.0, 7);
        boolean disk = chance.toss(0.6);
        Plane plane = some(chance, width, height);
        Work work = new Work(Workers.of(3), new Cancel());
        GreyMorphology shape =
                disk ? GreyMorphology.disk(radius, Optional.empty()) : GreyMorphology.square(radius, Optional.empty());
        Plane least = shape.least(plane, work);
        Plane greatest = shape.greatest(plane, work);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                List<Float> values = around(plane, x, y, (int) radius, disk ? radius : 1e9);
                assertThat(least.at(x, y))
                        .isEqualTo(values.stream().min(Float::compare).orElseThrow());
                assertThat(greatest.at(x, y))
                        .isEqualTo(values.stream().max(Float::compare).orElseThrow());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void withAFieldWhatLiesOutsideTakesNoPart(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(2, 30);
        int height = chance.between(2, 30);
        Field field = chance.field(width, height);
        Plane plane = chance.plane8(width, height);
        int r = chance.between(1, 5);
        Plane opened = GreyMorphology.disk(r, Optional.of(field)).opening(plane, Work.alone());
        float[][] eroded = new float[height][width];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                eroded[y][x] = extreme(field, x, y, r, (px, py) -> plane.at(px, py), false);
            }
        }
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (field.contains(x, y)) {
                    float slow = extreme(field, x, y, r, (px, py) -> eroded[py][px], true);
                    assertThat(opened.at(x, y)).isEqualTo(slow);
                }
            }
        }
    }

    private interface Values {
        float at(int x, int y);
    }

    private static float extreme(Field field, int x, int y, int r, Values values, boolean most) {
        float best = most ? Float.NEGATIVE_INFINITY : Float.POSITIVE_INFINITY;
        for (int dy = -r; dy <= r; dy++) {
            for (int dx = -r; dx <= r; dx++) {
                if (dx * dx + dy * dy <= r * r && field.contains(x + dx, y + dy)) {
                    float v = values.at(x + dx, y + dy);
                    best = most ? Math.max(best, v) : Math.min(best, v);
                }
            }
        }
        return best;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void bilateralIsItsWeighedMean(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 16);
        int height = chance.between(1, 12);
        double space = chance.between(0.3, 2);
        double value = chance.between(1.0, 250);
        List<Plane> planes = List.of(chance.plane8(width, height), chance.plane8(width, height));
        List<Plane> smooth = Bilateral.of(planes, space, value, new Work(Workers.of(2), new Cancel()));
        int r = (int) Math.ceil(2.5 * space);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double weights = 0;
                double sum = 0;
                for (int dy = -r; dy <= r; dy++) {
                    for (int dx = -r; dx <= r; dx++) {
                        double place = dx * dx + dy * dy;
                        if (place > 6.25 * space * space) {
                            continue;
                        }
                        double off = 0;
                        for (Plane p : planes) {
                            off += Math.pow(mirrored(p, x + dx, y + dy) - p.at(x, y), 2);
                        }
                        double weight = Math.exp(-place / (2 * space * space) - off / (2 * value * value));
                        weights += weight;
                        sum += weight * mirrored(planes.get(0), x + dx, y + dy);
                    }
                }
                assertThat((double) smooth.get(0).at(x, y))
                        .isCloseTo(sum / weights, within(Math.min(0.008 * value + 1e-3, 1)));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void equaliseGivesTheShareBelow(long seed) {
        Chance chance = new Chance(seed);
        Field field = chance.field(20, 15);
        Plane plane = chance.plane8(20, 15);
        Plane even = Equalise.of(plane, field, 255, Work.alone());
        for (int i = 0; i < 300; i += 7) {
            float v = plane.at(i % 20, i / 20);
            double below = 0;
            for (int j = 0; j < 300; j++) {
                if (field.contains(j % 20, j / 20)) {
                    float other = plane.at(j % 20, j / 20);
                    below += other < v ? 1 : other == v ? 0.5 : 0;
                }
            }
            if (field.contains(i % 20, i / 20)) {
                assertThat((double) even.at(i % 20, i / 20)).isCloseTo(255 * below / field.pixels(), within(1e-3));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void flatteningTakesLightOutAndKeepsTheMean(long seed) {
        Chance chance = new Chance(seed);
        int width = 60;
        int height = 50;
        double tilt = chance.between(-0.4, 0.4);
        double bend = chance.between(-0.3, 0.1);
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            double x = 2.0 * (i % width) / width - 1;
            double y = 2.0 * (i / width) / height - 1;
            double thing = i % width % 12 < 3 && i / width % 12 < 3 ? 0.5 : 1;
            values[i] = (byte) Math.round(150 * thing * (1 + tilt * x + bend * y * y));
        }
        Plane plane = Plane8.of(width, height, values);
        Field field = Field.whole(width, height);
        Plane ground = Background.polynomial(plane, field, 2, Work.alone()).orElseThrow();
        Plane flat = Flatten.divide(plane, ground, field, Work.alone()).orElseThrow();
        assertThat(Flatten.mean(flat, field, Work.alone()))
                .isCloseTo(Flatten.mean(plane, field, Work.alone()), within(1e-2));
        // the ground's columns far apart are alike again, to a fiftieth
        assertThat(flat.at(6, 25) / flat.at(54, 25)).isCloseTo(1, within(0.02f));
        Plane closed = Background.closing(plane, field, 4, Work.alone());
        Plane even = Flatten.divide(plane, closed, field, Work.alone()).orElseThrow();
        assertThat(even.at(6, 30) / even.at(54, 30)).isCloseTo(1, within(0.03f));
    }
}
