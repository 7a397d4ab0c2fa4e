package keentally.core.view;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keentally.core.geometry.Point;
import keentally.core.hand.Glyph;
import keentally.core.hand.Mark;
import keentally.core.hand.TallyClass;

/** Marks of a hand count in a buffer: each class by its glyph and colour, with a dark rim to be seen on any ground. */
public final class TallyPainter {
    private static final int RIM = 0xff1e2730;
    private static final int UNKNOWN = 0xffd5d9de;
    private static final int CALLED = 0xffffffff;
    private static final byte NOTHING = 0;
    private static final byte EDGE = 1;
    private static final byte CORE = 2;

    private TallyPainter() {}

    static void paint(int[] buffer, Viewport view, Layer.Tally tally) {
        Map<String, TallyClass> classes = new HashMap<>();
        tally.classes().forEach(c -> classes.put(c.id(), c));
        Map<Glyph, Stamp> stamps = new HashMap<>();
        int radius = tally.radius();
        int opacity = (int) Math.round(256 * tally.strength());
        List<Mark> marks = tally.marks().list();
        for (int i = 0; i < marks.size(); i++) {
            Mark mark = marks.get(i);
            int x = (int) Math.floor(view.windowX(mark.at().x()));
            int y = (int) Math.floor(view.windowY(mark.at().y()));
            if (x < -radius - 1 || y < -radius - 1 || x > view.width() + radius || y > view.height() + radius) {
                continue;
            }
            TallyClass kind = classes.get(mark.kind());
            Glyph glyph = kind == null ? Glyph.DOTS : kind.glyph();
            int ink = kind == null ? UNKNOWN : 0xff000000 | kind.colour().packed();
            stamps.computeIfAbsent(glyph, g -> Stamp.of(g, radius)).put(buffer, view, x, y, ink, opacity);
        }
        for (Point called : tally.called()) {
            ring(buffer, view, called, 2 * radius + 4);
        }
    }

    /** A glyph alone, on nothing: rows of 0xAARRGGBB of {@code 2 radius + 3} pixels a side. */
    public static int[] icon(Glyph glyph, int colour, int radius) {
        byte[] stamp = stampOf(glyph, radius);
        int[] icon = new int[stamp.length];
        for (int i = 0; i < icon.length; i++) {
            icon[i] = stamp[i] == NOTHING ? 0 : stamp[i] == EDGE ? RIM : 0xff000000 | colour;
        }
        return icon;
    }

    /** The pixels of a glyph about its middle: few of its square. */
    private record Stamp(int[] dx, int[] dy, boolean[] core) {
        static Stamp of(Glyph glyph, int radius) {
            byte[] square = stampOf(glyph, radius);
            int side = 2 * radius + 3;
            int[] places = IntStream.range(0, square.length)
                    .filter(i -> square[i] != NOTHING)
                    .toArray();
            int[] dx = new int[places.length];
            int[] dy = new int[places.length];
            boolean[] core = new boolean[places.length];
            for (int i = 0; i < places.length; i++) {
                dx[i] = places[i] % side - radius - 1;
                dy[i] = places[i] / side - radius - 1;
                core[i] = square[places[i]] == CORE;
            }
            return new Stamp(dx, dy, core);
        }

        void put(int[] buffer, Viewport view, int x, int y, int ink, int opacity) {
            for (int i = 0; i < dx.length; i++) {
                int column = x + dx[i];
                int row = y + dy[i];
                if (column >= 0 && row >= 0 && column < view.width() && row < view.height()) {
                    int at = row * view.width() + column;
                    int colour = core[i] ? ink : RIM;
                    buffer[at] = opacity >= 256 ? colour : blend(buffer[at], colour, opacity);
                }
            }
        }
    }

    private static int blend(int ground, int ink, int opacity) {
        int mixed = 0xff000000;
        for (int shift = 0; shift <= 16; shift += 8) {
            int before = ground >>> shift & 0xff;
            int after = ink >>> shift & 0xff;
            mixed |= before + ((after - before) * opacity >> 8) << shift;
        }
        return mixed;
    }

    /** Round a place that is called out. */
    private static void ring(int[] buffer, Viewport view, Point at, int radius) {
        double cx = view.windowX(at.x());
        double cy = view.windowY(at.y());
        for (int y = (int) (cy - radius - 2); y <= cy + radius + 2; y++) {
            for (int x = (int) (cx - radius - 2); x <= cx + radius + 2; x++) {
                double off = Math.abs(Math.hypot(x + 0.5 - cx, y + 0.5 - cy) - radius);
                if (off < 2.2 && x >= 0 && y >= 0 && x < view.width() && y < view.height()) {
                    buffer[y * view.width() + x] = off < 1.1 ? CALLED : RIM;
                }
            }
        }
    }

    private static byte[] stampOf(Glyph glyph, int radius) {
        int side = 2 * radius + 3;
        byte[] stamp = new byte[side * side];
        for (int j = 0; j < side; j++) {
            for (int i = 0; i < side; i++) {
                if (isCore(glyph, i - radius - 1, j - radius - 1, radius)) {
                    stamp[j * side + i] = CORE;
                }
            }
        }
        for (int j = 0; j < side; j++) {
            for (int i = 0; i < side; i++) {
                if (stamp[j * side + i] != CORE && besideCore(stamp, side, i, j)) {
                    stamp[j * side + i] = EDGE;
                }
            }
        }
        return stamp;
    }

    private static boolean besideCore(byte[] stamp, int side, int i, int j) {
        for (int y = Math.max(0, j - 1); y <= Math.min(side - 1, j + 1); y++) {
            for (int x = Math.max(0, i - 1); x <= Math.min(side - 1, i + 1); x++) {
                if (stamp[y * side + x] == CORE) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean isCore(Glyph glyph, int x, int y, int r) {
        int ax = Math.abs(x);
        int ay = Math.abs(y);
        if (ax > r || ay > r) {
            return false;
        }
        return switch (glyph) {
            case CROSS -> Math.abs(ax - ay) <= (r > 5 ? 1 : 0);
            case UPRIGHT -> ax == 0 || ay == 0 || r > 5 && (x == 1 || y == 1);
            case RING -> Math.abs(Math.hypot(x, y) - r + 0.5) <= 0.9;
            case BOX -> Math.max(ax, ay) >= r - 1;
            case LOZENGE -> ax + ay <= r && ax + ay >= r - 1;
            case WEDGE -> y >= -r + 2 * ax - 1 && (y >= r - 1 || y <= -r + 2 * ax + 2);
            case BAR -> ay <= 1;
            case ANGLE -> y >= r - 1 || x <= -r + 1;
            case DOTS -> ax >= r - 1 && ay >= r - 1 || ax <= 0 && ay <= 0;
        };
    }
}
