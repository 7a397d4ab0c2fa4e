package keentally.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ConvexHullTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(400);
    }

    private static ConvexHull hull(List<int[]> points) {
        List<int[]> sorted = points.stream()
                .sorted(Comparator.<int[]>comparingInt(p -> p[1]).thenComparingInt(p -> p[0]))
                .toList();
        int[] x = sorted.stream().mapToInt(p -> p[0]).toArray();
        int[] y = sorted.stream().mapToInt(p -> p[1]).toArray();
        return ConvexHull.of(x, y, x.length);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void agreesWithTryingEverything(long seed) {
        Chance chance = new Chance(seed);
        int size = chance.between(2, 20);
        List<int[]> points = IntStream.range(0, chance.between(1, 40))
                .mapToObj(i -> new int[] {chance.below(size), chance.below(size)})
                .toList();
        ConvexHull hull = hull(points);
        assertThat(hull.longest()).isCloseTo(longest(points), within(1e-9));
        assertThat(hull.narrowest()).isCloseTo(narrowest(points, hull), within(1e-9));
        for (int[] p : points) {
            assertThat(isInside(hull, p)).isTrue();
        }
    }

    private static double longest(List<int[]> points) {
        double best = 0;
        for (int[] p : points) {
            for (int[] q : points) {
                best = Math.max(best, Math.hypot(p[0] - q[0], p[1] - q[1]));
            }
        }
        return best;
    }

    /** The least width lies along an edge of the hull; every pair of points stands for one. */
    private static double narrowest(List<int[]> points, ConvexHull hull) {
        if (hull.corners() < 3) {
            return 0;
        }
        double best = Double.POSITIVE_INFINITY;
        for (int[] p : points) {
            for (int[] q : points) {
                double length = Math.hypot(p[0] - q[0], p[1] - q[1]);
                if (length > 0) {
                    double nx = (q[1] - p[1]) / length;
                    double ny = (p[0] - q[0]) / length;
                    double least = points.stream()
                            .mapToDouble(r -> nx * r[0] + ny * r[1])
                            .min()
                            .orElseThrow();
                    double most = points.stream()
                            .mapToDouble(r -> nx * r[0] + ny * r[1])
                            .max()
                            .orElseThrow();
                    best = Math.min(best, most - least);
                }
            }
        }
        return best;
    }

    private static boolean isInside(ConvexHull hull, int[] p) {
        if (hull.corners() < 3) {
            return true;
        }
        boolean left = true;
        boolean right = true;
        for (int i = 0; i < hull.corners(); i++) {
            int j = (i + 1) % hull.corners();
            long turn = (long) (hull.x(j) - hull.x(i)) * (p[1] - hull.y(i))
                    - (long) (hull.y(j) - hull.y(i)) * (p[0] - hull.x(i));
            left &= turn >= 0;
            right &= turn <= 0;
        }
        return left || right;
    }

    @Test
    void aSquareHasFourCorners() {
        ConvexHull hull =
                hull(List.of(new int[] {0, 0}, new int[] {3, 0}, new int[] {0, 3}, new int[] {3, 3}, new int[] {1, 1}));
        assertThat(hull.corners()).isEqualTo(4);
        assertThat(hull.area()).isEqualTo(9);
        assertThat(hull.narrowest()).isEqualTo(3);
        assertThat(hull.longest()).isCloseTo(3 * Math.sqrt(2), within(1e-12));
    }
}
