package keentally.core.refine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import keentally.core.distance.SquaredDistance;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.Dab;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

/** Two bright discs, one with a hole, on dark ground with noise. */
class ScribbleCutTest {
    private static final int WIDTH = 240;
    private static final int HEIGHT = 160;
    private static final Dab IN_RING = stroke(true, 42, 80, 50, 80);
    private static final Dab IN_DISC = stroke(true, 170, 80, 180, 90);
    private static final Dab OUT = stroke(false, 10, 10, 230, 10);

    private static boolean ring(double x, double y) {
        double r = Math.hypot(x - 70, y - 80);
        return r < 40 && r > 15;
    }

    private static boolean disc(double x, double y) {
        return Math.hypot(x - 175, y - 85) < 35;
    }

    private static Picture picture(int times, double noise) {
        Random random = new Random(11);
        byte[] values = new byte[WIDTH * times * HEIGHT * times];
        for (int i = 0; i < values.length; i++) {
            double x = (i % (WIDTH * times) + 0.5) / times;
            double y = (i / (WIDTH * times) + 0.5) / times;
            boolean in = ring(x, y) || disc(x, y);
            values[i] = (byte) Math.clamp(Math.round((in ? 170 : 100) + noise * random.nextGaussian()), 0, 255);
        }
        return Picture.grey(Plane8.of(WIDTH * times, HEIGHT * times, values));
    }

    private static final Picture PICTURE = picture(1, 12);
    private static final Field WHOLE = Field.whole(WIDTH, HEIGHT);

