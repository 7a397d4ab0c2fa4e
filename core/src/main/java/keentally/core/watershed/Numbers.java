package keentally.core.watershed;

import java.util.Arrays;
import java.util.List;

/** Whole numbers, as many as come. */
final class Numbers {
    private int[] values = new int[64];
    private int count;

    void add(int value) {
        if (count == values.length) {
            values = Arrays.copyOf(values, 2 * count);
        }
        values[count++] = value;
    }

    int count() {
        return count;
    }

    int at(int index) {
        return values[index];
    }

    /** All of them, one list after another. */
    static int[] together(List<Numbers> lists) {
        int[] all = new int[lists.stream().mapToInt(Numbers::count).sum()];
        int filled = 0;
        for (Numbers list : lists) {
            System.arraycopy(list.values, 0, all, filled, list.count);
            filled += list.count;
        }
        return all;
    }
}
