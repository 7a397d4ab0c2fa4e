package keentally.core.measure;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.DoubleStream;
import keentally.core.picture.Field;
import keentally.core.picture.Plane;

/** Every measure from a list of pixels, straight from its definition. */
final class SlowMeasures {
    private final List<int[]> pixels;
    private final Plane signal;
    private final Field field;
    private final Set<Long> set = new HashSet<>();

    SlowMeasures(List<int[]> pixels, Plane signal, Field field) {
        this.pixels = pixels;
        this.signal = signal;
        this.field = field;
        pixels.forEach(p -> set.add(key(p[0], p[1])));
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
            case ECD -> Math.sqrt(4 * n / Math.PI);
            case PERIMETER -> perimeter();
            case FERET_MAX -> feretMax();
            case FERET_MIN -> feretMin();
            case CIRCULARITY -> small ? Double.NaN : 4 * Math.PI * n / (perimeter() * perimeter());
            case SOLIDITY -> small ? Double.NaN : n / hullArea();
            case ECCENTRICITY -> small ? Double.NaN : Math.sqrt(1 - Math.pow(axis(-1) / axis(1), 2));
            case ORIENTATION -> small ? Double.NaN : orientation();
            case ELLIPSE_MAJOR -> small ? Double.NaN : axis(1);
            case ELLIPSE_MINOR -> small ? Double.NaN : axis(-1);
            case X -> mean(0) + 0.5;
            case Y -> mean(1) + 0.5;
            case TOUCHES_EDGE -> touches() ? 1 : 0;
            case MEAN -> values().average().orElseThrow();
            case SD -> sd();
            case MIN -> values().min().orElseThrow();
            case MAX -> values().max().orElseThrow();
        };
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

    /** Twice the area is the sum over edges of the hull, found as in {@link #feretMin}; doubled edges along a line count by length. */
    private double hullArea() {
        List<int[]> corners = corners();
        double twice = 0;
        for (int[] p : corners) {
            int[] next = null;
            for (int[] q : corners) {
                if (width(corners, p, q) < Double.POSITIVE_INFINITY && isFarther(p, q, next)) {
                    next = q;
                }
            }
            if (next != null && isCorner(corners, p)) {
                twice += (double) p[0] * next[1] - (double) p[1] * next[0];
            }
        }
        return Math.abs(twice) / 2;
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
