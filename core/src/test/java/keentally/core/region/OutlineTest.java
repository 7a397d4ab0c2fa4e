package keentally.core.region;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class OutlineTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1000);
    }

    private static boolean inside(List<Outline.Part> parts, double x, double y) {
        return parts.stream()
                .anyMatch(p -> new Polygon(p.outer()).contains(x, y)
                        && p.holes().stream().noneMatch(h -> new Polygon(h).contains(x, y)));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void outlinesHoldThePixelsOfTheRegionAndNoOthers(long seed) {
        Chance chance = new Chance(seed);
        Mask mask = chance.mask(chance.between(1, 14), chance.between(1, 11));
        Regions regions = Labeller.regions(mask, Neighbours.EIGHT, Work.alone());
        for (int region = 0; region < regions.count(); region++) {
            List<Outline.Part> parts = Outline.of(regions, region);
            double area = 0;
            for (Outline.Part part : parts) {
                area += new Polygon(part.outer()).area();
                assertSimple(part.outer());
                for (List<Point> hole : part.holes()) {
                    area -= new Polygon(hole).area();
                    assertSimple(hole);
                }
            }
            assertThat(area).isEqualTo(regions.pixels(region));
            for (int i = 0; i < mask.width() * mask.height(); i++) {
                int x = i % mask.width();
                int y = i / mask.width();
                assertThat(inside(parts, x + 0.5, y + 0.5)).isEqualTo(regions.at(x, y) == region);
            }
        }
    }

    private static void assertSimple(List<Point> ring) {
        Set<Point> corners = new HashSet<>(ring);
        assertThat(corners).hasSameSizeAs(ring);
        for (int i = 0; i < ring.size(); i++) {
            Point a = ring.get(i);
            Point b = ring.get((i + 1) % ring.size());
            assertThat(a.x() == b.x() || a.y() == b.y()).isTrue();
        }
    }

    @Test
    void aRingHasAHoleAndTouchingCornersAreTwoParts() {
        Mask ring = Mask.of(3, 3, new long[] {0b111, 0b101, 0b111});
        List<Outline.Part> parts = Outline.of(Labeller.regions(ring, Neighbours.EIGHT, Work.alone()), 0);
        assertThat(parts).hasSize(1);
        assertThat(parts.getFirst().outer()).hasSize(4);
        assertThat(parts.getFirst().holes()).hasSize(1);
        Mask corners = Mask.of(2, 2, new long[] {0b01, 0b10});
        assertThat(Outline.of(Labeller.regions(corners, Neighbours.EIGHT, Work.alone()), 0))
                .hasSize(2);
    }
}
