package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;

/** Things laid down one after another, never nearer to each other than a gap. */
final class Scatter {
    private static final double GRAZE = 3;
    private static final double DUST = 3;
    private static final double DUST_ROUGH = 0.05;

    private final int width;
    private final int height;
    private final double gap;
    private final boolean[] taken;
    private Optional<Shape> within = Optional.empty();
    private final List<Polygon> outlines = new ArrayList<>();
    private final List<Truth.Thing> things = new ArrayList<>();

    /** @param gap in pixels */
    Scatter(int width, int height, double gap) {
        this.width = width;
        this.height = height;
        this.gap = gap;
        this.taken = new boolean[width * height];
    }

    /** From here on things lie wholly inside a shape. */
    void within(Shape shape) {
        within = Optional.of(shape);
    }

    /**
     * What things are like.
     *
     * @param tries for each thing wanted, before the rest is given up
     * @param overhang the share of its radius, one in so many, that a thing may hang over the picture's edge
     * @param leastStretch least of long over short axis
     * @param stretch most of it
     * @param rough of the outline
     */
    record Kind(int tries, int overhang, double leastStretch, double stretch, double rough) {
        Kind(int tries, int overhang, double stretch, double rough) {
            this(tries, overhang, 1, stretch, rough);
        }
    }

    /** Lays things down by chance until there are enough or room runs out; below 3 pixels of radius they are smooth dust. */
    void lay(Kind kind, Chance chance, int count, double least, double most) {
        int laid = 0;
        for (int tries = 0; laid < count && tries < kind.tries() * count; tries++) {
            double radius = least * StrictMath.pow(most / least, chance.between(0, 1));
            boolean dust = radius < DUST;
            double margin = dust ? 2 * DUST : -radius / kind.overhang();
            Blob blob = new Blob(
                    chance.between(margin, width - margin),
                    chance.between(margin, height - margin),
                    radius,
                    chance.between(kind.leastStretch(), kind.stretch()),
                    dust ? DUST_ROUGH : kind.rough(),
                    chance);
            laid += add(blob) ? 1 : 0;
        }
    }

    /** Lays a blob down where there is room for it. */
    private boolean add(Blob blob) {
        Polygon claim = blob.outline(gap);
        Polygon outline = blob.outline(0);
        Rectangle box = outline.bounds();
        if (within.isPresent() ? !held(claim) : grazes(box)) {
            return false;
        }
        if (!free(claim)) {
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

    private boolean held(Polygon claim) {
        return claim.corners().stream().allMatch(c -> within.get().contains(c.x(), c.y()));
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
        double[] row = new double[Math.max(0, right(box) - left(box))];
        for (int y = top(box); y < bottom(box); y++) {
            outline.cover(left(box), y, row);
            for (int x = 0; x < row.length; x++) {
                taken[y * width + left(box) + x] |= row[x] > 0;
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
