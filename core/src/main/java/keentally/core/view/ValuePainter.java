package keentally.core.view;

import java.util.List;
import java.util.Locale;
import keentally.core.picture.Plane;

/** Writes the values of pixels into them, where they are enlarged far enough to hold the text. */
final class ValuePainter {
    private static final int GAP = 2;
    private static final double LARGEST_PLAIN = 100_000;

    private ValuePainter() {}

    /** The least enlargement at which values are written, for planes of the picture's depth. */
    static double leastZoom(List<Plane> planes) {
        int figures = switch (planes.getFirst().depth()) {
            case BITS_8 -> 3;
            case BITS_16 -> 5;
            case FLOAT -> 6;
        };
        double wide = figures * (double) Digits.ADVANCE + 2 * GAP;
        double high = planes.size() * (double) (Digits.HEIGHT + GAP) + 2 * GAP;
        return Math.max(wide, high);
    }

    static void paint(int[] buffer, Viewport view, List<Plane> planes) {
        if (view.zoom() < leastZoom(planes)) {
            return;
        }
        Plane first = planes.getFirst();
        int left = Math.max(0, (int) Math.floor(view.left()));
        int top = Math.max(0, (int) Math.floor(view.top()));
        int right = (int) Math.min(first.width(), Math.ceil(view.pictureX(view.width())));
        int bottom = (int) Math.min(first.height(), Math.ceil(view.pictureY(view.height())));
        double high = planes.size() * (Digits.HEIGHT + GAP) - (double) GAP;
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                double line = view.windowY(y + 0.5) - high / 2;
                for (Plane plane : planes) {
                    String text = text(plane, plane.at(x, y));
                    int at = (int) Math.round(view.windowX(x + 0.5) - Digits.width(text) / 2.0);
                    Digits.draw(buffer, view.width(), view.height(), at, (int) Math.round(line), text);
                    line += Digits.HEIGHT + GAP;
                }
            }
        }
    }

    private static String text(Plane plane, float value) {
        if (plane.depth().isWhole()) {
            return String.valueOf((int) value);
        }
        if (!Float.isFinite(value)) {
            return "-";
        }
        double size = Math.abs(value);
        int decimals = size >= 1000 ? 0 : size >= 10 ? 1 : 3;
        return size >= LARGEST_PLAIN ? "-" : String.format(Locale.ROOT, "%." + decimals + "f", value);
    }
}
