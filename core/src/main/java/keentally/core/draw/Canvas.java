package keentally.core.draw;

import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.picture.Mask;

/** As much of a picture as something drawn by hand can reach, and the pixels that it sets there. */
public final class Canvas {
    /** Steps along a traced line, in pixels: fine enough to pass through every pixel it crosses by more than a graze. */
    private static final double FINE = 0.2;

    private final int left;
    private final int top;
    private final int across;
    private final int down;
    private final byte[] set;

    /**
     * @param path at least one point, anywhere
     * @param reach how far from the path pixels may be set
     * @param width of the picture
     * @param height of the picture
     */
    public Canvas(List<Point> path, double reach, int width, int height) {
        double[] x = path.stream().mapToDouble(Point::x).sorted().toArray();
        double[] y = path.stream().mapToDouble(Point::y).sorted().toArray();
        left = (int) Math.clamp(Math.floor(x[0] - reach), 0, width);
        top = (int) Math.clamp(Math.floor(y[0] - reach), 0, height);
        across = (int) Math.clamp(Math.floor(x[x.length - 1] + reach) + 1, left, width) - left;
        down = (int) Math.clamp(Math.floor(y[y.length - 1] + reach) + 1, top, height) - top;
        set = new byte[across * down];
    }

    /** The first column that it covers. */
    public int left() {
        return left;
    }

    /** The first row that it covers. */
    public int top() {
        return top;
    }

    /** Whether the path lies beside the picture, so that nothing can be set. */
    public boolean isEmpty() {
        return set.length == 0;
    }

    private void set(int x, int y) {
        if (x >= left && y >= top && x < left + across && y < top + down) {
            set[(y - top) * across + x - left] = 1;
        }
    }

    /** Sets the centres within {@code reach} of every stretch of a path. */
    public void brush(List<Point> path, double reach) {
        for (int i = 0; i < path.size(); i++) {
            brush(path.get(Math.max(0, i - 1)), path.get(i), reach);
        }
    }

    private void brush(Point a, Point b, double reach) {
        double dx = b.x() - a.x();
        double dy = b.y() - a.y();
        double length2 = dx * dx + dy * dy;
        int bottom = (int) Math.min(top + down - 1.0, Math.ceil(Math.max(a.y(), b.y()) + reach));
        int right = (int) Math.min(left + across - 1.0, Math.ceil(Math.max(a.x(), b.x()) + reach));
        for (int y = (int) Math.max(top, Math.floor(Math.min(a.y(), b.y()) - reach)); y <= bottom; y++) {
            for (int x = (int) Math.max(left, Math.floor(Math.min(a.x(), b.x()) - reach)); x <= right; x++) {
                double px = x + 0.5 - a.x();
                double py = y + 0.5 - a.y();
                double along = length2 == 0 ? 0 : Math.clamp((px * dx + py * dy) / length2, 0, 1);
                if (Math.pow(px - along * dx, 2) + Math.pow(py - along * dy, 2) <= reach * reach) {
                    set(x, y);
                }
            }
        }
    }

    /** Sets pixels along a path so that each shares a side with the next: nothing passes between them. */
    public void trace(List<Point> path) {
        for (int i = 1; i < path.size(); i++) {
            trace(path.get(i - 1), path.get(i));
        }
    }

    private void trace(Point a, Point b) {
        int steps = (int) Math.ceil(Math.hypot(b.x() - a.x(), b.y() - a.y()) / FINE) + 1;
        int lastX = (int) Math.floor(a.x());
        int lastY = (int) Math.floor(a.y());
        for (int i = 0; i <= steps; i++) {
            int x = (int) Math.floor(a.x() + (b.x() - a.x()) * i / steps);
            int y = (int) Math.floor(a.y() + (b.y() - a.y()) * i / steps);
            if (x != lastX && y != lastY) {
                set(x, lastY);
            }
            set(x, y);
            lastX = x;
            lastY = y;
        }
    }

    /** What was set, a mask of its own size that lies at ({@link #left}, {@link #top}); not where it is empty. */
    public Mask mask() {
        return Mask.from(set, across, down);
    }
}
