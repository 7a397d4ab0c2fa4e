package keentally.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ShapeRowTest {
    private static final int SIDE = 24;

    static Stream<Arguments> seeds() {
        return Chance.seeds(400);
    }

    /** On a lattice of half pixels now and then, so that centres lie on edges and corners. */
    private static double place(Chance chance, boolean lattice) {
        double v = chance.between(-6.0, SIDE + 6.0);
        return lattice ? Math.rint(v * 2) / 2 : v;
    }

    private static Shape shape(Chance chance) {
        boolean lattice = chance.toss(0.5);
        return switch (chance.below(3)) {
            case 0 -> {
                double w = chance.between(0.0, 20);
                yield new Rectangle(
                        place(chance, lattice),
                        place(chance, lattice),
                        lattice ? Math.rint(w) : w,
                        chance.between(0, 9));
            }
            case 1 ->
                new Ellipse(
                        place(chance, lattice),
                        place(chance, lattice),
                        lattice ? chance.between(1, 9) / 2.0 : chance.between(0.2, 14),
                        lattice ? chance.between(1, 9) / 2.0 : chance.between(0.2, 14),
                        lattice ? 0 : chance.between(-180.0, 180));
            default -> {
                double[] xy = new double[2 * chance.between(3, 9)];
                for (int i = 0; i < xy.length; i++) {
                    xy[i] = place(chance, lattice);
                }
                yield Polygon.of(xy);
            }
        };
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aRowHoldsExactlyTheCentresThatTheShapeContains(long seed) {
        Shape shape = shape(new Chance(seed));
        for (int y = 0; y < SIDE; y++) {
            boolean[] found = new boolean[SIDE];
            ShapeRow.runs(shape, y + 0.5, 0, SIDE, (from, to) -> {
                for (int x = from; x < to; x++) {
                    found[x] = true;
                }
            });
            for (int x = 0; x < SIDE; x++) {
                assertThat(found[x]).as("%s at %d, %d", shape, x, y).isEqualTo(shape.contains(x + 0.5, y + 0.5));
            }
        }
    }

    @Test
    void aBowTieCrossesItselfAndAStarDoesNot() {
        assertThat(Polygon.of(0, 0, 9, 9, 9, 0, 0, 9).crossesItself()).isTrue();
        assertThat(Polygon.of(0, 0, 9, 0, 9, 9, 0, 9).crossesItself()).isFalse();
        assertThat(Polygon.of(0, 0, 4, 1, 9, 0, 5, 4, 4, 9, 3, 4).crossesItself())
                .isFalse();
        assertThat(Polygon.of(0, 0, 9, 0, 4, 7).crossesItself()).isFalse();
    }

    @Test
    void aSegmentHasALengthAndAnAngleAsSeen() {
        assertThat(new Segment(new Point(1, 1), new Point(4, 5)).length()).isEqualTo(5);
        assertThat(new Segment(new Point(0, 0), new Point(5, -5)).angleDegrees())
                .isEqualTo(45);
        assertThat(new Segment(new Point(5, -5), new Point(0, 0)).angleDegrees())
                .isEqualTo(45);
        assertThat(new Segment(new Point(0, 0), new Point(0, 9)).angleDegrees()).isEqualTo(90);
        assertThat(new Segment(new Point(9, 2), new Point(0, 2)).angleDegrees()).isZero();
        assertThat(new Segment(new Point(3, 3), new Point(3, 3)).angleDegrees()).isZero();
    }
}
