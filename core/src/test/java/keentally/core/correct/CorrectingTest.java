package keentally.core.correct;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class CorrectingTest {
    private static final String HAND = "edit-objects-1";

    static Stream<Arguments> seeds() {
        return Chance.seeds(300);
    }

    /** Rows of text; a letter but '.' is a pixel of a mask. */
    private static ObjectSet objects(String... rows) {
        byte[] chosen = new byte[rows.length * rows[0].length()];
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (rows[i / rows[0].length()].charAt(i % rows[0].length()) == '.' ? 0 : 1);
        }
        Mask mask = Mask.from(chosen, rows[0].length(), rows.length);
        return ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
    }

    /** Each pixel as the number of its object, '-' in a dropped one. */
    private static String[] rows(ObjectSet objects) {
        Regions regions = objects.regions();
        String[] rows = new String[regions.height()];
        for (int y = 0; y < rows.length; y++) {
            StringBuilder row = new StringBuilder();
            for (int x = 0; x < regions.width(); x++) {
                int region = regions.at(x, y);
                row.append(region < 0 ? "." : objects.isKept(region) ? "" + objects.number(region) : "-");
            }
            rows[y] = row.toString();
        }
        return rows;
    }

    private static Correcting.Outcome corrected(ObjectSet objects, Correction... corrections) {
        Field field = Field.whole(objects.regions().width(), objects.regions().height());
        return Correcting.of(objects, List.of(corrections), field, HAND, new Cancel());
    }

    private static ObjectSet drawn(Chance chance) {
        Mask mask = chance.mask(chance.between(3, 20), chance.between(3, 14));
        return ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
    }

    private static Point in(double x, double y) {
        return new Point(x + 0.5, y + 0.5);
    }

    @Test
    void objectsAreJoinedAndKeepTheirPixels() {
        var done = corrected(
                objects("aa..b", "aa..b", ".....", "c.d.."), new Correction.Join(List.of(in(4, 0), in(0, 3))));
        assertThat(rows(done.objects())).containsExactly("11..2", "11..2", ".....", "2.3..");
        assertThat(done.fits()).containsExactly(true);
        assertThat(done.touchedKept()).isEqualTo(1);
    }

    @Test
    void aLinePartsAnObjectAndNoPixelIsLost() {
        ObjectSet bar = objects("aaaaaa", "aaaaaa", "aaaaaa");
        var done = corrected(bar, new Correction.Cut(List.of(new Point(2.5, -1), new Point(2.5, 4))));
        assertThat(rows(done.objects())).containsExactly("111222", "111222", "111222");
        assertThat(done.objects().droppedBy(0)).isEmpty();
        assertThat(done.touchedKept()).isEqualTo(2);
    }

    @Test
    void aLineThatEndsInsidePartsNothingAndDoesNotFit() {
        ObjectSet bar = objects("aaaaaa", "aaaaaa", "aaaaaa");
        var done = corrected(bar, new Correction.Cut(List.of(new Point(2.5, -1), new Point(2.5, 1.5))));
        assertThat(rows(done.objects())).containsExactly(rows(bar));
        assertThat(done.fits()).containsExactly(false);
        assertThat(done.touchedKept()).isZero();
    }

    @Test
    void objectsAreDroppedAndBroughtBack() {
        ObjectSet three = objects("a.b.c").drop("gate-1", i -> i == 1);
        var done = corrected(three, new Correction.Drop(List.of(in(0, 0))), new Correction.Restore(List.of(in(2, 0))));
        assertThat(rows(done.objects())).containsExactly("-.1.2");
        assertThat(done.objects().droppedBy(0)).isEqualTo(HAND);
        assertThat(done.touchedKept()).isEqualTo(1);
        assertThat(done.touchedDropped()).isEqualTo(1);
        var only = corrected(three, new Correction.KeepOnly(List.of(in(4, 0))));
        assertThat(rows(only.objects())).containsExactly("-.-.1");
        assertThat(only.objects().droppedBy(1)).isEqualTo("gate-1");
    }

    @Test
    void aDrawnObjectLeavesKeptOnesAloneAndTakesFromDroppedOnes() {
        ObjectSet two = objects("aa....", "aa..bb", "....bb").drop("gate-1", i -> i == 1);
        var done = corrected(
                two, new Correction.Draw(List.of(new Point(1, 0), new Point(5, 0), new Point(5, 3), new Point(1, 3))));
        assertThat(rows(done.objects())).containsExactly("11222.", "11222-", ".2222-");
        assertThat(done.touchedDropped()).isEqualTo(1);
    }

    @Test
    void anEraserThatPartsAnObjectMakesTwo() {
        ObjectSet bar = objects("aaaaa", "aaaaa");
        var done = corrected(bar, new Correction.Erase(List.of(new Point(2.5, 0), new Point(2.5, 2)), 1));
        assertThat(rows(done.objects())).containsExactly("11.22", "11.22");
        var gone = corrected(bar, new Correction.Erase(List.of(new Point(2.5, 1)), 9));
        assertThat(gone.objects().regions().count()).isZero();
    }

    @Test
    void whatIsNotThereAnyMoreIsNamedAndTheRestIsDone() {
        var done = corrected(
                objects("a.b.."),
                new Correction.Join(List.of(in(0, 0), in(4, 0))),
                new Correction.Drop(List.of(in(4, 0))),
                new Correction.Drop(List.of(in(2, 0))));
        assertThat(done.fits()).containsExactly(false, false, true);
        assertThat(rows(done.objects())).containsExactly("1.-..");
    }

    @Test
    void numbersKeepTheOrderTheyCameIn() {
        ObjectSet bySize = ObjectSet.of(objects("a.bb.ccc").regions(), new int[] {2, 1, 0});
        var done = corrected(bySize, new Correction.Drop(List.of(in(2, 0))));
        assertThat(rows(done.objects())).containsExactly("2.--.111");
    }

    /** A cut neither loses nor wins a pixel, and each part hangs together; joining the parts again gives the object back. */
    @ParameterizedTest
    @MethodSource("seeds")
    void cutsAddUpAndJoinsUndoThem(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(3, 20);
        int height = chance.between(3, 14);
        ObjectSet before = ObjectSet.of(Labeller.regions(chance.mask(width, height), Neighbours.EIGHT, Work.alone()));
        Correction cut = new Correction.Cut(List.of(
                new Point(chance.between(-2.0, width + 2), chance.between(-2.0, height + 2)),
                new Point(chance.between(-2.0, width + 2), chance.between(-2.0, height + 2))));
        var done = corrected(before, cut);
        assertThat(done.objects().mask()).isEqualTo(before.mask());
        assertThat(done.fits().getFirst()).isEqualTo(done.objects().count() > before.count());
        Regions parts = done.objects().regions();
        for (int i = 0; i < parts.count(); i++) {
            int region = i;
            Regions alone = Labeller.regions(parts.mask(r -> r == region), Neighbours.EIGHT, Work.alone());
            assertThat(alone.count()).isEqualTo(1);
            assertThat(alone.runCount()).isEqualTo(parts.firstRun(region + 1) - parts.firstRun(region));
        }
        for (int whole = 0; whole < before.count(); whole++) {
            Mask pixels = mask(before.regions(), whole);
            List<Point> places = IntStream.range(0, parts.count())
                    .filter(p -> pixels.at((int) (parts.firstPixel(p) % width), (int) (parts.firstPixel(p) / width)))
                    .mapToObj(p -> in(parts.firstPixel(p) % width, (double) (parts.firstPixel(p) / width)))
                    .toList();
            var joined = corrected(done.objects(), new Correction.Join(places));
            assertThat(joined.fits().getFirst()).isEqualTo(places.size() > 1);
            long first = before.regions().firstPixel(whole);
            int again = joined.objects().regions().at((int) (first % width), (int) (first / width));
            assertThat(mask(joined.objects().regions(), again)).isEqualTo(pixels);
        }
    }

    private static Mask mask(Regions regions, int region) {
        return regions.mask(r -> r == region);
    }

    /** The brush takes exactly the centres within half its width of the path. */
    @ParameterizedTest
    @MethodSource("seeds")
    void anEraserTakesWhatLiesUnderIt(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(3, 20);
        int height = chance.between(3, 14);
        ObjectSet before = ObjectSet.of(Labeller.regions(chance.mask(width, height), Neighbours.EIGHT, Work.alone()));
        Point a = new Point(chance.between(-2.0, width + 2), chance.between(-2.0, height + 2));
        Point b = new Point(chance.between(-2.0, width + 2), chance.between(-2.0, height + 2));
        double brush = chance.between(0.5, 7);
        var done = corrected(before, new Correction.Erase(List.of(a, b), brush));
        byte[] expected = new byte[width * height];
        for (int i = 0; i < expected.length; i++) {
            Point p = in(i % width, (double) (i / width));
            double nearest = IntStream.rangeClosed(0, 4000)
                    .mapToDouble(t -> Math.hypot(
                            p.x() - a.x() - t / 4000.0 * (b.x() - a.x()), p.y() - a.y() - t / 4000.0 * (b.y() - a.y())))
                    .min()
                    .orElseThrow();
            boolean near = Math.abs(nearest - brush / 2) < 1e-3;
            boolean kept = before.mask().at(i % width, i / width) && nearest > brush / 2;
            expected[i] = (byte) (near ? done.objects().mask().at(i % width, i / width) ? 1 : 0 : kept ? 1 : 0);
        }
        assertThat(done.objects().mask()).isEqualTo(Mask.from(expected, width, height));
        assertThat(done.fits().getFirst())
                .isEqualTo(done.objects().mask().count() < before.mask().count());
    }

    @Test
    void classesStayWithTheirObjects() {
        ObjectSet three = objects("aa.bb.cc", "aa.bb.cc");
        Correcting.Outcome sorted = corrected(
                three,
                new Correction.Sort(List.of(in(0, 0), in(3, 1), in(6, 0), in(2, 0)), "rye"),
                new Correction.Sort(List.of(in(6, 0)), "oats"),
                new Correction.Sort(List.of(in(6, 0)), "oats"),
                new Correction.Sort(List.of(in(3, 0)), ""));
        assertThat(sorted.fits()).containsExactly(true, true, false, true);
        assertThat(sorted.touched()).containsOnly(false);
        assertThat(sorted.objects().isSorted()).isTrue();
        assertThat(sorted.objects().classOf(0)).isEqualTo("rye");
        assertThat(sorted.objects().classOf(1)).isEmpty();
        assertThat(sorted.objects().drop("gate-1", r -> r == 0).classOf(2)).isEqualTo("oats");
        Correcting.Outcome cut =
                corrected(sorted.objects(), new Correction.Cut(List.of(new Point(6.5, 0), new Point(6.5, 2))));
        assertThat(cut.objects().classOf(2)).isEqualTo("oats");
        Correcting.Outcome joined = corrected(sorted.objects(), new Correction.Join(List.of(in(6, 0), in(0, 0))));
        assertThat(joined.objects().classOf(0)).as("the first that was named").isEqualTo("oats");
    }
}
