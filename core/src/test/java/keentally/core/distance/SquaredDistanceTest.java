package keentally.core.distance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Mask;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class SquaredDistanceTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(500);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyDistanceIsTheLeastOfAll(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, chance.toss(0.2) ? 90 : 20);
        int height = chance.between(1, 20);
        Mask mask = chance.mask(width, height);
        int[] found = SquaredDistance.to(mask, new Work(Workers.of(2), new Cancel()));
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                assertThat(found[y * width + x]).isEqualTo(least(mask, x, y));
            }
        }
    }

    /** Gaps of a row that are narrow, and others that are wider than what is searched by shifts. */
    @ParameterizedTest
    @MethodSource("seeds")
    void wideGapsAreAsExact(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 400);
        int height = chance.between(1, chance.toss(0.2) ? 150 : 6);
        byte[] few = new byte[width * height];
        for (int i = chance.between(1, 6); i > 0; i--) {
            few[chance.between(0, few.length - 1)] = 1;
        }
        Mask mask = Mask.from(few, width, height);
        int[] found = SquaredDistance.to(mask, new Work(Workers.of(2), new Cancel()));
        int[] wanted = new int[found.length];
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] = least(mask, i % width, i / width);
        }
        assertThat(found).isEqualTo(wanted);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theGreatestIsTheGreatestOfAll(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, chance.toss(0.3) ? 200 : 30);
        int height = chance.between(1, chance.toss(0.3) ? 200 : 30);
        byte[] few = new byte[width * height];
        for (int i = chance.between(0, 30); i > 0; i--) {
            few[chance.between(0, few.length - 1)] = 1;
        }
        Mask sources = chance.toss(0.5) ? Mask.from(few, width, height) : chance.mask(width, height);
        Mask within = chance.toss(0.3) ? Mask.full(width, height) : chance.mask(width, height);
        int[] all = SquaredDistance.to(sources, Work.alone());
        int most = 0;
        for (int i = 0; i < all.length; i++) {
            most = within.at(i % width, i / width) ? Math.max(most, all[i]) : most;
        }
        assertThat(SquaredDistance.greatest(sources, within)).isEqualTo(most);
    }

    private static int least(Mask mask, int x, int y) {
        int least = SquaredDistance.NONE;
        for (int v = 0; v < mask.height(); v++) {
            for (int u = mask.nextSet(v, 0); u < mask.width(); u = mask.nextSet(v, u + 1)) {
                least = Math.min(least, (x - u) * (x - u) + (y - v) * (y - v));
            }
        }
        return least;
    }

    @Test
    void nothingIsFarFromNothing() {
        assertThat(SquaredDistance.to(Mask.empty(3, 2), Work.alone())).containsOnly(SquaredDistance.NONE);
        assertThat(SquaredDistance.to(Mask.full(3, 2), Work.alone())).containsOnly(0);
    }

    /** Squares of distances here pass what an int holds. */
    @Test
    void distancesThatAreTooLongAreCapped() {
        byte[] one = new byte[60_000];
        one[0] = 1;
        int[] found = SquaredDistance.to(Mask.from(one, 60_000, 1), Work.alone());
        assertThat(found[40_000]).isEqualTo(1_600_000_000);
        assertThat(found[59_999]).isEqualTo(SquaredDistance.NONE - 1);
    }
}
