package keentally.core.morphology;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.SlowRegions;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Skeletons and hulls. */
class SkeletonTest {
    private static final int[][] SIDES = {{0, -1}, {0, 1}, {-1, 0}, {1, 0}};

    static Stream<Arguments> seeds() {
        return Chance.seeds(300);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void thinningAgreesWithItsDefinitionAndKeepsWhatHangsTogether(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 24);
        int height = chance.between(1, 16);
        Mask mask = chance.mask(width, height);
        Mask lines = Skeleton.of(mask, Work.alone());
        assertThat(lines).isEqualTo(slow(mask));
        assertThat(lines.minus(mask).count()).isZero();
        assertThat(pieces(lines, Neighbours.EIGHT)).isEqualTo(pieces(mask, Neighbours.EIGHT));
        assertThat(holes(lines)).isEqualTo(holes(mask));
    }

    private static int pieces(Mask mask, Neighbours neighbours) {
        return SlowRegions.pixels(SlowRegions.labels(mask, neighbours)).size();
    }

    /** Pieces of the background in a picture with a border of background round it, less the outer one. */
    private static int holes(Mask mask) {
        byte[] wide = new byte[(mask.width() + 2) * (mask.height() + 2)];
        for (int y = 0; y < mask.height() + 2; y++) {
            for (int x = 0; x < mask.width() + 2; x++) {
                boolean inside = x > 0 && y > 0 && x <= mask.width() && y <= mask.height();
                wide[y * (mask.width() + 2) + x] = (byte) (inside && mask.at(x - 1, y - 1) ? 0 : 1);
            }
        }
        return pieces(Mask.from(wide, mask.width() + 2, mask.height() + 2), Neighbours.FOUR) - 1;
    }

    private static boolean at(Mask mask, int x, int y) {
        return x >= 0 && y >= 0 && x < mask.width() && y < mask.height() && mask.at(x, y);
    }

    private static Mask slow(Mask mask) {
        Mask now = mask;
        int idle = 0;
        for (int turn = 0; idle < 4; turn++) {
            int[] side = SIDES[turn % 4];
            byte[] gone = new byte[mask.width() * mask.height()];
            for (int y = 0; y < mask.height(); y++) {
                for (int x = 0; x < mask.width(); x++) {
                    boolean goes = now.at(x, y) && !at(now, x + side[0], y + side[1]) && isSpare(now, x, y);
                    gone[y * mask.width() + x] = (byte) (goes ? 1 : 0);
                }
            }
            Mask taken = Mask.from(gone, mask.width(), mask.height());
            idle = taken.count() == 0 ? idle + 1 : 0;
            now = now.minus(taken);
        }
        return now;
    }

    /** By counting what hangs together in the three by three around it, with and without the pixel. */
    private static boolean isSpare(Mask mask, int x, int y) {
        byte[] with = new byte[25];
        int neighbours = 0;
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                boolean set = at(mask, x + dx, y + dy);
                with[(dy + 2) * 5 + dx + 2] = (byte) (set ? 1 : 0);
                neighbours += set && (dx != 0 || dy != 0) ? 1 : 0;
            }
        }
        byte[] without = with.clone();
        without[12] = 0;
        Mask before = Mask.from(with, 5, 5);
        Mask after = Mask.from(without, 5, 5);
        return neighbours >= 2
                && pieces(before, Neighbours.EIGHT) == pieces(after, Neighbours.EIGHT)
                && holes(before) == holes(after);
    }

    @Test
    void aBarBecomesALineAndARingStaysARing() {
        Mask bar = Field.of(40, 20, List.of(new Field.Part(Polygon.of(5, 5, 35, 5, 35, 14, 5, 14), false)))
                .mask();
        Mask line = Skeleton.of(bar, Work.alone());
        assertThat(line.count()).isBetween(20L, 34L);
        assertThat(Skeleton.of(line, Work.alone())).isEqualTo(line);
        assertThat(Skeleton.of(Mask.empty(4, 4), Work.alone()).count()).isZero();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void hullsHoldThePixelsWhoseCentresLieInOrOnThem(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 9);
        int height = chance.between(1, 7);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.mask(width, height));
        Mask each = Mask.empty(width, height);
        for (List<int[]> piece : SlowRegions.pixels(SlowRegions.labels(mask, Neighbours.EIGHT))) {
            each = each.or(slowHull(piece, width, height));
        }
        assertThat(Hull.ofEach(mask, field, Work.alone())).isEqualTo(field.clip(each));
        List<int[]> all = new ArrayList<>();
        SlowRegions.pixels(SlowRegions.labels(mask, Neighbours.EIGHT)).forEach(all::addAll);
        assertThat(Hull.ofAll(mask, field)).isEqualTo(field.clip(slowHull(all, width, height)));
    }

    /** A centre is outside where a line through two corners has all corners on one side and the centre on the other. */
    private static Mask slowHull(List<int[]> pixels, int width, int height) {
        List<Point> corners = pixels.stream()
                .flatMap(p -> Stream.of(
                        new Point(p[0], p[1]),
                        new Point(p[0] + 1, p[1]),
                        new Point(p[0], p[1] + 1),
                        new Point(p[0] + 1, p[1] + 1)))
                .distinct()
                .toList();
        byte[] out = new byte[width * height];
        for (int y = 0; y < height && !pixels.isEmpty(); y++) {
            for (int x = 0; x < width; x++) {
                out[y * width + x] = (byte) (isOutside(corners, new Point(x + 0.5, y + 0.5)) ? 0 : 1);
            }
        }
        return Mask.from(out, width, height);
    }

    private static boolean isOutside(List<Point> corners, Point centre) {
        for (Point a : corners) {
            for (Point b : corners) {
                if (a.equals(b)) {
                    continue;
                }
                double side = side(a, b, centre);
                if (side < 0 && corners.stream().allMatch(c -> side(a, b, c) >= 0)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static double side(Point a, Point b, Point c) {
        return (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
    }
}
