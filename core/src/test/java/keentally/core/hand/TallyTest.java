package keentally.core.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.TallyPainter;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Marks, the cells of a sweep, and how marks are seen. */
class TallyTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(60);
    }

    /** Nothing is skipped and nothing is counted twice, and the next cell is beside the last in a row. */
    @ParameterizedTest
    @MethodSource("seeds")
    void everyPlaceOfTheFieldIsInOneCell(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 90);
        int height = chance.between(1, 60);
        Field field = chance.field(width, height);
        double side = chance.toss(0.5) ? chance.between(1, 40) : chance.between(1.0, 40);
        List<Rectangle> cells = SweepCells.of(field, side).cells();
        boolean[] used = new boolean[cells.size()];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double px = x + 0.5;
                double py = y + 0.5;
                int in = 0;
                for (int i = 0; i < cells.size(); i++) {
                    Rectangle c = cells.get(i);
                    if (px >= c.x() && px < c.right() && py >= c.y() && py < c.bottom()) {
                        in++;
                        used[i] |= field.contains(x, y);
                    }
                }
                assertThat(in).isBetween(field.contains(x, y) ? 1 : 0, 1);
            }
        }
        assertThat(new HashSet<>(cells)).hasSameSizeAs(cells);
    }

    @Test
    void cellsThatCannotBeAreRefused() {
        Field field = Field.whole(4000, 3000);
        for (double side : new double[] {0, -1, 0.5, 2, Double.NaN}) {
            assertThatThrownBy(() -> SweepCells.of(field, side)).hasMessage("cells must be larger");
        }
        assertThat(SweepCells.of(field, 1e9).cells()).containsExactly(new Rectangle(0, 0, 4000, 3000));
        assertThat(SweepCells.of(field, 1000).cells().get(4)).isEqualTo(new Rectangle(3000, 1000, 1000, 1000));
    }

    @Test
    void theNearestMarkWithinReachIsTakenTheLastOfEqualOnes() {
        Mark a = new Mark(new Point(10, 10), "c1", 0);
        Marks marks = new Marks(List.of(a, a.moved(new Point(14, 10)), a.as("c2")));
        assertThat(marks.nearest(new Point(13, 10), 5)).isEqualTo(1);
        assertThat(marks.nearest(new Point(10, 10), 5)).isEqualTo(2);
        assertThat(marks.nearest(new Point(30, 10), 5)).isEqualTo(-1);
        assertThat(marks.nearest(new Point(19, 10), 5)).isEqualTo(1);
        assertThat(marks.counts()).containsEntry("c1", 2).containsEntry("c2", 1);
        assertThat(marks.ofKind("c2").list()).containsExactly(a.as("c2"));
    }

    private static int[] seen(Marks marks, double strength, List<Point> called) {
        TallyClass kind = new TallyClass("c1", "one", Glyph.UPRIGHT, Rgb.of("#f0c75e"));
        byte[] grey = new byte[60 * 40];
        Arrays.fill(grey, (byte) 100);
        Pyramid pyramid = Pyramid.of(Picture.grey(Plane8.of(60, 40, grey)), Work.alone());
        Layers layers = Layers.bare(pyramid, Field.whole(60, 40))
                .with(new Layer.Tally(marks, List.of(kind), 5, strength, called));
        return StageComposer.compose(layers, new Viewport(0, 0, 1, 60, 40), Work.alone());
    }

    @Test
    void aMarkIsSeenWhereItIsInItsColourWithADarkRim() {
        Mark mark = new Mark(new Point(20.5, 15.5), "c1", 0);
        int[] plain = seen(Marks.NONE, 1, List.of());
        int[] marked = seen(new Marks(List.of(mark)), 1, List.of());
        assertThat(marked[15 * 60 + 20]).isEqualTo(0xfff0c75e);
        assertThat(marked[15 * 60 + 25]).isEqualTo(0xfff0c75e);
        assertThat(marked[16 * 60 + 22]).isEqualTo(0xff1e2730);
        assertThat(marked[25 * 60 + 20]).isEqualTo(plain[25 * 60 + 20]);
        int[] faint = seen(new Marks(List.of(mark)), 0.5, List.of());
        assertThat(faint[15 * 60 + 20]).isNotIn(plain[15 * 60 + 20], 0xfff0c75e);
        int[] called = seen(Marks.NONE, 1, List.of(new Point(20, 15)));
        assertThat(called).isNotEqualTo(plain).contains(0xffffffff);
    }

    /** At the border, beyond it, and of a class that is gone. */
    @Test
    void marksAnywhereArePaintedWithoutHarm() {
        List<Mark> marks = new ArrayList<>();
        for (double[] at : new double[][] {{0, 0}, {59.9, 39.9}, {-3, 20}, {1e9, -1e9}, {30, -2}}) {
            marks.add(new Mark(new Point(at[0], at[1]), marks.size() % 2 == 0 ? "c1" : "gone", 0));
        }
        assertThat(seen(new Marks(marks), 0.7, List.of(new Point(-5, -5), new Point(60, 40))))
                .hasSize(60 * 40);
    }

    @Test
    void glyphsAreToldApartWithoutColourAtEverySize() {
        for (int radius = 3; radius <= 14; radius++) {
            Set<String> shapes = new HashSet<>();
            for (Glyph glyph : Glyph.values()) {
                shapes.add(Arrays.toString(TallyPainter.icon(glyph, 0xffffff, radius)));
            }
            assertThat(shapes).hasSameSizeAs(Glyph.values());
        }
    }
}
