package keentally.desk.objects;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class RowOrderTest {
    @Test
    void sortsByTheColumnWithEmptyCellsLastAndKeepsTheOrderOfAlikes() {
        double[] column = {3, Double.NaN, 1, 3, -2, Double.NaN};
        assertThat(RowOrder.sorted(column, false, i -> true)).containsExactly(4, 2, 0, 3, 1, 5);
        assertThat(RowOrder.sorted(column, true, i -> true)).containsExactly(0, 3, 2, 4, 1, 5);
        assertThat(RowOrder.sorted(column, false, i -> i != 2)).containsExactly(4, 0, 3, 1, 5);
        assertThat(RowOrder.sorted(new double[0], true, i -> true)).isEmpty();
    }

    @Test
    void everyRowStaysOnce() {
        double[] column = new SplittableRandom(2).doubles(5000).toArray();
        int[] sorted = RowOrder.sorted(column, false, i -> true);
        assertThat(Arrays.stream(sorted).distinct().count()).isEqualTo(5000);
        for (int i = 1; i < sorted.length; i++) {
            assertThat(column[sorted[i]]).isGreaterThanOrEqualTo(column[sorted[i - 1]]);
        }
    }

    @Test
    void placesFollowTheOrder() {
        RowOrder rows = new RowOrder();
        rows.set(new int[] {2, 0, 1});
        assertThat(rows).containsExactly(2, 0, 1);
        assertThat(rows.placeOf(1)).isEqualTo(2);
        assertThat(rows.placeOf(7)).isEqualTo(-1);
        rows.set(new int[] {5});
        assertThat(rows).containsExactly(5);
    }
}
