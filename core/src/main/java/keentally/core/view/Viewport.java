package keentally.core.view;

/**
 * Which part of a picture is seen, and how large.
 *
 * @param left picture coordinate at the left edge of the window, in pixels of the picture
 * @param top picture coordinate at the top edge
 * @param zoom window pixels to a picture pixel, above 0
 * @param width of the window, in window pixels
 * @param height of the window
 */
public record Viewport(double left, double top, double zoom, int width, int height) {
    public static final double LEAST_ZOOM = 1.0 / 256;
    public static final double MOST_ZOOM = 64;

    public Viewport {
        if (!(zoom > 0) || width < 1 || height < 1) {
            throw new IllegalArgumentException("a viewport needs a zoom and sides above 0");
        }
    }

    /** The whole of a picture in the middle of the window. */
    public static Viewport fit(int pictureWidth, int pictureHeight, int width, int height) {
        double zoom = Math.min((double) width / pictureWidth, (double) height / pictureHeight);
        return centred(pictureWidth / 2.0, pictureHeight / 2.0, zoom, width, height);
    }

    /**
     * A window of so many px of the screen.
     *
     * @param x the place of the picture in its middle, in px
     * @param y the place of the picture in its middle, in px
     * @param zoom px of the screen for one of the picture
     */
    public static Viewport centred(double x, double y, double zoom, int width, int height) {
        return new Viewport(x - width / 2.0 / zoom, y - height / 2.0 / zoom, zoom, width, height);
    }

    /** From the window to the picture, both in their own px. */
    public double pictureX(double windowX) {
        return left + windowX / zoom;
    }

    /** From the window to the picture, both in their own px. */
    public double pictureY(double windowY) {
        return top + windowY / zoom;
    }

    /** From the picture to the window, both in their own px. */
    public double windowX(double pictureX) {
        return (pictureX - left) * zoom;
    }

    /** From the picture to the window, both in their own px. */
    public double windowY(double pictureY) {
        return (pictureY - top) * zoom;
    }

    /** Larger by a factor, what is under a point of the window staying there. */
    public Viewport zoomedAt(double windowX, double windowY, double factor) {
        double next = Math.clamp(zoom * factor, LEAST_ZOOM, MOST_ZOOM);
        return new Viewport(
                pictureX(windowX) - windowX / next, pictureY(windowY) - windowY / next, next, width, height);
    }

    /** Moved so that what was at the window's origin is at (dx, dy). */
    public Viewport moved(double dx, double dy) {
        return new Viewport(left - dx / zoom, top - dy / zoom, zoom, width, height);
    }

    /** The same middle in a window of another size. */
    public Viewport resized(int newWidth, int newHeight) {
        return centred(pictureX(width / 2.0), pictureY(height / 2.0), zoom, newWidth, newHeight);
    }

    /** Kept from losing the picture: its nearest edge stays at least a fifth of the window inside. */
    public Viewport held(int pictureWidth, int pictureHeight) {
        double marginX = width / 5.0 / zoom;
        double marginY = height / 5.0 / zoom;
        double newLeft =
                Math.clamp(left, marginX - width / zoom, Math.max(marginX - width / zoom, pictureWidth - marginX));
        double newTop =
                Math.clamp(top, marginY - height / zoom, Math.max(marginY - height / zoom, pictureHeight - marginY));
        return new Viewport(newLeft, newTop, zoom, width, height);
    }
}
