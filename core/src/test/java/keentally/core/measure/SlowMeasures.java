package keentally.core.measure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.DoubleStream;
import keentally.core.colour.ChannelPlane;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.work.Work;

/** Every measure from a list of pixels, straight from its definition. */
final class SlowMeasures {
    private final List<int[]> pixels;
    private final Plane signal;
    private final Field field;
    private final Picture original;
    private final Set<Long> set = new HashSet<>();
    private List<SlowMeasures> others = List.of();
    private List<int[][]> hull;

    private SlowMeasures(List<int[]> pixels, Ground ground) {
        this.pixels = pixels;
        this.signal = ground.signal();
        this.field = ground.field();
        this.original = ground.original();
        pixels.forEach(p -> set.add(key(p[0], p[1])));
    }

    /** One for each object. */
    static List<SlowMeasures> of(List<List<int[]>> objects, Ground ground) {
        List<SlowMeasures> all = new ArrayList<>();
        objects.forEach(pixels -> all.add(new SlowMeasures(pixels, ground)));
        all.forEach(o -> o.others = all);
        return all;
    }

    private static long key(int x, int y) {
        return (long) y << 32 | x & 0xffffffffL;
    }

    private boolean has(int x, int y) {
        return set.contains(key(x, y));
    }

    double of(Measure measure) {
        double n = pixels.size();
        boolean small = n < Measure.LEAST_FOR_SHAPE;
        return switch (measure) {
            case AREA -> n;
            case FILLED_AREA -> n + holes().stream().mapToInt(Set::size).sum();
            case HULL_AREA -> hullArea();
            case PERIMETER -> perimeter();
            case ECD -> Math.sqrt(4 * n / Math.PI);
            case FERET_MAX -> feretMax();
            case FERET_MIN -> feretMin();
            case FERET_ANGLE -> feretAngle();
            case INNER_CIRCLE -> 2 * depth() - 1;
            case OUTER_CIRCLE -> outerCircle();
            case SKELETON_LENGTH -> skeletonLength();
            case SIDE_PERIMETER -> sides();
            case SIDE_CIRCULARITY -> small ? Double.NaN : 4 * Math.PI * n / (sides() * sides());
            case CIRCULARITY -> small ? Double.NaN : 4 * Math.PI * n / (perimeter() * perimeter());
            case ROUNDNESS -> small ? Double.NaN : n / (Math.PI / 4 * feretMax() * feretMax());
            case ASPECT_RATIO -> small ? Double.NaN : axis(1) / axis(-1);
            case ECCENTRICITY -> small ? Double.NaN : Math.sqrt(1 - Math.pow(axis(-1) / axis(1), 2));
            case ORIENTATION -> small ? Double.NaN : orientation();
            case ELLIPSE_MAJOR -> small ? Double.NaN : axis(1);
            case ELLIPSE_MINOR -> small ? Double.NaN : axis(-1);
            case SOLIDITY -> small ? Double.NaN : n / hullArea();
            case EXTENT -> small ? Double.NaN : n / (side(0) * side(1));
            case CONVEXITY -> small ? Double.NaN : hullPerimeter() / perimeter();
            case HOLES -> small ? Double.NaN : holes().size();
            case EULER -> small ? Double.NaN : 1 - holes().size();
            case X -> mean(0) + 0.5;
            case Y -> mean(1) + 0.5;
            case WEIGHTED_X -> weighted(0);
            case WEIGHTED_Y -> weighted(1);
            case LEFT -> least(0);
            case TOP -> least(1);
            case WIDTH -> side(0);
            case HEIGHT -> side(1);
            case NEAREST_DISTANCE ->
                others.stream()
                        .filter(o -> o != this)
                        .mapToDouble(o -> Math.hypot(o.mean(0) - mean(0), o.mean(1) - mean(1)))
                        .min()
                        .orElse(Double.NaN);
            case TOUCHES_EDGE -> touches() ? 1 : 0;
            case MEAN -> values().average().orElseThrow();
            case MEDIAN -> percentile(50);
            case SD -> sd();
            case MIN -> values().min().orElseThrow();
            case MAX -> values().max().orElseThrow();
            case SUM -> values().sum();
            case P5 -> percentile(5);
            case P95 -> percentile(95);
            case MEAN_RED -> colour("red");
            case MEAN_GREEN -> colour("green");
            case MEAN_BLUE -> colour("blue");
            case MEAN_LIGHTNESS -> colour("lightness");
            case MEAN_A -> colour("a");
            case MEAN_B -> colour("b");
            case MEAN_HUE -> hue();
            case MEAN_SATURATION -> colour("saturation");
            case MEAN_VALUE -> colour("value");
        };
    }

