package keentally.desk.view;

import java.util.Arrays;
import javafx.collections.ObservableListBase;

/** Rows of a table as an order of numbers; putting it in another order makes no objects. */
final class RowOrder extends ObservableListBase<Integer> {
    private int[] order = new int[0];

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
        nextReplace(0, next.length, Arrays.asList(removed));
        endChange();
    }

    /** Where a row stands now; −1 where it does not. */
    int placeOf(int row) {
        for (int i = 0; i < order.length; i++) {
            if (order[i] == row) {
                return i;
            }
        }
        return -1;
    }

    /** The rows in the order of a column, those without a number last; alike ones stay in their order. */
    static int[] sorted(double[] column, boolean descending) {
        Integer[] rows = new Integer[column.length];
        Arrays.setAll(rows, i -> i);
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