    private static Dab stroke(boolean inside, double... xy) {
        List<Point> path = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            path.add(new Point(xy[i], xy[i + 1]));
        }
        return new Dab.Brush(path, 5, inside);
    }

    private static Mask cut(List<Dab> strokes, Optional<Mask> mend, double smoothness) {
        return ScribbleCut.of(PICTURE, PICTURE, WHOLE, strokes, mend, smoothness, Work.alone())
                .orElseThrow();
    }

    private static Mask truth(boolean withRing, boolean withDisc) {
        byte[] set = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < set.length; i++) {
            double x = i % WIDTH + 0.5;
            double y = i / WIDTH + 0.5;
            set[i] = (byte) (withRing && ring(x, y) || withDisc && disc(x, y) ? 1 : 0);
        }
        return Mask.from(set, WIDTH, HEIGHT);
    }

    private static long off(Mask a, Mask b) {
        return a.minus(b).count() + b.minus(a).count();
    }

    @Test
    void severalThingsAndTheirHolesAreFoundAtOnce() {
        assertThat(off(cut(List.of(IN_RING, OUT), Optional.empty(), 10), truth(true, true)))
                .isLessThan(40);
    }

    @Test
    void oneKindOfStrokesBeginsAgainstAllTheRest() {
        assertThat(off(cut(List.of(IN_RING), Optional.empty(), 10), truth(true, true)))
                .isLessThan(300);
        assertThat(cut(List.of(), Optional.empty(), 10).count()).isZero();
    }

    @Test
    void whatLiesUnderAStrokeIsDecidedAndTheLastOneCounts() {
        Dab in = stroke(true, 120, 20, 120, 24);
        Mask found = cut(List.of(IN_RING, OUT, in), Optional.empty(), 10);
        assertThat(found.at(120, 22)).isTrue();
        Mask taken = cut(List.of(IN_RING, OUT, in, stroke(false, 120, 20, 120, 24)), Optional.empty(), 10);
        assertThat(taken.at(120, 22)).isFalse();
    }

    /** A thing is done, then only what lies in the part may change. */
    @Test
    void aPartLeavesTheRestAsItWas() {
        Dab rightHalf = new Dab.Outline(
                List.of(new Point(125, 0), new Point(240, 0), new Point(240, 160), new Point(125, 160)), true);
        Mask onlyPart = cut(List.of(rightHalf, IN_DISC, stroke(false, 130, 20, 230, 20)), Optional.empty(), 10);
        assertThat(off(onlyPart, truth(false, true))).isLessThan(40);
        Mask before = cut(List.of(IN_RING, OUT), Optional.empty(), 10);
        Mask after = cut(List.of(IN_RING, OUT, rightHalf, stroke(false, 150, 85, 200, 85)), Optional.empty(), 10);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < 124; x++) {
                assertThat(after.at(x, y)).isEqualTo(before.at(x, y));
            }
        }
        assertThat(after.at(175, 85)).as("taken away by hand").isFalse();
    }

    /** Where all strokes are in parts only these are looked at; a part that reaches beyond the picture is one all the same. */
    @Test
    void aPartThatReachesBeyondThePictureIsCutOffThere() {
        Dab part = new Dab.Outline(
                List.of(new Point(120, -50), new Point(400, -50), new Point(400, 300), new Point(120, 300)), true);
        Mask found = cut(List.of(part, IN_DISC, stroke(false, 130, 20, 230, 20)), Optional.empty(), 10);
        assertThat(off(found, truth(false, true))).isLessThan(40);
        Dab beyond = new Dab.Outline(List.of(new Point(500, 500), new Point(600, 500), new Point(600, 600)), true);
        assertThat(cut(List.of(beyond, IN_DISC), Optional.empty(), 10).count()).isZero();
    }

    @Test
    void aMaskIsMended() {
        Mask rough = truth(true, true).minus(WHOLE.clip(Field.within(new Rectangle(30, 60, 30, 40), WIDTH, HEIGHT)));
        Mask mended = cut(List.of(IN_RING), Optional.of(rough), 10);
        assertThat(off(rough, truth(true, true))).isGreaterThan(900);
        assertThat(off(mended, truth(true, true))).isLessThan(60);
        assertThat(cut(List.of(), Optional.of(rough), 10)).isEqualTo(rough);
    }

    @Test
    void moreSmoothnessMakesAShorterRim() {
        Picture noisy = picture(1, 80);
        List<Dab> strokes = List.of(IN_RING, OUT);
        Mask ragged = ScribbleCut.of(noisy, noisy, WHOLE, strokes, Optional.empty(), 0, Work.alone())
                .orElseThrow();
        Mask smooth = ScribbleCut.of(noisy, noisy, WHOLE, strokes, Optional.empty(), 5, Work.alone())
                .orElseThrow();
        assertThat(off(ragged, truth(true, true))).isGreaterThan(3 * off(smooth, truth(true, true)));
        assertThat(off(smooth, truth(true, true))).isLessThan(900);
    }

    /** Coarse to fine, against the whole at once. */
    @Test
    void theRimOfALargeCutIsThatOfTheWholeOne() {
        Picture large = picture(3, 14);
        Field field = Field.whole(large.width(), large.height());
        List<Dab> strokes = List.of(stroke(true, 126, 240, 150, 240), stroke(false, 30, 30, 690, 30));
        Mask whole = ScribbleCut.of(large, large, field, strokes, Optional.empty(), 10, Integer.MAX_VALUE, Work.alone())
                .orElseThrow();
        Mask coarse = ScribbleCut.of(large, large, field, strokes, Optional.empty(), 10, 25_000, Work.alone())
                .orElseThrow();
        assertThat(near(rim(whole), rim(coarse))).isGreaterThan(0.95);
        assertThat(near(rim(coarse), rim(whole))).isGreaterThan(0.95);
    }

    private static Mask rim(Mask mask) {
        byte[] rim = new byte[mask.width() * mask.height()];
        for (int y = 1; y < mask.height() - 1; y++) {
            for (int x = 1; x < mask.width() - 1; x++) {
                boolean on = mask.at(x, y)
                        && !(mask.at(x - 1, y) && mask.at(x + 1, y) && mask.at(x, y - 1) && mask.at(x, y + 1));
                rim[y * mask.width() + x] = (byte) (on ? 1 : 0);
            }
        }
        return Mask.from(rim, mask.width(), mask.height());
    }

    /** The share of one rim that lies within two pixels of another. */
    private static double near(Mask rim, Mask other) {
        int[] far = SquaredDistance.to(other, Work.alone());
        long near = 0;
        for (int i = 0; i < far.length; i++) {
            near += rim.at(i % rim.width(), i / rim.width()) && far[i] <= 4 ? 1 : 0;
        }
        return (double) near / rim.count();
    }

    @Test
    void theSmallestAndTheFlattestPicturesAreCut() {
        for (int[] size : new int[][] {{1, 1}, {3, 1}, {1, 4}, {30, 20}}) {
            float[] values = new float[size[0] * size[1]];
            for (int i = 0; i < values.length; i += 2) {
                values[i] = -0f;
            }
            Picture flat = Picture.grey(PlaneF.of(size[0], size[1], values));
            Field field = Field.whole(size[0], size[1]);
            Dab one = new Dab.Brush(List.of(new Point(0.5, 0.5)), 1, true);
            Mask found = ScribbleCut.of(flat, flat, field, List.of(one), Optional.empty(), 10, Work.alone())
                    .orElseThrow();
            assertThat(found.at(0, 0)).isTrue();
            Mask beside = ScribbleCut.of(
                            flat,
                            flat,
                            field,
                            List.of(stroke(true, -50, -50, -40, -40)),
                            Optional.of(found),
                            10,
                            Work.alone())
                    .orElseThrow();
            assertThat(beside).as("a stroke beside the picture changes nothing").isEqualTo(found);
        }
    }

    @Test
    void theFieldIsKeptToAndThreadsMakeNoDifference() {
        Field left = Field.of(WIDTH, HEIGHT, List.of(new Field.Part(new Rectangle(0, 0, 120, HEIGHT), false)));
        Mask alone = ScribbleCut.of(
                        PICTURE, PICTURE, left, List.of(IN_RING, OUT), Optional.empty(), 10, 5000, Work.alone())
                .orElseThrow();
        assertThat(off(alone, truth(true, false))).isLessThan(60);
        try (Workers workers = Workers.of(4)) {
            Mask shared = ScribbleCut.of(
                            PICTURE,
                            PICTURE,
                            left,
                            List.of(IN_RING, OUT),
                            Optional.empty(),
                            10,
                            5000,
                            new Work(workers, new Cancel()))
                    .orElseThrow();
            assertThat(shared).isEqualTo(alone);
        }
    }
}
