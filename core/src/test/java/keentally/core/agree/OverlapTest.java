package keentally.core.agree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class OverlapTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(120);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void fourAreasAreCountedPixelByPixelAndAddUpToTheField(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 150);
        int height = chance.between(1, 20);
        Mask first = chance.mask(width, height);
        Mask second = chance.mask(width, height);
        Field field = chance.field(width, height);
        long[] counted = new long[4];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (field.contains(x, y)) {
                    counted[(first.at(x, y) ? 0 : 2) + (second.at(x, y) ? 0 : 1)]++;
                }
            }
        }
        MaskOverlap found = MaskOverlap.of(first, second, field);
        assertThat(found).isEqualTo(new MaskOverlap(counted[0], counted[1], counted[2], counted[3]));
        assertThat(found.both() + found.onlyFirst() + found.onlySecond() + found.neither())
                .isEqualTo(field.pixels());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void bordersAreMeasuredPixelByPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 80);
        int height = chance.between(1, 14);
        Mask first = chance.mask(width, height);
        Mask second = chance.mask(width, height);
        List<Point> one = border(first);
        List<Point> other = border(second);
        BorderDistance found = BorderDistance.of(first, second, Work.alone());
        if (one.isEmpty() || other.isEmpty()) {
            assertThat(found.mean()).isNaN();
            assertThat(found.greatest()).isNaN();
            return;
        }
        double[] all = Stream.concat(
                        one.stream().map(p -> nearest(p, other)), other.stream().map(p -> nearest(p, one)))
                .mapToDouble(d -> d)
                .sorted()
                .toArray();
        double sum = 0;
        for (double d : all) {
            sum += d;
        }
        double place = 0.95 * (all.length - 1);
        double lower = all[(int) Math.floor(place)];
        double upper = all[(int) Math.ceil(place)];
        assertThat(found.mean()).isCloseTo(sum / all.length, within(1e-9));
        assertThat(found.p95()).isCloseTo(lower + (place - Math.floor(place)) * (upper - lower), within(1e-9));
        assertThat(found.greatest()).isEqualTo(all[all.length - 1]);
    }

    private static List<Point> border(Mask mask) {
        List<Point> border = new ArrayList<>();
        for (int y = 0; y < mask.height(); y++) {
            for (int x = 0; x < mask.width(); x++) {
                boolean within = x > 0
                        && y > 0
                        && x + 1 < mask.width()
                        && y + 1 < mask.height()
                        && mask.at(x - 1, y)
                        && mask.at(x + 1, y)
                        && mask.at(x, y - 1)
                        && mask.at(x, y + 1);
                if (mask.at(x, y) && !within) {
                    border.add(new Point(x, y));
                }
            }
        }
        return border;
    }

    private static double nearest(Point p, List<Point> others) {
        return others.stream()
                .mapToDouble(o -> Math.sqrt((o.x() - p.x()) * (o.x() - p.x()) + (o.y() - p.y()) * (o.y() - p.y())))
                .min()
                .orElseThrow();
    }

    @Test
    void sharesAreThoseOfTheBook() {
        MaskOverlap overlap = new MaskOverlap(6, 2, 4, 88);
        assertThat(overlap.iou()).isEqualTo(0.5);
        assertThat(overlap.dice()).isEqualTo(12.0 / 18);
        assertThat(new MaskOverlap(0, 0, 0, 9).iou()).isNaN();
        assertThatThrownBy(() -> MaskOverlap.of(Mask.empty(3, 3), Mask.empty(4, 3), Field.whole(3, 3)))
                .hasMessageContaining("4 × 3 px");
    }
}
