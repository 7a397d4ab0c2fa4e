package keentally.core.watershed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleBinaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PlaneF;
import keentally.core.region.Regions;
import keentally.core.region.SlowRegions;
import keentally.core.watershed.SplitTouching.Begin;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class SplitTouchingTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1500);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void splittingAgreesWithAPlainFlood(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 16);
        int height = chance.between(1, 12);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.toss(0.3) ? Mask.full(width, height) : chance.mask(width, height));
        boolean outline = chance.toss(0.5);
        boolean bright = chance.toss(0.5);
        int levels = chance.toss(0.1) ? 300_000 : chance.between(1, 9);
        float[] values = new float[width * height];
        boolean whole = chance.toss(0.6);
        for (int i = 0; i < values.length; i++) {
            values[i] = whole ? chance.between(-levels, levels) : (float) (chance.between(-levels, levels) * 0.37);
        }
        double depth = outline ? chance.between(0.0, 2) : chance.toss(0.3) ? 0 : chance.between(0.0, 2.0 * levels);
        double[] heights = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            heights[i] = outline
                    ? -nearest(field.mask().minus(mask), i % width, i / width)
                    : bright ? -values[i] : values[i];
        }
        Work work = new Work(Workers.of(2), new Cancel());
        Regions found = outline
                ? SplitTouching.byOutline(mask, field, new Begin.Deep(depth), work)
                        .regions()
                : SplitTouching.byLight(mask, PlaneF.of(width, height, values), bright, new Begin.Deep(depth), work)
                        .regions();
        DoubleBinaryOperator measure = outline
                ? (spill, minimum) -> Math.sqrt(-minimum) - Math.sqrt(-spill)
                : (spill, minimum) -> spill - minimum;
        int[] slow = SlowFlood.of(mask, heights, SlowFlood.seeds(mask, heights, depth, measure));
        assertThat(SlowFlood.labels(found)).isEqualTo(SlowFlood.numbered(slow));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void dividesFindAsManyPartsAtTheSamePlaces(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.toss(0.3) ? Mask.full(width, height) : chance.mask(width, height));
        Work work = new Work(Workers.of(2), new Cancel());
        boolean outline = chance.toss(0.5);
        boolean bright = chance.toss(0.5);
        PlaneF plane = chance.planeF(width, height, chance.toss(0.2));
        Divides divides = outline
                ? SplitTouching.dividesByOutline(mask, field, work)
                : SplitTouching.dividesByLight(mask, plane, bright, work);
        for (double depth : new double[] {0, 0.3, 1, 2.5, 40}) {
            Parted exact = outline
                    ? SplitTouching.byOutline(mask, field, new Begin.Deep(depth), work)
                    : SplitTouching.byLight(mask, plane, bright, new Begin.Deep(depth), work);
            Parted soon = divides.at(depth);
            assertThat(soon.markers()).isEqualTo(exact.markers());
            assertThat(soon.regions().count()).isEqualTo(exact.regions().count());
            assertThat(soon.regions().mask(r -> true)).isEqualTo(mask);
            assertThat(Arrays.stream(soon.markers()).map(m -> soon.regions().at(m % width, m / width)))
                    .as("each part has one marker")
                    .containsExactlyInAnyOrderElementsOf(
                            IntStream.range(0, exact.regions().count()).boxed().toList());
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void withoutDepthEnoughPartsAreTheRunsOfWhatHangsTogether(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        Mask mask = chance.mask(width, height);
        Work work = new Work(Workers.of(2), new Cancel());
        Divides divides = SplitTouching.dividesByOutline(mask, Field.whole(width, height), work);
        Regions whole = Labeller.regions(mask, Neighbours.EIGHT, work);
        Regions parts = divides.at(Double.POSITIVE_INFINITY).regions();
        assertThat(parts.runCount()).as("runs that meet are one").isEqualTo(whole.runCount());
        assertThat(SlowFlood.labels(parts)).isEqualTo(SlowFlood.labels(whole));
    }

    private static double nearest(Mask background, int x, int y) {
        double least = Integer.MAX_VALUE;
        for (int v = 0; v < background.height(); v++) {
            for (int u = background.nextSet(v, 0); u < background.width(); u = background.nextSet(v, u + 1)) {
                least = Math.min(least, (x - u) * (x - u) + (y - v) * (y - v));
            }
        }
        return least;
    }

    @Test
    void touchingDiscsComeApartInTheirMiddle() {
        ShapeRenderer discs = new ShapeRenderer(90, 50);
        discs.add(new Ellipse(30, 25, 17, 17, 0));
        discs.add(new Ellipse(58, 25, 14, 14, 0));
        PlaneF coverage = discs.coverage();
        byte[] in = new byte[90 * 50];
        for (int i = 0; i < in.length; i++) {
            in[i] = (byte) (coverage.values()[i] > 0.5 ? 1 : 0);
        }
        Mask mask = Mask.from(in, 90, 50);
        Regions two = SplitTouching.byOutline(mask, Field.whole(90, 50), new Begin.Deep(1), Work.alone())
                .regions();
        assertThat(two.count()).isEqualTo(2);
        assertThat(two.at(30, 25)).isEqualTo(0);
        assertThat(two.at(60, 25)).isEqualTo(1);
        assertThat(two.pixels(0) + two.pixels(1)).isEqualTo(mask.count());
        assertThat(SplitTouching.byOutline(mask, Field.whole(90, 50), new Begin.Deep(30), Work.alone())
                        .regions()
                        .count())
                .isEqualTo(1);
        Mask lines = two.lines(i -> true);
        assertThat(lines.count()).isBetween(5L, 40L);
        Regions parted = two.without(lines);
        assertThat(parted.count()).isEqualTo(2);
        assertThat(SlowRegions.pixels(SlowRegions.labels(mask.minus(lines), Neighbours.EIGHT)))
                .hasSize(2);
        assertThat(parted.pixels(0) + parted.pixels(1)).isEqualTo(mask.count() - lines.count());
    }

    /** Two bars of 12 × 3 pixels: one is cut in the middle between its two markers, the other has none and stays whole. */
    @Test
    void partsBeginWhereTheyArePlacedAndAPieceWithoutAPlaceStaysWhole() {
        byte[] in = new byte[16 * 9];
        for (int i = 0; i < in.length; i++) {
            in[i] = (byte) (i % 16 >= 2 && i % 16 < 14 && i / 16 % 4 != 3 && i / 16 < 7 ? 1 : 0);
        }
        Mask bars = Mask.from(in, 16, 9);
        List<Point> places = List.of(new Point(3.5, 1.5), new Point(12.5, 1.5), new Point(0.5, 8.5));
        for (Parted parted : List.of(
                SplitTouching.byOutline(bars, Field.whole(16, 9), new Begin.Placed(places), Work.alone()),
                SplitTouching.byLight(
                        bars, PlaneF.of(16, 9, new float[16 * 9]), true, new Begin.Placed(places), Work.alone()))) {
            Regions three = parted.regions();
            assertThat(three.count()).isEqualTo(3);
            assertThat(List.of(three.pixels(0), three.pixels(1), three.pixels(2)))
                    .containsExactly(18L, 18L, 36L);
            assertThat(three.at(3, 1)).isEqualTo(0);
            assertThat(three.at(12, 1)).isEqualTo(1);
            assertThat(parted.markers()).hasSize(3).startsWith(16 + 3, 16 + 12);
        }
    }

    @Test
    void nothingAndEverythingAreTaken() {
        Field field = Field.whole(7, 5);
        assertThat(SplitTouching.byOutline(Mask.empty(7, 5), field, new Begin.Deep(1), Work.alone())
                        .regions()
                        .count())
                .isZero();
        assertThat(SplitTouching.byOutline(Mask.full(7, 5), field, new Begin.Deep(0), Work.alone())
                        .regions()
                        .count())
                .isEqualTo(1);
    }
}
