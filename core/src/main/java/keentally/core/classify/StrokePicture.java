package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.draw.Canvas;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.picture.Mask;

/**
 * Strokes of classes laid out as a class picture.
 *
 * <p>Definition: the last stroke over a pixel counts. Strokes of one class that come nearer to each other than a given distance are one group, since what is
 * learnt from the one tells of the other; pixels of a painted picture belong to no stroke. Edge cases: strokes of classes that are not asked for leave
 * their pixels unpainted. Cost: 8 bytes a pixel.
 */
final class StrokePicture {
    private static final int UNPAINTED = 0;

    private final int width;
    private final int height;
    private final List<ClassLabel> classes;
    private final int[] at;
    private final int[] strokeAt;

    private StrokePicture(int width, int height, List<ClassLabel> classes) {
        this.width = width;
        this.height = height;
        this.classes = classes;
        this.at = new int[width * height];
        this.strokeAt = new int[width * height];
        Arrays.fill(strokeAt, ClassPicture.NO_STROKE);
    }

    static ClassPicture of(int width, int height, ClassStrokes strokes, List<ClassLabel> classes, double apart) {
        StrokePicture picture = new StrokePicture(width, height, classes);
        for (int s = 0; s < strokes.list().size(); s++) {
            switch (strokes.list().get(s)) {
                case ClassStroke.Brush brush -> picture.paint(brush, s);
                case ClassStroke.Painted painted -> picture.paint(painted);
            }
        }
        int[] group = groups(strokes.list(), apart);
        for (int i = 0; i < picture.strokeAt.length; i++) {
            if (picture.strokeAt[i] != ClassPicture.NO_STROKE) {
                picture.strokeAt[i] = group[picture.strokeAt[i]];
            }
        }
        return ClassPicture.of(width, height, picture.at, picture.values(), picture.strokeAt, group.length);
    }

    private int value(String name) {
        for (int c = 0; c < classes.size(); c++) {
            if (classes.get(c).name().equals(name)) {
                return c + 1;
            }
        }
        return UNPAINTED;
    }

    private void paint(ClassStroke.Brush brush, int stroke) {
        Canvas canvas = new Canvas(brush.path(), brush.width() / 2, width, height);
        canvas.brush(brush.path(), brush.width() / 2);
        if (canvas.isEmpty()) {
            return;
        }
        int value = value(brush.as());
        Mask under = canvas.mask();
        for (int y = 0; y < under.height(); y++) {
            for (int x = under.nextSet(y, 0); x < under.width(); x = under.nextSet(y, x + 1)) {
                int i = (canvas.top() + y) * width + canvas.left() + x;
                at[i] = value;
                strokeAt[i] = value == UNPAINTED ? ClassPicture.NO_STROKE : stroke;
            }
        }
    }

    private void paint(ClassStroke.Painted painted) {
        if (painted.runs().width() != width || painted.runs().height() != height) {
            throw new IllegalArgumentException("the class picture %s is %d × %d px, but its picture is %d × %d px"
                    .formatted(
                            painted.origin(),
                            painted.runs().width(),
                            painted.runs().height(),
                            width,
                            height));
        }
        int[] values = painted.classes().stream().mapToInt(this::value).toArray();
        painted.runs().walk((y, from, to, value) -> {
            int now = value <= values.length ? values[value - 1] : UNPAINTED;
            Arrays.fill(at, y * width + from, y * width + to, now);
            Arrays.fill(strokeAt, y * width + from, y * width + to, ClassPicture.NO_STROKE);
        });
    }

    private List<ClassPicture.Painted> values() {
        long[] counts = new long[classes.size() + 1];
        for (int value : at) {
            counts[value]++;
        }
        List<ClassPicture.Painted> values = new ArrayList<>();
        values.add(new ClassPicture.Painted("", classes.getFirst().colour(), counts[UNPAINTED]));
        for (int c = 0; c < classes.size(); c++) {
            values.add(new ClassPicture.Painted(
                    classes.get(c).name(), classes.get(c).colour(), counts[c + 1]));
        }
        return values;
    }

    /** For each stroke the first one that it hangs together with. */
    private static int[] groups(List<ClassStroke> strokes, double apart) {
        int[] group = new int[strokes.size()];
        for (int s = 0; s < group.length; s++) {
            group[s] = s;
            for (int t = 0; t < s; t++) {
                if (strokes.get(s) instanceof ClassStroke.Brush a
                        && strokes.get(t) instanceof ClassStroke.Brush b
                        && a.as().equals(b.as())
                        && root(group, s) != root(group, t)
                        && near(a, b, apart)) {
                    int first = Math.min(root(group, s), root(group, t));
                    int second = Math.max(root(group, s), root(group, t));
                    group[second] = first;
                }
            }
        }
        for (int s = 0; s < group.length; s++) {
            group[s] = root(group, s);
        }
        return group;
    }

    private static int root(int[] group, int of) {
        int at = of;
        while (group[at] != at) {
            at = group[at];
        }
        return at;
    }

    /** Paths as their points are near enough together where a hand drew them; between far ones the middle is looked at too. */
    private static boolean near(ClassStroke.Brush a, ClassStroke.Brush b, double apart) {
        double reach = apart + (a.width() + b.width()) / 2;
        if (!Rectangle.round(a.path()).isNear(Rectangle.round(b.path()), reach)) {
            return false;
        }
        List<Point> other = dense(b.path(), reach);
        for (Point p : dense(a.path(), reach)) {
            for (Point q : other) {
                if (Math.abs(p.x() - q.x()) <= reach && Math.hypot(p.x() - q.x(), p.y() - q.y()) <= reach) {
                    return true;
                }
            }
        }
        return false;
    }

    /** With so many points between that none is farther from the next than half the reach. */
    private static List<Point> dense(List<Point> path, double reach) {
        List<Point> dense = new ArrayList<>();
        dense.add(path.getFirst());
        for (int i = 1; i < path.size(); i++) {
            Point p = path.get(i - 1);
            Point q = path.get(i);
            int parts = Math.max(1, (int) Math.ceil(2 * Math.hypot(q.x() - p.x(), q.y() - p.y()) / Math.max(1, reach)));
            for (int k = 1; k <= parts; k++) {
                dense.add(new Point(p.x() + (q.x() - p.x()) * k / parts, p.y() + (q.y() - p.y()) * k / parts));
            }
        }
        return dense;
    }
}