    private double colour(String word) {
        Plane plane = ChannelPlane.of(original, word, Work.alone()).orElseThrow();
        return pixels.stream().mapToDouble(p -> plane.at(p[0], p[1])).average().orElseThrow();
    }

    private double hue() {
        Plane hue = ChannelPlane.of(original, "hue", Work.alone()).orElseThrow();
        Plane saturation = ChannelPlane.of(original, "saturation", Work.alone()).orElseThrow();
        double x = 0;
        double y = 0;
        for (int[] p : pixels) {
            double weight = saturation.at(p[0], p[1]) > 0 ? 1 : 0;
            x += weight * Math.cos(Math.toRadians(hue.at(p[0], p[1])));
            y += weight * Math.sin(Math.toRadians(hue.at(p[0], p[1])));
        }
        double degrees = Math.toDegrees(Math.atan2(y, x));
        return Math.hypot(x, y) < 1e-6 ? Double.NaN : degrees < 0 ? degrees + 360 : degrees;
    }

    private double sides() {
        return pixels.stream()
                .mapToInt(p -> (has(p[0] - 1, p[1]) ? 0 : 1)
                        + (has(p[0] + 1, p[1]) ? 0 : 1)
                        + (has(p[0], p[1] - 1) ? 0 : 1)
                        + (has(p[0], p[1] + 1) ? 0 : 1))
                .sum();
    }

    private double percentile(double percent) {
        double[] sorted = values().sorted().toArray();
        double place = percent / 100 * (sorted.length - 1);
        double below = sorted[(int) Math.floor(place)];
        return below + (place - Math.floor(place)) * (sorted[(int) Math.ceil(place)] - below);
    }

    private double weighted(int axis) {
        double sum = values().sum();
        double moment = pixels.stream()
                .mapToDouble(p -> signal.at(p[0], p[1]) * (p[axis] + 0.5))
                .sum();
        return sum == 0 ? Double.NaN : moment / sum;
    }

    private double least(int axis) {
        return pixels.stream().mapToInt(p -> p[axis]).min().orElseThrow();
    }

    private double side(int axis) {
        return pixels.stream().mapToInt(p -> p[axis]).max().orElseThrow() + 1 - least(axis);
    }

