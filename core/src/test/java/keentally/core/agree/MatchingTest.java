package keentally.core.agree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MatchingTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(150);
    }

    private static ObjectSet objects(Mask mask) {
        return ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
    }

    private static List<Point> marks(Chance chance, int most, int width, int height) {
        List<Point> marks = new ArrayList<>();
        int n = chance.below(most + 1);
        for (int i = 0; i < n; i++) {
            boolean onPixel = chance.toss(0.3);
            double x = chance.between(-3.0, width + 3);
            double y = chance.between(-3.0, height + 3);
            marks.add(onPixel ? new Point(Math.floor(x), Math.floor(y)) : new Point(x, y));
        }
        return marks;
    }

    /** Everything with everything, in loops. */
    private static int[] plainly(List<Point> marks, ObjectSet objects, double within) {
        int[] partner = new int[marks.size()];
        Arrays.fill(partner, -1);
        Regions regions = objects.regions();
        Set<Integer> taken = new TreeSet<>();
        Set<Integer> insiders = new TreeSet<>();
        for (int t = 0; t < objects.count(); t++) {
            Point centre = regions.centroid(objects.region(t));
            int best = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int m = 0; m < marks.size(); m++) {
                Point at = marks.get(m);
                if (apart(regions, objects.region(t), at, true) == 0) {
                    insiders.add(m);
                    double d = StrictMath.hypot(at.x() - centre.x(), at.y() - centre.y());
                    if (d < least) {
                        least = d;
                        best = m;
                    }
                }
            }
            if (best >= 0) {
                partner[best] = t;
                taken.add(t);
            }
        }
        while (true) {
            int bestMark = -1;
            int bestThing = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int m = 0; m < marks.size(); m++) {
                for (int t = 0; t < objects.count(); t++) {
                    boolean free = partner[m] < 0 && !insiders.contains(m) && !taken.contains(t);
                    double d = free ? apart(regions, objects.region(t), marks.get(m), false) : Double.NaN;
                    if (d <= within && d < least) {
                        least = d;
                        bestMark = m;
                        bestThing = t;
                    }
                }
            }
            if (bestMark < 0) {
                return partner;
            }
            partner[bestMark] = bestThing;
            taken.add(bestThing);
        }
    }

    /** @param inside only pixels that hold the place count, and give 0 */
    private static double apart(Regions regions, int region, Point at, boolean inside) {
        double least = Double.POSITIVE_INFINITY;
        for (int y = 0; y < regions.height(); y++) {
            for (int x = 0; x < regions.width(); x++) {
                if (regions.at(x, y) == region) {
                    boolean holds = Math.floor(at.x()) == x && Math.floor(at.y()) == y;
                    double dx = Math.max(0, Math.max(x - at.x(), at.x() - (x + 1)));
                    double dy = Math.max(0, Math.max(y - at.y(), at.y() - (y + 1)));
                    least = Math.min(least, inside ? (holds ? 0 : 1) : Math.sqrt(dx * dx + dy * dy));
                }
            }
        }
        return least;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void partnersAreThoseOfThePlainWay(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 40);
        int height = chance.between(1, 30);
        ObjectSet all = objects(chance.mask(width, height));
        ObjectSet kept = all.drop("gate-1", r -> r % 4 == 1);
        List<Point> marks = marks(chance, 12, width, height);
        double within = chance.toss(0.2) ? 0 : chance.between(0.0, 9);
        Agreement found = Matching.withObjects(marks, kept, within);
        assertThat(found.partner()).isEqualTo(plainly(marks, kept, within));
        assertThat(found.matched() + found.missed().length).isEqualTo(marks.size());
        assertThat(found.matched() + found.extra().length).isEqualTo(kept.count());
        assertThat(found.difference()).isEqualTo(found.extra().length - found.missed().length);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void twoCountersPairUpTheNearestFirst(long seed) {
        Chance chance = new Chance(seed);
        List<Point> first = marks(chance, 15, 60, 60);
        List<Point> second = marks(chance, 15, 60, 60);
        double within = chance.between(0.0, 25);
        Agreement found = Matching.between(first, second, within);
        int[] partner = new int[first.size()];
        Arrays.fill(partner, -1);
        Set<Integer> taken = new TreeSet<>();
        for (int round = 0; round < first.size(); round++) {
            int bestFirst = -1;
            int bestSecond = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int a = 0; a < first.size(); a++) {
                for (int b = 0; b < second.size(); b++) {
                    double d = StrictMath.hypot(
                            first.get(a).x() - second.get(b).x(),
                            first.get(a).y() - second.get(b).y());
                    if (partner[a] < 0 && !taken.contains(b) && d <= within && d < least) {
                        least = d;
                        bestFirst = a;
                        bestSecond = b;
                    }
                }
            }
            if (bestFirst >= 0) {
                partner[bestFirst] = bestSecond;
                taken.add(bestSecond);
            }
        }
        assertThat(found.partner()).isEqualTo(partner);
    }

    /** Two blobs of four by three pixels, seven columns apart. */
    private static ObjectSet two() {
        long[] words = new long[6];
        for (int y = 1; y < 4; y++) {
            words[y] = 0b1111L << 2 | 0b1111L << 13;
        }
        return objects(Mask.of(20, 6, words));
    }

    @Test
    void marksInOneObjectAreMerged() {
        List<Point> marks = List.of(new Point(2.1, 1.1), new Point(4.1, 2.4), new Point(5.9, 3.9));
        Agreement found = Matching.withObjects(marks, two(), 1);
        assertThat(found.partner()).containsExactly(-1, 0, -1);
        assertThat(found.merged()).containsExactly(new Agreement.Group(0, List.of(0, 1, 2)));
        assertThat(found.missed()).containsExactly(0, 2);
        assertThat(found.extra()).containsExactly(1);
        assertThat(found.split()).isEmpty();
    }

    @Test
    void aThingInSeveralObjectsIsSplit() {
        Agreement found = Matching.withObjects(List.of(new Point(4, 2.5)), two(), 12);
        assertThat(found.partner()).containsExactly(0);
        assertThat(found.split()).containsExactly(new Agreement.Group(0, List.of(1)));
        assertThat(Matching.withObjects(List.of(new Point(4, 2.5)), two(), 5).split())
                .isEmpty();
    }

    @Test
    void numbersAreThoseOfTheBook() {
        List<Point> marks = List.of(new Point(4, 2), new Point(9.5, 2.5), new Point(10, 50));
        Agreement found = Matching.withObjects(marks, two(), 4);
        assertThat(found.matched()).isEqualTo(2);
        assertThat(found.precision()).isEqualTo(1);
        assertThat(found.recall()).isCloseTo(2.0 / 3, within(1e-12));
        assertThat(found.f1()).isCloseTo(0.8, within(1e-12));
        assertThat(found.difference()).isEqualTo(-1);
        assertThat(found.margin()).isCloseTo(1.96, within(1e-12));
    }

    @Test
    void nothingAndNothingHaveNoShare() {
        Agreement none = Matching.between(List.of(), List.of(), 3);
        assertThat(none.precision()).isNaN();
        assertThat(none.f1()).isNaN();
        assertThat(none.margin()).isZero();
        assertThatThrownBy(() -> Matching.between(List.of(), List.of(), -1)).hasMessageContaining("0 or more");
        assertThatThrownBy(() -> Matching.between(List.of(), List.of(), Double.NaN))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
