package keentally.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ShapeTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(60);
    }

    private static Shape shape(Chance chance) {
        double x = chance.between(6.0, 14);
        double y = chance.between(6.0, 14);
        return switch (chance.below(3)) {
            case 0 -> new Rectangle(x - 4, y - 3, chance.between(0.2, 9), chance.between(0.2, 9));
            case 1 -> new Ellipse(x, y, chance.between(0.3, 6), chance.between(0.3, 6), chance.between(-180.0, 180));
            default -> star(chance, x, y);
        };
    }

    private static Polygon star(Chance chance, double x, double y) {
        int n = chance.between(3, 9);
        List<Point> corners = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            double angle = 2 * Math.PI * (i + chance.between(0, 0.9)) / n;
            double reach = chance.between(1.0, 6);
            corners.add(new Point(x + reach * Math.cos(angle), y + reach * Math.sin(angle)));
        }
        return new Polygon(corners);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void coverageOfAPixelIsTheShareOfItsPointsInside(long seed) {
        Shape shape = shape(new Chance(seed));
        int fine = 60;
        for (int y = 4; y < 16; y += 3) {
            for (int x = 4; x < 16; x += 3) {
                int inside = 0;
                for (int i = 0; i < fine * fine; i++) {
                    inside += shape.contains(x + (i % fine + 0.5) / fine, y + (i / fine + 0.5) / fine) ? 1 : 0;
                }
                assertThat(shape.coverage(x, y)).isCloseTo((double) inside / (fine * fine), within(0.02));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void coverageSumsUpToTheArea(long seed) {
        Shape shape = shape(new Chance(seed));
        double sum = 0;
        for (int y = -2; y < 26; y++) {
            for (int x = -2; x < 26; x++) {
                sum += shape.coverage(x, y);
            }
        }
        assertThat(sum).isCloseTo(shape.area(), within(1e-9));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aRowIsCoveredAsItsPixelsAre(long seed) {
        Shape shape = shape(new Chance(seed));
        for (int y = -2; y < 26; y++) {
            double[] row = new double[28];
            shape.cover(-2, y, row);
            for (int x = 0; x < row.length; x++) {
                assertThat(row[x]).isEqualTo(shape.coverage(x - 2, y));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingLiesOutsideTheBounds(long seed) {
        Chance chance = new Chance(seed);
        Shape shape = shape(chance);
        Rectangle box = shape.bounds();
        for (int i = 0; i < 500; i++) {
            double x = chance.between(-5.0, 25);
            double y = chance.between(-5.0, 25);
            if (shape.contains(x, y)) {
                assertThat(x).isBetween(box.x() - 1e-9, box.right() + 1e-9);
                assertThat(y).isBetween(box.y() - 1e-9, box.bottom() + 1e-9);
            }
        }
    }

    @Test
    void theOutlineBelongsToTheShape() {
        assertThat(new Rectangle(1, 1, 2, 2).contains(3, 2)).isTrue();
        assertThat(Ellipse.disc(5, 5, 2).contains(7, 5)).isTrue();
        assertThat(Polygon.of(0, 0, 4, 0, 4, 4).contains(2, 2)).isTrue();
        assertThat(Polygon.of(0, 0, 4, 0, 4, 4).contains(1, 2)).isFalse();
    }

    @Test
    void anglesRunCounterClockwiseAsSeen() {
        Ellipse up = new Ellipse(10, 10, 5, 1, 45);
        assertThat(up.contains(13, 7)).isTrue();
        assertThat(up.contains(13, 13)).isFalse();
    }

    @Test
    void theCentroidOfATriangleIsTheMeanOfItsCorners() {
        Point centre = Polygon.of(1, 1, 7, 1, 1, 10).centroid();
        assertThat(centre.x()).isCloseTo(3, within(1e-12));
        assertThat(centre.y()).isCloseTo(4, within(1e-12));
    }

    @Test
    void shapesWithoutExtentAreRefused() {
        assertThatThrownBy(() -> Ellipse.disc(1, 1, 0)).hasMessageContaining("half axes above 0");
        assertThatThrownBy(() -> new Rectangle(0, 0, -1, 2)).hasMessageContaining("at least 0");
        assertThatThrownBy(() -> Polygon.of(0, 0, 1, 1)).hasMessageContaining("at least three corners");
        assertThatThrownBy(() -> Polygon.of(0, 0, 1, 1, 2)).hasMessageContaining("an x and a y");
    }
}
