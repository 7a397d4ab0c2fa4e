package keentally.core.measure;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import keentally.core.colour.ColourSpace;
import keentally.core.geometry.ConvexHull;
import keentally.core.morphology.FillHoles;
import keentally.core.region.Regions;

/** One object while it is measured: each fact is worked out when the first measure asks for it, and once. */
final class MeasuredObject {
    private final Regions regions;
    private final int region;
    private final Ground ground;
    private final ColourMemo memo;
    private final boolean touchesEdge;
    private final double nearest;
    private final int first;
    private final int end;
    private final long pixels;
    private final double x;
    private final double y;
    private double perimeter = Double.NaN;
    private ConvexHull hull;
    private MomentEllipse ellipse;
    private SignalSums signal;
    private float[] sorted;
    private int[] box;
    private FillHoles.Outcome filled;
    private final Map<ColourSpace, double[]> colours = new EnumMap<>(ColourSpace.class);

    /**
     * @param memo of the ground's colours
     * @param nearest distance to the nearest other object's centre, where somebody asks for it
     */
    MeasuredObject(Regions regions, int region, Ground ground, ColourMemo memo, boolean touchesEdge, double nearest) {
        this.regions = regions;
        this.region = region;
        this.ground = ground;
        this.memo = memo;
        this.nearest = nearest;
        this.touchesEdge = touchesEdge;
        this.first = regions.firstRun(region);
        this.end = regions.firstRun(region + 1);
        long n = 0;
        long twiceX = 0;
        long sumY = 0;
        for (int i = first; i < end; i++) {
            long length = regions.runTo(i) - regions.runFrom(i);
            n += length;
            twiceX += length * (regions.runFrom(i) + regions.runTo(i));
            sumY += length * regions.runY(i);
        }
        this.pixels = n;
        this.x = twiceX / 2.0 / n;
        this.y = (double) sumY / n + 0.5;
    }

    double pixels() {
        return pixels;
    }

    double x() {
        return x;
    }

    double y() {
        return y;
    }

    boolean touchesEdge() {
        return touchesEdge;
    }

    SignalSums signal() {
        if (signal == null) {
            signal = SignalSums.of(regions, region, ground.signal());
        }
        return signal;
    }

    double nearest() {
        return nearest;
    }

    /** Linear between the values in order, the first at 0 and the last at 1. */
    double percentile(double share) {
        if (sorted == null) {
            sorted = SignalSums.sorted(regions, region, ground.signal());
        }
        if (sorted.length == 0) {
            return Double.NaN;
        }
        double place = share * (sorted.length - 1);
        int below = (int) place;
        double next = sorted[Math.min(below + 1, sorted.length - 1)];
        return sorted[below] + (place - below) * (next - sorted[below]);
    }

    double colour(ColourSpace space, int component) {
        return colours.computeIfAbsent(space, s -> new ColourSums(regions, region, ground.colours(), memo).means(s))[
                component];
    }

    /** Left, top, behind the right, behind the bottom. */
    int[] box() {
        if (box == null) {
            int left = Integer.MAX_VALUE;
            int right = 0;
            for (int i = first; i < end; i++) {
                left = Math.min(left, regions.runFrom(i));
                right = Math.max(right, regions.runTo(i));
            }
            box = new int[] {left, regions.runY(first), right, regions.runY(end - 1) + 1};
        }
        return box;
    }

    double boxWidth() {
        return box()[2] - box()[0];
    }

    double boxHeight() {
        return box()[3] - box()[1];
    }

    private Cutting cutting() {
        return new Cutting(regions, region, ground.field(), box());
    }

    FillHoles.Outcome filled() {
        if (filled == null) {
            filled = cutting().filled();
        }
        return filled;
    }

    double depth() {
        return cutting().depth();
    }

    double skeletonLength() {
        return cutting().skeletonLength();
    }

    /** A run of L pixels has the variance of a stretch of length L, L²/12, about its own middle. */
    MomentEllipse ellipse() {
        if (ellipse == null) {
            double xx = 0;
            double yy = 0;
            double xy = 0;
            for (int i = first; i < end; i++) {
                double length = regions.runTo(i) - regions.runFrom(i);
                double dx = (regions.runFrom(i) + regions.runTo(i)) / 2.0 - x;
                double dy = regions.runY(i) + 0.5 - y;
                xx += length * (dx * dx + length * length / 12);
                yy += length * (dy * dy + 1.0 / 12);
                xy += length * dx * dy;
            }
            ellipse = MomentEllipse.of(xx / pixels, yy / pixels, xy / pixels);
        }
        return ellipse;
    }

    /**
     * π/8 · (n0 + n90 + (n45 + n135)/√2), n the changes between in and out along rows, columns and both diagonals. A line of
     * pixels changes twice for every stretch of it that is inside, and the stretches are the pixels less the pairs of
     * neighbours along the line.
     */
    double perimeter() {
        if (Double.isNaN(perimeter)) {
            double rows = 2.0 * (end - first);
            double columns = 2.0 * (pixels - pairs(0));
            double diagonals = 2.0 * (2 * pixels - pairs(1) - pairs(-1));
            perimeter = Math.PI / 8 * (rows + columns + diagonals / Math.sqrt(2));
        }
        return perimeter;
    }

    /** How many sides of pixels lie between in and out. */
    double sides() {
        return 2.0 * (end - first) + 2.0 * (pixels - pairs(0));
    }

    /** Number of pixels that have another one of the object in the next row, {@code shift} to the right. */
    private long pairs(int shift) {
        long sum = 0;
        int lower = first;
        for (int upper = first; upper < end; upper++) {
            int row = regions.runY(upper) + 1;
            int from = regions.runFrom(upper) + shift;
            int to = regions.runTo(upper) + shift;
            while (lower < end
                    && (regions.runY(lower) < row || regions.runY(lower) == row && regions.runTo(lower) <= from)) {
                lower++;
            }
            for (int i = lower; i < end && regions.runY(i) == row && regions.runFrom(i) < to; i++) {
                sum += Math.min(to, regions.runTo(i)) - Math.max(from, regions.runFrom(i));
            }
        }
        return sum;
    }

    /** Of the corners of all pixels: on each line between rows only the outermost can be corners of the hull. */
    ConvexHull hull() {
        if (hull == null) {
            int top = regions.runY(first);
            int lines = regions.runY(end - 1) + 2 - top;
            int[] least = new int[lines];
            int[] most = new int[lines];
            Arrays.fill(least, Integer.MAX_VALUE);
            Arrays.fill(most, Integer.MIN_VALUE);
            for (int i = first; i < end; i++) {
                int line = regions.runY(i) - top;
                for (int side = 0; side < 2; side++) {
                    least[line + side] = Math.min(least[line + side], regions.runFrom(i));
                    most[line + side] = Math.max(most[line + side], regions.runTo(i));
                }
            }
            hull = corners(top, least, most);
        }
        return hull;
    }

    private static ConvexHull corners(int top, int[] least, int[] most) {
        int[] xs = new int[2 * least.length];
        int[] ys = new int[2 * least.length];
        int n = 0;
        for (int line = 0; line < least.length; line++) {
            if (least[line] <= most[line]) {
                xs[n] = least[line];
                ys[n++] = top + line;
                xs[n] = most[line];
                ys[n++] = top + line;
            }
        }
        return ConvexHull.of(xs, ys, n);
    }
}
