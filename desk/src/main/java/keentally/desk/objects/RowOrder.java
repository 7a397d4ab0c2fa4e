package keentally.desk.objects;

import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import javafx.collections.ObservableListBase;

/** Rows of a table as an order of numbers, some of them left out; putting it in another order makes no objects. */
final class RowOrder extends ObservableListBase<Integer> {
    private int[] order = new int[0];

    /** Where each row stands; −1 where it does not. */
    private int[] place = new int[0];

    @Override
    public Integer get(int index) {
        return order[index];
    }

    @Override
    public int size() {
        return order.length;
    }

    void set(int[] next) {
        beginChange();
        Integer[] removed = Arrays.stream(order).boxed().toArray(Integer[]::new);
        order = next;
        place = new int[Arrays.stream(next).max().orElse(-1) + 1];
        Arrays.fill(place, -1);
        for (int i = 0; i < next.length; i++) {
            place[next[i]] = i;
        }
        nextReplace(0, next.length, Arrays.asList(removed));
        endChange();
    }

    /** Where a row stands now; −1 where it does not. */
    int placeOf(int row) {
        return row >= 0 && row < place.length ? place[row] : -1;
    }

    /** The rows that are wanted, in the order of a column, those without a number last; alike ones stay in their order. */
    static int[] sorted(double[] column, boolean descending, IntPredicate wanted) {
        Integer[] rows =
                IntStream.range(0, column.length).filter(wanted).boxed().toArray(Integer[]::new);
        Arrays.sort(rows, (a, b) -> {
            boolean noA = Double.isNaN(column[a]);
            boolean noB = Double.isNaN(column[b]);
            if (noA || noB) {
                return Boolean.compare(noA, noB);
            }
            return descending ? Double.compare(column[b], column[a]) : Double.compare(column[a], column[b]);
        });
        return Arrays.stream(rows).mapToInt(Integer::intValue).toArray();
    }
}
