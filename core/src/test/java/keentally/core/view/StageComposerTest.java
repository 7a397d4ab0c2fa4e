package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.Chance;
import keentally.core.geometry.Rectangle;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.region.ObjectSet;
import keentally.core.threshold.Cut;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StageComposerTest {
    private static final int W = 300;
    private static final int H = 200;
    private static final Plane8 PLANE = new Chance(1).plane8(W, H);
    private static final Pyramid PYRAMID = Pyramid.of(Picture.grey(PLANE), Work.alone());
    private static final Field FIELD = Field.whole(W, H);

    private static Layers layers(Mask mask, Look look, Set<Integer> selected) {
        ObjectSet objects = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
        Layers layers = Layers.of(PYRAMID, FIELD, look).with(mask).with(objects, ObjectColours.of(objects));
        return selected.isEmpty() ? layers : layers.with(new Layer.SelectedObjects(objects, selected));
    }

    private static Layers layers(Mask mask, Look.Overlay overlay, double strength, Set<Integer> selected) {
        return layers(mask, new Look(overlay, strength), selected);
    }

    private static Look marked(Look.Mark... marks) {
        return new Look(Look.Overlay.OUTLINES, Set.of(marks), 0.4, false);
    }

    /** A block of 8 × 6 pixels at (40, 30). */
    private static Mask block() {
        return Field.of(W, H, List.of(new Field.Part(new Rectangle(40, 30, 8, 6), false)))
                .mask();
    }

    private static int grey(int x, int y) {
        int v = (int) PLANE.at(x, y);
        return 0xff000000 | v << 16 | v << 8 | v;
    }

    @ParameterizedTest
    @CsvSource({"2, 1", "1, 1", "0.2, 1", "0.16, 2", "0.066, 5"})
    void asManyRowsLieApartAsAreNotLookedAt(double zoom, int rows) {
        assertThat(StageComposer.rowsApart(new Viewport(0, 0, zoom, 30, 20))).isEqualTo(rows);
    }

    /** A mask of the rows that are looked at is painted as the whole one is, but for the row of the window in which it ends. */
    @Test
    void rowsThatAreNotLookedAtHardlyMatter() {
        byte[] down = new byte[W * H];
        for (int i = 0; i < down.length; i++) {
            down[i] = (byte) (i / W);
        }
        Plane8 plane = Plane8.of(W, H, down);
        Viewport view = new Viewport(0, 0, 0.1, 30, 20);
        int every = StageComposer.rowsApart(view);
        assertThat(every).isEqualTo(3);
        int[] whole = compose(Cut.bright(104).mask(plane, FIELD, Work.alone()), view);
        int[] soon = compose(Cut.bright(104).mask(plane, FIELD, every, Work.alone()), view);
        for (int i = 0; i < whole.length; i++) {
            if (i / 30 < 10 || i / 30 > 11) {
                assertThat(soon[i]).isEqualTo(whole[i]);
            }
        }
        assertThat(soon[0]).isNotEqualTo(soon[soon.length - 1]);
    }

    private static int[] compose(Mask mask, Viewport view) {
        Layers layers = Layers.of(
                        Pyramid.of(Picture.grey(Plane8.of(W, H, new byte[W * H])), Work.alone()),
                        FIELD,
                        new Look(Look.Overlay.TINT, 0.4))
                .with(mask);
        return StageComposer.compose(layers, view, Work.alone());
    }

    @Test
    void realPixelsAreThePicturesValues() {
        int[] out = StageComposer.compose(Layers.bare(PYRAMID, FIELD), new Viewport(10, 20, 1, 50, 40), Work.alone());
        for (int i = 0; i < out.length; i++) {
            assertThat(out[i]).isEqualTo(grey(10 + i % 50, 20 + i / 50));
        }
    }

    @Test
    void enlargedPixelsAreSharpSquares() {
        int[] out = StageComposer.compose(Layers.bare(PYRAMID, FIELD), new Viewport(7, 9, 5, 50, 50), Work.alone());
        for (int i = 0; i < out.length; i++) {
            assertThat(out[i]).isEqualTo(grey(7 + i % 50 / 5, 9 + i / 50 / 5));
        }
    }

    @Test
    void besideThePictureIsTheSurround() {
        int[] out = StageComposer.compose(Layers.bare(PYRAMID, FIELD), new Viewport(-4, -3, 1, 10, 10), Work.alone());
        assertThat(out[0]).isEqualTo(Inks.SURROUND);
        assertThat(out[3 * 10 + 3]).isEqualTo(Inks.SURROUND);
        assertThat(out[3 * 10 + 4]).isEqualTo(grey(0, 0));
    }

    @Test
    void theMaskAloneIsWhiteOnBlackAndShrinksByCoverage() {
        Layers mask = layers(block(), Look.Overlay.MASK, 1, Set.of());
        int[] real = StageComposer.compose(mask, new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(real[30 * W + 40] & 0xff).isGreaterThan(250);
        assertThat(real[29 * W + 40]).isEqualTo(0xff000000);
        int[] quarter = StageComposer.compose(mask, new Viewport(0, 0, 0.25, W / 4, H / 4), Work.alone());
        assertThat(quarter[8 * W / 4 + 10] & 0xff).isGreaterThan(250);
        assertThat(quarter[7 * (W / 4) + 10] & 0xff).isBetween(120, 135);
    }

    @Test
    void outlinesLieOnTheObjectAndTheTintInIt() {
        int[] out = StageComposer.compose(
                layers(block(), Look.Overlay.OUTLINES, 0, Set.of()), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(Inks.OBJECTS).contains(out[30 * W + 40], out[35 * W + 47]);
        assertThat(out[33 * W + 44]).isEqualTo(grey(44, 33));
        assertThat(out[29 * W + 40]).isEqualTo(grey(40, 29));
        int[] tinted = StageComposer.compose(
                layers(block(), Look.Overlay.TINT, 1, Set.of()), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(tinted[33 * W + 44]).isEqualTo(Inks.MASK);
    }

    @Test
    void selectedObjectsShowWhateverElseIsShown() {
        int[] out = StageComposer.compose(
                layers(block(), Look.Overlay.TINT, 0.3, Set.of(0)), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(out[30 * W + 40]).isEqualTo(Inks.SELECTED);
    }

    @Test
    void noObjectVanishesWhenThePictureShrinks() {
        Mask dot = Field.of(W, H, List.of(new Field.Part(new Rectangle(101, 77, 1, 1), false)))
                .mask();
        int[] out = StageComposer.compose(
                layers(dot, Look.Overlay.OUTLINES, 0, Set.of()), new Viewport(0, 0, 0.1, 30, 20), Work.alone());
        assertThat(Arrays.stream(out).filter(c -> Inks.OBJECTS.contains(c)).count())
                .isEqualTo(1);
    }

    @Test
    void numbersAreDrawnInOurOwnFigures() {
        Layers with = layers(block(), marked(Look.Mark.NUMBERS), Set.of());
        int[] out = StageComposer.compose(with, new Viewport(30, 20, 4, 120, 120), Work.alone());
        assertThat(Arrays.stream(out).filter(c -> c == 0xffffffff).count()).isBetween(8L, 400L);
        int[] drawn = new int[9 * 9];
        Digits.draw(drawn, 9, 9, 1, 1, 1);
        assertThat(IntStream.range(0, 81).filter(i -> drawn[i] == 0xffffffff).count())
                .isEqualTo(5 + 2 + 2 + 4);
    }

    @Test
    void fillsTellObjectsApartOrShowTheirMeanColour() {
        int[] filled = StageComposer.compose(
                layers(block(), Look.Overlay.FILL, 1, Set.of()), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(Inks.OBJECTS).contains(filled[33 * W + 44]);
        assertThat(filled[29 * W + 40]).isEqualTo(grey(40, 29));
        ObjectSet objects = ObjectSet.of(Labeller.regions(block(), Neighbours.EIGHT, Work.alone()));
        Look look = new Look(Look.Overlay.FILL, Set.of(), 0.2, true);
        Layers mean =
                Layers.of(PYRAMID, FIELD, look).with(objects, ObjectColours.means(objects, PYRAMID, Work.alone()));
        double sum = 0;
        for (int i = 0; i < 48; i++) {
            sum += PLANE.at(40 + i % 8, 30 + i / 8);
        }
        int[] out = StageComposer.compose(mean, new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(out[33 * W + 44] & 0xff).isCloseTo((int) (sum / 48), within(1));
    }

    @Test
    void centresAndBoxesAreMarked() {
        int[] dots = StageComposer.compose(
                layers(block(), marked(Look.Mark.DOTS), Set.of()), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(dots[33 * W + 44]).isEqualTo(0xffffffff);
        int[] boxes = StageComposer.compose(
                layers(block(), marked(Look.Mark.BOXES), Set.of()), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(Inks.OBJECTS).contains(boxes[29 * W + 39], boxes[36 * W + 48], boxes[29 * W + 44]);
        assertThat(boxes[28 * W + 39]).isEqualTo(grey(39, 28));
    }

    @Test
    void whatAStationAddedIsHatchedAndWhatItTookAwayDotted() {
        Mask before = block();
        Mask after = Field.within(new Rectangle(44, 30, 20, 6), W, H);
        Layers changed = Layers.of(PYRAMID, FIELD, marked(Look.Mark.CHANGES)).with(Layer.Change.of(before, after));
        int[] out = StageComposer.compose(changed, new Viewport(0, 0, 1, W, H), Work.alone());
        int[] added = IntStream.range(0, 16 * 6)
                .map(i -> out[(30 + i / 16) * W + 48 + i % 16])
                .toArray();
        assertThat(Arrays.stream(added).distinct().toArray()).containsExactlyInAnyOrder(Inks.ADDED, Inks.ADDED_LINE);
        long dotted = IntStream.range(0, 4 * 6)
                .filter(i -> out[(30 + i / 4) * W + 40 + i % 4] == Inks.REMOVED)
                .count();
        assertThat(dotted).isBetween(4L, 20L);
        assertThat(out[33 * W + 45]).isEqualTo(grey(45, 33));
    }

    @Test
    void coloursCanBeDrawnAgain() {
        ObjectSet objects = ObjectSet.of(Labeller.regions(new Chance(5).mask(60, 40), Neighbours.FOUR, Work.alone()));
        ObjectColours first = ObjectColours.of(objects);
        ObjectColours again = ObjectColours.of(objects, 1);
        assertThat(IntStream.range(0, objects.count()).filter(i -> first.of(i) != again.of(i)))
                .isNotEmpty();
        assertThat(again.of(0)).isNotEqualTo(first.of(0));
    }

    @Test
    void outsideTheFieldIsDimmed() {
        Field left = Field.of(W, H, List.of(new Field.Part(new Rectangle(0, 0, 50, H), false)));
        int[] out = StageComposer.compose(Layers.bare(PYRAMID, left), new Viewport(0, 0, 1, W, H), Work.alone());
        assertThat(out[10]).isEqualTo(grey(10, 0));
        assertThat(out[60]).isEqualTo(Inks.mix(grey(60, 0), Inks.SURROUND, 120));
    }

    @Test
    void threadsMakeNoDifference() {
        Layers layers = layers(new Chance(9).mask(W, H), marked(Look.Mark.values()), Set.of(2, 3))
                .with(Layer.Change.of(new Chance(10).mask(W, H), new Chance(11).mask(W, H)));
        Viewport view = new Viewport(-10, 5, 0.7, 220, 160);
        int[] alone = StageComposer.compose(layers, view, Work.alone());
        try (Workers workers = Workers.of(4)) {
            assertThat(StageComposer.compose(layers, view, new Work(workers, new Cancel())))
                    .isEqualTo(alone);
        }
    }

    @Test
    void nearObjectsDifferInColour() {
        ObjectSet objects = ObjectSet.of(Labeller.regions(new Chance(5).mask(60, 40), Neighbours.FOUR, Work.alone()));
        ObjectColours colours = ObjectColours.of(objects);
        Mask two = Mask.of(12, 1, new long[] {0b100000100001});
        ObjectSet near = ObjectSet.of(Labeller.regions(two, Neighbours.EIGHT, Work.alone()));
        ObjectColours three = ObjectColours.of(near);
        assertThat(Set.of(three.of(0), three.of(1), three.of(2))).hasSize(3);
        assertThat(IntStream.range(0, objects.count()).map(colours::of)).allMatch(Inks.OBJECTS::contains);
    }
}
