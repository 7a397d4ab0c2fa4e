package keentally.core.view;

import keentally.core.geometry.Point;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;

/** Marks of kept objects in a buffer: boxes, centroids, numbers. */
final class MarkPainter {
    private static final int DOT = 2;
    private static final int RING = 0xff1e2730;
    private static final int CORE = 0xffffffff;

    private final int[] buffer;
    private final Viewport view;
    private final Regions regions;

    private MarkPainter(int[] buffer, Viewport view, Regions regions) {
        this.buffer = buffer;
        this.view = view;
        this.regions = regions;
    }

    static void paint(int[] buffer, Viewport view, Layer.ColouredObjects objects, Look look) {
        ObjectSet all = objects.objects();
        MarkPainter painter = new MarkPainter(buffer, view, all.regions());
        for (int i = 0; i < all.count(); i++) {
            if (look.has(Look.Mark.BOXES)) {
                painter.box(all.region(i), objects.colours().of(all.region(i)));
            }
        }
        for (int i = 0; i < all.count(); i++) {
            if (look.has(Look.Mark.DOTS)) {
                painter.dot(all.region(i));
            }
        }
        if (look.has(Look.Mark.NUMBERS)) {
            NumberPainter.paint(buffer, view, all);
        }
    }

    /** Round the pixels, one window pixel wide. */
    private void box(int region, int ink) {
        Regions.Box box = regions.box(region);
        int left = (int) Math.floor(view.windowX(box.left())) - 1;
        int top = (int) Math.floor(view.windowY(box.top())) - 1;
        int right = (int) Math.ceil(view.windowX(box.right()));
        int bottom = (int) Math.ceil(view.windowY(box.bottom()));
        boolean seen = right >= 0 && bottom >= 0 && left < view.width() && top < view.height();
        for (int x = Math.max(0, left); seen && x <= Math.min(view.width() - 1, right); x++) {
            set(x, top, ink);
            set(x, bottom, ink);
        }
        for (int y = Math.max(0, top); seen && y <= Math.min(view.height() - 1, bottom); y++) {
            set(left, y, ink);
            set(right, y, ink);
        }
    }

    /** White in a dark ring, to be seen on any ground. */
    private void dot(int region) {
        Point centre = regions.centroid(region);
        int x = (int) Math.floor(view.windowX(centre.x()));
        int y = (int) Math.floor(view.windowY(centre.y()));
        for (int dy = -DOT - 1; dy <= DOT + 1; dy++) {
            for (int dx = -DOT - 1; dx <= DOT + 1; dx++) {
                int square = dx * dx + dy * dy;
                if (square <= (DOT + 1) * (DOT + 1)) {
                    set(x + dx, y + dy, square <= DOT * DOT - 1 ? CORE : RING);
                }
            }
        }
    }

    private void set(int x, int y, int ink) {
        if (x >= 0 && y >= 0 && x < view.width() && y < view.height()) {
            buffer[y * view.width() + x] = ink;
        }
    }
}
