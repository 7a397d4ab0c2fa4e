package keentally.core.correct;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Dab;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.SlowRegions;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class PaintedMaskTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1500);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void paintingAgreesWithAskingEveryPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 70);
        int height = chance.between(1, 14);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.mask(width, height));
        List<Dab> dabs = new ArrayList<>();
        for (int i = chance.between(1, 4); i > 0; i--) {
            dabs.add(dab(chance, width, height));
        }
        PaintedMask painted = PaintedMask.of(mask, dabs, field, Work.alone());
        Mask slow = mask;
        List<Boolean> fits = new ArrayList<>();
        for (Dab dab : dabs) {
            Mask next = slow(slow, dab, field);
            fits.add(!next.equals(slow));
            slow = next;
        }
        assertThat(painted.mask()).isEqualTo(slow);
        assertThat(painted.fits()).isEqualTo(fits);
    }

    private static Dab dab(Chance chance, int width, int height) {
        List<Point> path = new ArrayList<>();
        for (int i = chance.between(3, 5); i > 0; i--) {
            path.add(new Point(chance.between(-4.0, width + 4), chance.between(-4.0, height + 4)));
        }
        boolean adds = chance.toss(0.5);
        return switch (chance.below(3)) {
            case 0 -> new Dab.Brush(path.subList(0, chance.between(1, 3)), chance.between(0.2, 6), adds);
            case 1 -> new Dab.Outline(path, adds);
            default -> new Dab.Fill(path.getFirst(), adds);
        };
    }

    private static Mask slow(Mask mask, Dab dab, Field field) {
        int width = mask.width();
        byte[] set = new byte[width * mask.height()];
        Mask from = dab.adds() ? field.mask().minus(mask) : mask;
        int[][] pieces = SlowRegions.labels(from, dab.adds() ? Neighbours.FOUR : Neighbours.EIGHT);
        for (int i = 0; i < set.length; i++) {
            int x = i % width;
            int y = i / width;
            boolean under = switch (dab) {
                case Dab.Brush brush -> nearest(brush.path(), x + 0.5, y + 0.5) <= brush.width() / 2;
                case Dab.Outline outline -> new Polygon(outline.path()).contains(x + 0.5, y + 0.5);
                case Dab.Fill fill -> inPiece(pieces, fill.at(), x, y);
            };
            boolean meant = under && field.contains(x, y);
            set[i] = (byte) ((meant ? dab.adds() : mask.at(x, y)) ? 1 : 0);
        }
        return Mask.from(set, width, mask.height());
    }

    private static boolean inPiece(int[][] pieces, Point at, int x, int y) {
        int px = (int) Math.floor(at.x());
        int py = (int) Math.floor(at.y());
        boolean inside = px >= 0 && py >= 0 && py < pieces.length && px < pieces[0].length;
        return inside && pieces[py][px] > 0 && pieces[y][x] == pieces[py][px];
    }

    private static double nearest(List<Point> path, double x, double y) {
        double least = Math.hypot(x - path.getFirst().x(), y - path.getFirst().y());
        for (int i = 1; i < path.size(); i++) {
            Point a = path.get(i - 1);
            Point b = path.get(i);
            double dx = b.x() - a.x();
            double dy = b.y() - a.y();
            double along = ((x - a.x()) * dx + (y - a.y()) * dy) / (dx * dx + dy * dy);
            double t = Math.clamp(along, 0, 1);
            least = Math.min(least, Math.hypot(x - a.x() - t * dx, y - a.y() - t * dy));
        }
        return least;
    }

    @Test
    void whatIsPaintedBesideThePictureChangesNothing() {
        Mask mask = Mask.of(4, 2, new long[] {0b0110, 0});
        Field whole = Field.whole(4, 2);
        List<Dab> beside = List.of(
                new Dab.Brush(List.of(new Point(-30, -9)), 5, true),
                new Dab.Outline(List.of(new Point(9, 9), new Point(12, 9), new Point(9, 12)), true),
                new Dab.Fill(new Point(400, 1), false));
        PaintedMask painted = PaintedMask.of(mask, beside, whole, Work.alone());
        assertThat(painted.mask()).isEqualTo(mask);
        assertThat(painted.fits()).containsExactly(false, false, false);
    }
}
