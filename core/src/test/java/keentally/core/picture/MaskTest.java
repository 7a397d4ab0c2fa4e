package keentally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MaskTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void countsBeforeManyColumnsAreThoseBeforeEach(long seed) {
        Chance chance = new Chance(seed);
        int width = seed % 3 == 0 ? 64 * chance.between(1, 3) : chance.between(1, 200);
        Mask mask = chance.mask(width, 5);
        int[] columns = new int[chance.between(1, 20)];
        for (int i = 0; i < columns.length; i++) {
            columns[i] = chance.below(width + 1);
        }
        Arrays.sort(columns);
        columns[columns.length - 1] = width;
        int[] counts = new int[columns.length];
        int top = chance.below(5);
        int bottom = chance.between(top + 1, 5);
        int skip = chance.between(1, 3);
        mask.countsBefore(top, bottom, skip, columns, counts);
        assertThat(counts)
                .containsExactly(Arrays.stream(columns)
                        .map(x -> IntStream.iterate(top, y -> y < bottom, y -> y + skip)
                                .map(y -> mask.count(y, 0, x))
                                .sum())
                        .toArray());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void countsAndSearchesAgreeWithLookingAtEveryPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 200);
        int height = chance.between(1, 6);
        Mask mask = chance.mask(width, height);
        long all = 0;
        for (int y = 0; y < height; y++) {
            int from = chance.below(width + 1);
            int to = chance.between(from, width);
            int count = 0;
            for (int x = 0; x < width; x++) {
                all += mask.at(x, y) ? 1 : 0;
                count += x >= from && x < to && mask.at(x, y) ? 1 : 0;
            }
            assertThat(mask.count(y, from, to)).isEqualTo(count);
            int set = from;
            while (set < width && !mask.at(set, y)) {
                set++;
            }
            int clear = from;
            while (clear < width && mask.at(clear, y)) {
                clear++;
            }
            assertThat(mask.nextSet(y, from)).isEqualTo(set);
            assertThat(mask.nextClear(y, from)).isEqualTo(clear);
        }
        assertThat(mask.count()).isEqualTo(all);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void combinationsArePixelByPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 140);
        Mask a = chance.mask(width, 4);
        Mask b = chance.mask(width, 4);
        for (int y = 0; y < 4; y++) {
            for (int x = 0; x < width; x++) {
                assertThat(a.and(b).at(x, y)).isEqualTo(a.at(x, y) && b.at(x, y));
                assertThat(a.or(b).at(x, y)).isEqualTo(a.at(x, y) || b.at(x, y));
                assertThat(a.minus(b).at(x, y)).isEqualTo(a.at(x, y) && !b.at(x, y));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void setRunSetsJustThat(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 300);
        int from = chance.below(width);
        int to = chance.between(from, width);
        long[] words = new long[Mask.stride(width)];
        Mask.setRun(words, 0, from, to);
        Mask mask = Mask.of(width, 1, words);
        for (int x = 0; x < width; x++) {
            assertThat(mask.at(x, 0)).isEqualTo(x >= from && x < to);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aCutOutHoldsTheSamePixels(long seed) {
        Chance chance = new Chance(seed);
        Mask mask = chance.mask(chance.between(1, 150), chance.between(1, 12));
        int left = chance.below(mask.width());
        int top = chance.below(mask.height());
        int right = chance.between(left + 1, mask.width());
        int bottom = chance.between(top + 1, mask.height());
        Mask cut = mask.crop(left, top, right, bottom);
        assertThat(cut.width()).isEqualTo(right - left);
        assertThat(cut.height()).isEqualTo(bottom - top);
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                assertThat(cut.at(x - left, y - top)).isEqualTo(mask.at(x, y));
            }
        }
    }

    @Test
    void masksOfOtherSizesCannotBeCombined() {
        assertThatThrownBy(() -> Mask.empty(3, 4).and(Mask.empty(4, 3)))
                .hasMessage("masks of 3 × 4 and 4 × 3 cannot be combined");
        assertThatThrownBy(() -> Mask.empty(0, 4)).hasMessageContaining("at least one pixel");
        assertThatThrownBy(() -> Mask.of(65, 1, new long[1])).hasMessageContaining("needs 2 words, were 1");
    }

    @Test
    void aFullMaskIsFull() {
        assertThat(Mask.full(130, 7).count()).isEqualTo(130 * 7);
    }
}