    /** Floods the background from every pixel of it; a flood that gets out of the field or the picture is no hole. */
    private List<Set<Long>> holes() {
        List<Set<Long>> holes = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                if (field.contains(x, y) && !has(x, y) && !seen.contains(key(x, y))) {
                    Set<Long> flood = new HashSet<>();
                    boolean out = flood(x, y, flood);
                    seen.addAll(flood);
                    if (!out) {
                        holes.add(flood);
                    }
                }
            }
        }
        return holes;
    }

    private boolean flood(int startX, int startY, Set<Long> flood) {
        boolean out = false;
        Deque<int[]> next = new ArrayDeque<>(List.of(new int[] {startX, startY}));
        flood.add(key(startX, startY));
        int[][] steps = {{1, 0}, {0, 1}, {-1, 0}, {0, -1}};
        while (!next.isEmpty()) {
            int[] p = next.pop();
            for (int[] step : steps) {
                int x = p[0] + step[0];
                int y = p[1] + step[1];
                if (!field.contains(x, y)) {
                    out = true;
                } else if (!has(x, y) && flood.add(key(x, y))) {
                    next.push(new int[] {x, y});
                }
            }
        }
        return out;
    }

    private double depth() {
        double most = Double.NEGATIVE_INFINITY;
        for (int[] p : pixels) {
            double nearest = Double.POSITIVE_INFINITY;
            for (int y = 0; y < field.height(); y++) {
                for (int x = 0; x < field.width(); x++) {
                    boolean background = field.contains(x, y) && !has(x, y);
                    nearest = background ? Math.min(nearest, Math.hypot(x - p[0], y - p[1])) : nearest;
                }
            }
            most = Math.max(most, nearest);
        }
        return most == Double.POSITIVE_INFINITY ? Double.NaN : most;
    }

    /** Of all circles across two corners and round three, the smallest that holds all; only corners of the hull can matter. */
    private double outerCircle() {
        List<int[]> corners = hull().stream().map(e -> e[0]).toList();
        double best = Double.POSITIVE_INFINITY;
        for (int[] a : corners) {
            for (int[] b : corners) {
                best = Math.min(best, round(corners, (a[0] + b[0]) / 2.0, (a[1] + b[1]) / 2.0));
                for (int[] c : corners) {
                    double twice = 2.0 * side(a, b, c);
                    if (twice != 0) {
                        double b2 = Math.pow(b[0] - a[0], 2) + Math.pow(b[1] - a[1], 2);
                        double c2 = Math.pow(c[0] - a[0], 2) + Math.pow(c[1] - a[1], 2);
                        double x = a[0] + ((c[1] - a[1]) * b2 - (b[1] - a[1]) * c2) / twice;
                        double y = a[1] + ((b[0] - a[0]) * c2 - (c[0] - a[0]) * b2) / twice;
                        best = Math.min(best, round(corners, x, y));
                    }
                }
            }
        }
        return best;
    }

    /** The diameter of the circle about a centre that holds all corners. */
    private static double round(List<int[]> corners, double x, double y) {
        return 2
                * corners.stream()
                        .mapToDouble(p -> Math.hypot(p[0] - x, p[1] - y))
                        .max()
                        .orElseThrow();
    }

    private double skeletonLength() {
        byte[] chosen = new byte[field.width() * field.height()];
        pixels.forEach(p -> chosen[p[1] * field.width() + p[0]] = 1);
        Mask lines = Skeleton.of(Mask.from(chosen, field.width(), field.height()), Work.alone());
        double sum = 0;
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                for (int d = 0; d < 9 && lines.at(x, y); d++) {
                    int dx = d % 3 - 1;
                    int dy = d / 3 - 1;
                    boolean linked = at(lines, x + dx, y + dy);
                    boolean corner = dx != 0 && dy != 0;
                    boolean around = at(lines, x + dx, y) || at(lines, x, y + dy);
                    sum += !linked || dx == 0 && dy == 0 || corner && around ? 0 : corner ? Math.sqrt(2) : 1;
                }
            }
        }
        return sum / 2;
    }

    private static boolean at(Mask mask, int x, int y) {
        return x >= 0 && y >= 0 && x < mask.width() && y < mask.height() && mask.at(x, y);
    }

    private double feretAngle() {
        List<int[]> corners = corners();
        double longest = feretMax();
        double lowest = Double.POSITIVE_INFINITY;
        for (int[] p : corners) {
            for (int[] q : corners) {
                if (Math.hypot(p[0] - q[0], p[1] - q[1]) > longest - 1e-9) {
                    double angle = Math.toDegrees(Math.atan2(p[1] - q[1], q[0] - p[0]));
                    lowest = angle > -90 && angle <= 90 ? Math.min(lowest, angle) : lowest;
                }
            }
        }
        return lowest;
    }

    private double hullPerimeter() {
        return hull().stream()
                .mapToDouble(e -> Math.hypot(e[1][0] - e[0][0], e[1][1] - e[0][1]))
                .sum();
    }

    private DoubleStream values() {
        return pixels.stream().mapToDouble(p -> signal.at(p[0], p[1]));
    }

    private double sd() {
        double mean = values().average().orElseThrow();
        return Math.sqrt(values().map(v -> (v - mean) * (v - mean)).average().orElseThrow());
    }

    private double mean(int axis) {
        return pixels.stream().mapToDouble(p -> p[axis]).average().orElseThrow();
    }

    private double moment(int a, int b) {
        double ma = mean(a);
        double mb = mean(b);
        double sum = pixels.stream()
                .mapToDouble(p -> (p[a] - ma) * (p[b] - mb))
                .average()
                .orElseThrow();
        return sum + (a == b ? 1.0 / 12 : 0);
    }

    private double axis(int sign) {
        double middle = (moment(0, 0) + moment(1, 1)) / 2;
        double apart = Math.sqrt(Math.pow((moment(0, 0) - moment(1, 1)) / 2, 2) + Math.pow(moment(0, 1), 2));
        return 4 * Math.sqrt(middle + sign * apart);
    }

    /** Of the axis along which the pixels spread most, by trying angles and refining. */
    private double orientation() {
        if (Math.abs(axis(1) - axis(-1)) < 1e-6) {
            return Double.NaN;
        }
        double angle = Math.toDegrees(0.5 * Math.atan2(-2 * moment(0, 1), moment(0, 0) - moment(1, 1)));
        return angle <= -90 ? angle + 180 : angle;
    }

    /** Changes between in and out along every line in four directions. */
    private double perimeter() {
        double[] changes = new double[4];
        int[][] steps = {{1, 0}, {0, 1}, {1, 1}, {1, -1}};
        for (int d = 0; d < 4; d++) {
            for (int[] p : pixels) {
                changes[d] += has(p[0] + steps[d][0], p[1] + steps[d][1]) ? 0 : 1;
                changes[d] += has(p[0] - steps[d][0], p[1] - steps[d][1]) ? 0 : 1;
            }
        }
        return Math.PI / 8 * (changes[0] + changes[1] + (changes[2] + changes[3]) / Math.sqrt(2));
    }

    private List<int[]> corners() {
        Set<Long> corners = new HashSet<>();
        for (int[] p : pixels) {
            for (int i = 0; i < 4; i++) {
                corners.add(key(p[0] + i % 2, p[1] + i / 2));
            }
        }
        return corners.stream()
                .map(k -> new int[] {(int) (long) k, (int) (k >> 32)})
                .toList();
    }

    private double feretMax() {
        List<int[]> corners = corners();
        double best = 0;
        for (int[] p : corners) {
            for (int[] q : corners) {
                best = Math.max(best, Math.hypot(p[0] - q[0], p[1] - q[1]));
            }
        }
        return best;
    }

    /** The least width is square to an edge of the hull: a pair of corners with all others on one side. */
    private double feretMin() {
        double best = Double.POSITIVE_INFINITY;
        List<int[]> corners = corners();
        for (int[] p : corners) {
            for (int[] q : corners) {
                best = Math.min(best, width(corners, p, q));
            }
        }
        return best;
    }

    private static double width(List<int[]> corners, int[] p, int[] q) {
        long most = 0;
        for (int[] r : corners) {
            long side = side(p, q, r);
            if (side < 0) {
                return Double.POSITIVE_INFINITY;
            }
            most = Math.max(most, side);
        }
        double length = Math.hypot(p[0] - q[0], p[1] - q[1]);
        return length == 0 ? Double.POSITIVE_INFINITY : most / length;
    }

    private static long side(int[] p, int[] q, int[] r) {
        return (long) (q[0] - p[0]) * (r[1] - p[1]) - (long) (q[1] - p[1]) * (r[0] - p[0]);
    }

    /** Twice the area is the sum over edges of the hull. */
    private double hullArea() {
        double twice = 0;
        for (int[][] edge : hull()) {
            twice += (double) edge[0][0] * edge[1][1] - (double) edge[0][1] * edge[1][0];
        }
        return Math.abs(twice) / 2;
    }

    /** Edges of the hull, found as in {@link #feretMin}; from each of its corners to the farthest one along the line. */
    private List<int[][]> hull() {
        if (hull == null) {
            hull = new ArrayList<>();
            List<int[]> corners = corners();
            for (int[] p : corners) {
                int[] next = null;
                for (int[] q : corners) {
                    if (width(corners, p, q) < Double.POSITIVE_INFINITY && isFarther(p, q, next)) {
                        next = q;
                    }
                }
                if (next != null && isCorner(corners, p)) {
                    hull.add(new int[][] {p, next});
                }
            }
        }
        return hull;
    }

    private static boolean isFarther(int[] p, int[] q, int[] than) {
        return than == null || Math.hypot(q[0] - p[0], q[1] - p[1]) > Math.hypot(than[0] - p[0], than[1] - p[1]);
    }

    /** Whether no two others lie on both sides of it along an edge. */
    private static boolean isCorner(List<int[]> corners, int[] p) {
        for (int[] a : corners) {
            for (int[] b : corners) {
                boolean between = side(a, b, p) == 0
                        && (long) (a[0] - p[0]) * (b[0] - p[0]) + (long) (a[1] - p[1]) * (b[1] - p[1]) < 0;
                if (between && width(corners, a, b) < Double.POSITIVE_INFINITY) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean touches() {
        return pixels.stream().anyMatch(p -> {
            for (int d = 0; d < 9; d++) {
                if (!field.contains(p[0] + d % 3 - 1, p[1] + d / 3 - 1)) {
                    return true;
                }
            }
            return false;
        });
    }
}
