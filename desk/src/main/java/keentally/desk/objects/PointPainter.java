package keentally.desk.objects;

/** Paints points into a picture of a plot, transparent where there is none. */
final class PointPainter {
    private final int width;
    private final int height;
    private final int[] pixels;

    PointPainter(int width, int height) {
        this.width = width;
        this.height = height;
        this.pixels = new int[width * height];
    }

    int[] pixels() {
        return pixels;
    }

    /** Three pixels across; hollow ones have no middle. Nothing where a place is not a number. */
    void point(double x, double y, int ink, boolean full) {
        square(x, y, 1, ink, full);
    }

    /** Five pixels across. */
    void chosen(double x, double y, int ink) {
        square(x, y, 2, ink, true);
    }

    private void square(double x, double y, int reach, int ink, boolean full) {
        if (!Double.isFinite(x) || !Double.isFinite(y)) {
            return;
        }
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                boolean inside = i + dx >= 0 && j + dy >= 0 && i + dx < width && j + dy < height;
                if (inside && (full || dx != 0 || dy != 0)) {
                    pixels[(j + dy) * width + i + dx] = ink;
                }
            }
        }
    }
}
