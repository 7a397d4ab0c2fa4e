package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;

/** Things laid down one after another, never nearer to each other than a gap. */
final class Scatter {
    private static final double GRAZE = 3;

    private final int width;
    private final int height;
    private final double gap;
    private final boolean[] taken;
    private final List<Polygon> outlines = new ArrayList<>();
    private final List<Truth.Thing> things = new ArrayList<>();

    /** @param gap in pixels */
    Scatter(int width, int height, double gap) {
        this.width = width;
        this.height = height;
        this.gap = gap;
        this.taken = new boolean[width * height];
    }

    /** Lays a blob down where there is room for it. */
    boolean add(Blob blob) {
        Polygon claim = blob.outline(gap);
        Polygon outline = blob.outline(0);
        Rectangle box = outline.bounds();
        if (grazes(box) || !free(claim)) {
            return false;
        }
        mark(outline);
        outlines.add(outline);
        boolean cut = box.x() < 0 || box.y() < 0 || box.right() > width || box.bottom() > height;
        Point centre = outline.centroid();
        things.add(new Truth.Thing(centre.x(), centre.y(), outline.area(), cut));
        return true;
    }

    /** Whether nobody could say by eye if the edge cuts it. */
    private boolean grazes(Rectangle box) {
        return Math.abs(box.x()) < GRAZE
                || Math.abs(box.y()) < GRAZE
                || Math.abs(box.right() - width) < GRAZE
                || Math.abs(box.bottom() - height) < GRAZE;
    }

    private boolean free(Polygon claim) {
        Rectangle box = claim.bounds();
        for (int y = top(box); y < bottom(box); y++) {
            for (int x = left(box); x < right(box); x++) {
                if (taken[y * width + x] && claim.contains(x + 0.5, y + 0.5)) {
                    return false;
                }
            }
        }
        return true;
    }

    private void mark(Polygon outline) {
        Rectangle box = outline.bounds();
        for (int y = top(box); y < bottom(box); y++) {
            for (int x = left(box); x < right(box); x++) {
                taken[y * width + x] |= outline.coverage(x, y) > 0;
            }
        }
    }

    private int top(Rectangle box) {
        return (int) Math.max(0, Math.floor(box.y()));
    }

    private int bottom(Rectangle box) {
        return (int) Math.min(height, Math.ceil(box.bottom()));
    }

    private int left(Rectangle box) {
        return (int) Math.max(0, Math.floor(box.x()));
    }

    private int right(Rectangle box) {
        return (int) Math.min(width, Math.ceil(box.right()));
    }

    List<Polygon> outlines() {
        return outlines;
    }

    List<Truth.Thing> things() {
        return things;
    }
}
