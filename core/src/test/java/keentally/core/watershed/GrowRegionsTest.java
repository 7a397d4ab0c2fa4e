package keentally.core.watershed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane;
import keentally.core.picture.PlaneF;
import keentally.core.region.Regions;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

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
        Regions found =
                GrowRegions.fromMinima(drawn.field, drawn.plane, depth, two).regions();
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
        Regions found = GrowRegions.from(drawn.field, drawn.plane, upsideDown, places, two)
                .regions();
        assertThat(SlowFlood.labels(found))
                .isEqualTo(SlowFlood.numbered(SlowFlood.of(drawn.field.mask(), heights, inside)));
    }

    /** As if the marker pieces lay lower than everything else. */
    @ParameterizedTest
    @MethodSource("seeds")
    void growingFromPiecesAgreesWithAPlainFloodAndHoldsThemWhole(long seed) {
        Chance chance = new Chance(seed);
        Drawn drawn = Drawn.by(chance);
        int width = drawn.plane.width();
        int height = drawn.plane.height();
        byte[] chosen = new byte[width * height];
        double[] heights = drawn.heights.clone();
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (drawn.field.contains(i % width, i / width) && chance.toss(0.2) ? 1 : 0);
            heights[i] = chosen[i] == 1 ? Double.NEGATIVE_INFINITY : heights[i];
        }
        Mask markers = Mask.from(chosen, width, height);
        Regions pieces = Labeller.regions(markers, Neighbours.EIGHT, two);
        List<Integer> firsts = new ArrayList<>();
        for (int i = 0; i < pieces.count(); i++) {
            firsts.add(pieces.runY(pieces.firstRun(i)) * width + pieces.runFrom(pieces.firstRun(i)));
        }
        Regions found =
                GrowRegions.fromPieces(drawn.field, drawn.plane, markers, two).regions();
        assertThat(SlowFlood.labels(found))
                .isEqualTo(SlowFlood.numbered(SlowFlood.of(drawn.field.mask(), heights, firsts)));
        for (int i = 0; i < pieces.count(); i++) {
            int owner = found.at(firsts.get(i) % width, firsts.get(i) / width);
            pieces.runs(i, (y, from, to) -> {
                for (int x = from; x < to; x++) {
                    assertThat(found.at(x, y)).isEqualTo(owner);
                }
            });
        }
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
        Regions grown = GrowRegions.from(parted, even, false, List.of(new Point(0.5, 0.5)), two)
                .regions();
        assertThat(SlowFlood.labels(grown)).containsExactly(0, 0, -1, -1, -1);
        assertThat(GrowRegions.from(parted, even, false, List.of(), two)
                        .regions()
                        .count())
                .isZero();
        assertThat(GrowRegions.fromMinima(parted, even, 3, two).regions().count())
                .isEqualTo(2);
    }

    /** Far more places than any block inside holds: on levels and slopes, and with every height another one. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 40, 5000, 10_000_000})
    void largerPicturesAgreeToo(int levels) {
        Chance chance = new Chance(levels);
        int width = 217;
        int height = 163;
        float[] values = new float[width * height];
        double[] heights = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            float slope = levels > 3 ? (i % width) * levels / 900f : 0;
            values[i] = levels < 100
                    ? Math.round(chance.between(0, levels) + slope)
                    : chance.between(0, levels) * 0.37f + slope;
            heights[i] = Terrain.comparable(values[i]);
        }
        Plane plane = PlaneF.of(width, height, values);
        Field field = chance.field(width, height);
        List<Point> places = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            places.add(new Point(chance.between(0.0, width), chance.between(0.0, height)));
        }
        List<Integer> inside = places.stream()
                .map(p -> new int[] {(int) Math.floor(p.x()), (int) Math.floor(p.y())})
                .filter(p -> field.contains(p[0], p[1]))
                .map(p -> p[1] * width + p[0])
                .sorted()
                .distinct()
                .toList();
        Regions found = GrowRegions.from(field, plane, false, places, two).regions();
        assertThat(SlowFlood.labels(found)).isEqualTo(SlowFlood.numbered(SlowFlood.of(field.mask(), heights, inside)));
    }

    /** From the left minima rise and what parts them falls, so that each basin's lowest way out leads to a shallower one. */
    @Test
    void fadingStripesAgreeToo() {
        int width = 80;
        int height = 3;
        float[] values = new float[width * height];
        double[] heights = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int x = i % width;
            values[i] = (x % 2 == 0 ? -1 : 1) * (width - x) + i / width * 0.25f;
            heights[i] = values[i];
        }
        Field field = Field.whole(width, height);
        for (double depth : new double[] {0, 20, 60, 1000}) {
            List<Integer> slow = SlowFlood.seeds(field.mask(), heights, depth, (spill, minimum) -> spill - minimum);
            Regions found = GrowRegions.fromMinima(field, PlaneF.of(width, height, values), depth, two)
                    .regions();
            assertThat(SlowFlood.labels(found))
                    .as("deeper than %s", depth)
                    .isEqualTo(SlowFlood.numbered(SlowFlood.of(field.mask(), heights, slow)));
        }
    }

    /** Twelve bytes a pixel, and what the regions themselves take, however many heights there are. */
    @Test
    void aFloodTakesTwelveBytesAPixel() {
        int width = 1000;
        int height = 800;
        Chance chance = new Chance(7);
        float[] values = new float[width * height];
        for (int i = 0; i < values.length; i++) {
            int x = i % width - 500;
            int y = i / width - 400;
            values[i] = (float) (Math.sqrt(x * x + y * y) + 1e-3 * chance.between(0.0, 1));
        }
        Plane plane = PlaneF.of(width, height, values);
        Field field = Field.whole(width, height);
        List<Point> two = List.of(new Point(300, 300), new Point(700, 500));
        GrowRegions.from(field, plane, false, two, Work.alone());
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        GrowRegions.from(field, plane, false, two, Work.alone());
        long perPixel = (threads.getCurrentThreadAllocatedBytes() - before) / values.length;
        assertThat(perPixel).isBetween(8L, 13L);
    }

    @Test
    void aFloodCanBeStopped() {
        Plane even = PlaneF.of(900, 900, new float[810_000]);
        Cancel cancel = new Cancel();
        cancel.ask();
        assertThatThrownBy(() -> GrowRegions.from(
                        Field.whole(900, 900),
                        even,
                        false,
                        List.of(new Point(1, 1), new Point(800, 800)),
                        new Work(Workers.alone(), cancel)))
                .isInstanceOf(CancelledException.class);
    }
}
