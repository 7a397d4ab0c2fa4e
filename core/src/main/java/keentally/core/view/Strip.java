package keentally.core.view;

/** Some rows of a window with what lies under each of their pixels, and as many rows above and below as it takes to tell where that ends. */
final class Strip {
    private final int[] raster;
    private final int top;
    private final int width;
    private final int rows;

    private Strip(int[] raster, int top, int width, int rows) {
        this.raster = raster;
        this.top = top;
        this.width = width;
        this.rows = rows;
    }

    /** What lies under the pixels of window rows [from, to), row by row: any number. */
    @FunctionalInterface
    interface Raster {
        int[] rows(int from, int to);
    }

    /** Window rows [from, to). @param reach how far beside them one will look */
    static Strip of(Raster raster, int from, int to, int reach, Viewport view) {
        int top = Math.max(0, from - reach);
        int bottom = Math.min(view.height(), to + reach);
        return new Strip(raster.rows(top, bottom), top, view.width(), bottom - top);
    }

    int at(int i, int j) {
        return raster[(j - top) * width + i];
    }

    /** Whether a pixel within {@code reach} along a row or column belongs to something else. */
    boolean isEdge(int i, int j, int reach) {
        int row = j - top;
        int at = row * width + i;
        int own = raster[at];
        for (int d = 1; d <= reach; d++) {
            if (i >= d && raster[at - d] != own
                    || i + d < width && raster[at + d] != own
                    || row >= d && raster[at - d * width] != own
                    || row + d < rows && raster[at + d * width] != own) {
                return true;
            }
        }
        return false;
    }
}
