package keentally.core.filter;

import keentally.core.picture.Border;
import keentally.core.work.Work;

/**
 * The middle of each pixel and its eight neighbours, the picture mirrored at its border.
 *
 * <p>Method: each column of three is sorted; the middle of nine is then the middle of three: the greatest of the least, the middle of the
 * middles, and the least of the greatest. Least and greatest alone are asked for, of many pixels at a time. Source: A. W. Paeth (1990),
 * "Median finding on a 3 × 3 grid", in Graphics Gems, 171–175, gives the count of comparisons that such a network needs.
 */
final class MedianOfNine {
    private final int width;
    private final int[][] rows;
    private final int[][] least = new int[3][];
    private final int[][] middle = new int[3][];
    private final int[][] most = new int[3][];
    private final int[] found;

    /** A row of the picture, or what is to become one. */
    @FunctionalInterface
    interface Row {
        void at(int y, int[] values);
    }

    private MedianOfNine(int width) {
        this.width = width;
        this.rows = new int[3][width];
        for (int place = 0; place < 3; place++) {
            least[place] = new int[width];
            middle[place] = new int[width];
            most[place] = new int[width];
        }
        this.found = new int[width];
    }

    /**
     * @param read fills a row
     * @param take is given each row of middles; it keeps none
     */
    static void of(int width, int height, Row read, Row take, Work work) {
        work.bands(height, (from, to) -> {
            MedianOfNine band = new MedianOfNine(width);
            read.at(Border.mirror(from - 1, height), band.rows[(from + 2) % 3]);
            read.at(from, band.rows[from % 3]);
            for (int y = from; y < to; y++) {
                read.at(Border.mirror(y + 1, height), band.rows[(y + 1) % 3]);
                band.columns();
                band.across();
                take.at(y, band.found);
            }
        });
    }

    /** Sorts each column of three, and lays it beside its neighbours' so that a pixel's nine stand at one place. */
    private void columns() {
        int[] above = rows[0];
        int[] here = rows[1];
        int[] below = rows[2];
        for (int x = 0; x < width; x++) {
            int low = Math.min(above[x], here[x]);
            int high = Math.max(above[x], here[x]);
            least[1][x] = Math.min(low, below[x]);
            middle[1][x] = Math.max(low, Math.min(high, below[x]));
            most[1][x] = Math.max(high, below[x]);
        }
        shift(least);
        shift(middle);
        shift(most);
    }

    private void shift(int[][] of) {
        System.arraycopy(of[1], 0, of[0], 1, width - 1);
        System.arraycopy(of[1], 1, of[2], 0, width - 1);
        of[0][0] = of[1][Border.mirror(-1, width)];
        of[2][width - 1] = of[1][Border.mirror(width, width)];
    }

    private void across() {
        int[] leastLeft = least[0];
        int[] leastHere = least[1];
        int[] leastRight = least[2];
        int[] middleLeft = middle[0];
        int[] middleHere = middle[1];
        int[] middleRight = middle[2];
        int[] mostLeft = most[0];
        int[] mostHere = most[1];
        int[] mostRight = most[2];
        for (int x = 0; x < width; x++) {
            int low = Math.max(leastLeft[x], Math.max(leastHere[x], leastRight[x]));
            int high = Math.min(mostLeft[x], Math.min(mostHere[x], mostRight[x]));
            int between = Math.max(
                    Math.min(middleLeft[x], middleHere[x]),
                    Math.min(Math.max(middleLeft[x], middleHere[x]), middleRight[x]));
            found[x] = Math.max(Math.min(low, between), Math.min(Math.max(low, between), high));
        }
    }
}
