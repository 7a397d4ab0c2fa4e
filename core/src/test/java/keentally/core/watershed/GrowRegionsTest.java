package keentally.core.watershed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.region.Regions;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class GrowRegionsTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1000);
    }

    private final Work two = new Work(Workers.of(2), new Cancel());

    /** A small picture of few levels, so that plateaus and ties abound. */
    private record Drawn(Field field, Plane plane, double[] heights) {
        static Drawn by(Chance chance) {
            int width = chance.between(1, 16);
            int height = chance.between(1, 12);
            int levels = chance.between(1, 12);
            float[] values = new float[width * height];
            double[] heights = new double[values.length];
            for (int i = 0; i < values.length; i++) {
                values[i] = chance.between(0, levels);
                heights[i] = values[i];
            }
            return new Drawn(chance.field(width, height), PlaneF.of(width, height, values), heights);
        }

        double[] upsideDown() {
            double[] turned = new double[heights.length];
            for (int i = 0; i < turned.length; i++) {
                turned[i] = -heights[i];
            }
            return turned;
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void growingFromMinimaAgreesWithAPlainFlood(long seed) {
        Chance chance = new Chance(seed);
        Drawn drawn = Drawn.by(chance);
        double depth = chance.between(0.0, 8);
        Regions found = GrowRegions.fromMinima(drawn.field, drawn.plane, depth, two);
        List<Integer> slow =
                SlowFlood.seeds(drawn.field.mask(), drawn.heights, depth, (spill, minimum) -> spill - minimum);
        assertThat(SlowFlood.labels(found))
                .isEqualTo(SlowFlood.numbered(SlowFlood.of(drawn.field.mask(), drawn.heights, slow)));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void growingFromPlacesAgreesWithAPlainFlood(long seed) {
        Chance chance = new Chance(seed);
        Drawn drawn = Drawn.by(chance);
        int width = drawn.plane.width();
        boolean upsideDown = chance.toss(0.5);
        List<Point> places = new ArrayList<>();
        for (int i = chance.between(0, 5); i > 0; i--) {
            places.add(new Point(chance.between(-1.0, width + 1), chance.between(-1.0, drawn.plane.height() + 1)));
        }
        List<Integer> inside = places.stream()
                .map(p -> new int[] {(int) Math.floor(p.x()), (int) Math.floor(p.y())})
                .filter(p -> drawn.field.contains(p[0], p[1]))
                .map(p -> p[1] * width + p[0])
                .sorted()
                .distinct()
                .toList();
        double[] heights = upsideDown ? drawn.upsideDown() : drawn.heights;
        Regions found = GrowRegions.from(drawn.field, drawn.plane, upsideDown, places, two);
        assertThat(SlowFlood.labels(found))
                .isEqualTo(SlowFlood.numbered(SlowFlood.of(drawn.field.mask(), heights, inside)));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void peaksAgreeWithTheirDefinition(long seed) {
        Chance chance = new Chance(seed);
        Drawn drawn = Drawn.by(chance);
        int width = drawn.plane.width();
        double prominence = chance.between(0.0, 8);
        double spacing = chance.between(0.0, 6);
        List<Point> found = GrowRegions.peaks(drawn.field, drawn.plane, prominence, spacing, two);
        double[] turned = drawn.upsideDown();
        List<Integer> peaks = new ArrayList<>(
                SlowFlood.seeds(drawn.field.mask(), turned, prominence, (spill, minimum) -> spill - minimum));
        peaks.sort(Comparator.<Integer>comparingDouble(p -> turned[p]).thenComparing(p -> p));
        List<Integer> stay = new ArrayList<>();
        for (int p : peaks) {
            boolean apart =
                    stay.stream().allMatch(q -> Math.hypot(p % width - q % width, p / width - q / width) >= spacing);
            if (apart) {
                stay.add(p);
            }
        }
        stay.sort(null);
        assertThat(found)
                .isEqualTo(stay.stream()
                        .map(p -> new Point(p % width + 0.5, p / width + 0.5))
                        .toList());
    }

    @Test
    void aPieceOfTheFieldWithoutAMarkerBelongsToNoRegion() {
        Plane even = PlaneF.of(5, 1, new float[] {1, 1, 1, 1, 1});
        Field parted = Field.of(keentally.core.picture.Mask.of(5, 1, new long[] {0b11011}));
        Regions grown = GrowRegions.from(parted, even, false, List.of(new Point(0.5, 0.5)), two);
        assertThat(SlowFlood.labels(grown)).containsExactly(0, 0, -1, -1, -1);
        assertThat(GrowRegions.from(parted, even, false, List.of(), two).count())
                .isZero();
        assertThat(GrowRegions.fromMinima(parted, even, 3, two).count()).isEqualTo(2);
    }
}
