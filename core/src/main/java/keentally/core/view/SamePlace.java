package keentally.core.view;

import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.quantity.Scale;

/**
 * Where a place of one picture is in another that is looked at beside it: the first's coordinate times a scale, and a shift.
 *
 * @param by what was held on to
 */
public record SamePlace(By by, double scaleX, double shiftX, double scaleY, double shiftY) {
    /** Of a picture in itself. */
    public static final SamePlace ITSELF = new SamePlace(By.PIXELS, 1, 0, 1, 0);

    /** What a place is the same by. */
    public enum By {
        /** The pictures are of one size, and a pixel of one is as large as one of the other. */
        PIXELS,
        /** Real distances from the middles of the fields. */
        REAL_UNITS,
        /** Parts of the fields' widths and heights. */
        PARTS_OF_THE_FIELD
    }

    /** Pixel by pixel where that can be meant, else in real units where both have a scale, else in parts of the field. */
    public static SamePlace of(Field first, Optional<Scale> scale, Field second, Optional<Scale> otherScale) {
        boolean sameSize = first.width() == second.width() && first.height() == second.height();
        boolean real = scale.isPresent() && otherScale.isPresent();
        double ratio = real ? scale.get().umPerPx() / otherScale.get().umPerPx() : 1;
        if (sameSize && ratio == 1) {
            return ITSELF;
        }
        Box one = Box.of(first);
        Box other = Box.of(second);
        return real
                ? about(By.REAL_UNITS, one, ratio, other, ratio)
                : about(By.PARTS_OF_THE_FIELD, one, other.width() / one.width(), other, other.height() / one.height());
    }

    private static SamePlace about(By by, Box one, double scaleX, Box other, double scaleY) {
        return new SamePlace(
                by, scaleX, other.middleX() - scaleX * one.middleX(), scaleY, other.middleY() - scaleY * one.middleY());
    }

    /** From the first to the second, in pixels of each. */
    public Point there(Point first) {
        return new Point(scaleX * first.x() + shiftX, scaleY * first.y() + shiftY);
    }

    /** The other way round. */
    public SamePlace back() {
        return new SamePlace(by, 1 / scaleX, -shiftX / scaleX, 1 / scaleY, -shiftY / scaleY);
    }

    /** A window on the second with the same place in its middle, as much of it to be seen. @param width of that window, in its pixels */
    public Viewport there(Viewport first, int width, int height) {
        Point middle = there(new Point(first.pictureX(first.width() / 2.0), first.pictureY(first.height() / 2.0)));
        double zoom = first.zoom() / Math.sqrt(scaleX * scaleY);
        return Viewport.centred(
                middle.x(), middle.y(), Math.clamp(zoom, Viewport.LEAST_ZOOM, Viewport.MOST_ZOOM), width, height);
    }

    /** The upright box round a field. */
    private record Box(double left, double top, double right, double bottom) {
        static Box of(Field field) {
            int left = field.width();
            int right = 0;
            int top = field.height();
            int bottom = 0;
            for (int y = 0; y < field.height(); y++) {
                int from = field.isWhole() ? 0 : field.mask().nextSet(y, 0);
                if (from < field.width()) {
                    left = Math.min(left, from);
                    right = Math.max(right, last(field, y, from));
                    top = Math.min(top, y);
                    bottom = y + 1;
                }
            }
            return new Box(left, top, right, bottom);
        }

        private static int last(Field field, int y, int from) {
            if (field.isWhole()) {
                return field.width();
            }
            int to = from;
            for (int x = from; x < field.width(); x = field.mask().nextSet(y, to)) {
                to = field.mask().nextClear(y, x);
            }
            return to;
        }

        double width() {
            return right - left;
        }

        double height() {
            return bottom - top;
        }

        double middleX() {
            return (left + right) / 2;
        }

        double middleY() {
            return (top + bottom) / 2;
        }
    }
}
