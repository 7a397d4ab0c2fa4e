package keentally.core.label;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.region.SlowRegions;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class LabellerTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1000);
    }

    private static int[][] labels(Regions regions) {
        int[][] labels = new int[regions.height()][regions.width()];
        for (int i = 0; i < regions.count(); i++) {
            int number = i + 1;
            regions.runs(i, (y, from, to) -> {
                for (int x = from; x < to; x++) {
                    labels[y][x] += number;
                }
            });
        }
        return labels;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void agreesWithFlooding(long seed) {
        Chance chance = new Chance(seed);
        Mask mask = chance.mask(chance.between(1, chance.toss(0.3) ? 150 : 24), chance.between(1, 20));
        for (Neighbours neighbours : Neighbours.values()) {
            Regions regions = Labeller.regions(mask, neighbours, Work.alone());
            int[][] slow = SlowRegions.labels(mask, neighbours);
            assertThat(labels(regions)).isDeepEqualTo(slow);
            for (int y = 0; y < mask.height(); y++) {
                for (int x = 0; x < mask.width(); x++) {
                    assertThat(regions.at(x, y)).isEqualTo(slow[y][x] - 1);
                }
            }
        }
    }

    @Test
    void emptyFullAndOnePixel() {
        assertThat(Labeller.regions(Mask.empty(70, 5), Neighbours.EIGHT, Work.alone())
                        .count())
                .isZero();
        Regions full = Labeller.regions(Mask.full(70, 5), Neighbours.FOUR, Work.alone());
        assertThat(full.count()).isEqualTo(1);
        assertThat(full.pixels(0)).isEqualTo(350);
        Regions one = Labeller.regions(Mask.full(1, 1), Neighbours.EIGHT, Work.alone());
        assertThat(one.firstPixel(0)).isZero();
        assertThat(one.at(0, 0)).isZero();
        assertThat(one.at(1, 0)).isEqualTo(-1);
        assertThat(one.at(0, -1)).isEqualTo(-1);
    }

    @Test
    void cornersJoinOnlyByEight() {
        Mask mask = Mask.of(2, 2, new long[] {1, 2});
        assertThat(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()).count())
                .isEqualTo(1);
        assertThat(Labeller.regions(mask, Neighbours.FOUR, Work.alone()).count())
                .isEqualTo(2);
    }

    @Test
    void threadsMakeNoDifference() {
        Mask mask = new Chance(77).mask(400, 300);
        int[][] alone = labels(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
        try (Workers workers = Workers.of(4)) {
            Regions many = Labeller.regions(mask, Neighbours.EIGHT, new Work(workers, new Cancel()));
            assertThat(labels(many)).isDeepEqualTo(alone);
        }
    }

    @Test
    void firstPixelsAreInReadingOrder() {
        Regions regions = Labeller.regions(new Chance(3).mask(90, 60), Neighbours.FOUR, Work.alone());
        for (int i = 1; i < regions.count(); i++) {
            assertThat(regions.firstPixel(i)).isGreaterThan(regions.firstPixel(i - 1));
        }
    }
}
