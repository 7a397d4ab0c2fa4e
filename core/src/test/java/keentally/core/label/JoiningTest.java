package keentally.core.label;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.region.SlowRegions;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class JoiningTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(400);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void piecesAreJoinedWhereTwoOfTheirPixelsAreNearer(long seed) {
        Chance chance = new Chance(seed);
        Mask mask = chance.mask(chance.between(1, 30), chance.between(1, 20));
        Neighbours neighbours = chance.toss(0.5) ? Neighbours.FOUR : Neighbours.EIGHT;
        double within = chance.toss(0.3) ? Math.sqrt(chance.between(0, 40)) : chance.between(0.0, 8);
        Regions joined = Joining.of(Labeller.regions(mask, neighbours, Work.alone()), within, Work.alone());
        int[] slow = slow(SlowRegions.pixels(SlowRegions.labels(mask, neighbours)), within);
        int[][] labels = SlowRegions.labels(mask, neighbours);
        for (int y = 0; y < mask.height(); y++) {
            for (int x = 0; x < mask.width(); x++) {
                for (int v = 0; v < mask.height() && mask.at(x, y); v++) {
                    int u = (x * 7 + v * 3) % mask.width();
                    if (mask.at(u, v)) {
                        assertThat(joined.at(x, y) == joined.at(u, v))
                                .isEqualTo(slow[labels[y][x] - 1] == slow[labels[v][u] - 1]);
                    }
                }
            }
        }
        assertThat(joined.mask(i -> true)).isEqualTo(mask);
        assertThat((long) joined.count())
                .isEqualTo(java.util.Arrays.stream(slow).distinct().count());
    }

    /** The group of each piece, by passing the lowest number on until nothing changes. */
    private static int[] slow(List<List<int[]>> pieces, double within) {
        int[] group = new int[pieces.size()];
        java.util.Arrays.setAll(group, i -> i);
        for (boolean changed = true; changed; ) {
            changed = false;
            for (int i = 0; i < group.length; i++) {
                for (int j = 0; j < group.length; j++) {
                    if (group[j] > group[i] && isNear(pieces.get(i), pieces.get(j), within)) {
                        group[j] = group[i];
                        changed = true;
                    }
                }
            }
        }
        return group;
    }

    private static boolean isNear(List<int[]> a, List<int[]> b, double within) {
        return a.stream()
                .anyMatch(p -> b.stream().anyMatch(q -> {
                    double dx = p[0] - q[0];
                    double dy = p[1] - q[1];
                    return dx * dx + dy * dy < within * within;
                }));
    }

    @Test
    void withoutADistanceNothingChanges() {
        Regions regions = Labeller.regions(new Chance(3).mask(20, 20), Neighbours.EIGHT, Work.alone());
        assertThat(Joining.of(regions, 0, Work.alone())).isSameAs(regions);
    }
}
