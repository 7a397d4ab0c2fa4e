package keentally.core.view;

import java.lang.ref.WeakReference;
import java.util.Arrays;
import keentally.core.work.Work;

/**
 * The picture alone as a window shows it, with the surround beside it. It stays the same while a setting is dragged, and so it is kept
 * until another picture or another window is asked for. For one thread.
 */
public final class Backdrop {
    /** Weakly, so that a picture that is put away is not held for its window's sake. */
    private WeakReference<Pyramid> picture = new WeakReference<>(null);

    private Viewport view;
    private int[] pixels;

    /** One colour a window pixel, row by row; not to be written to. */
    int[] of(Pyramid wanted, Viewport through, Work work) {
        if (picture.get() != wanted || !through.equals(view)) {
            pixels = paint(wanted, through, work);
            picture = new WeakReference<>(wanted);
            view = through;
        }
        return pixels;
    }

    private static int[] paint(Pyramid picture, Viewport view, Work work) {
        int width = view.width();
        int[] buffer = new int[width * view.height()];
        int[] columns = columns(picture.width(), view);
        GroundPainter ground = new GroundPainter(buffer, view, picture);
        work.bands(view.height(), (from, to) -> {
            for (int j = from; j < to; j++) {
                int y = (int) Math.floor(view.pictureY(j + 0.5));
                if (y < 0 || y >= picture.height()) {
                    Arrays.fill(buffer, j * width, (j + 1) * width, Inks.SURROUND);
                    continue;
                }
                ground.row(j, y, columns);
                for (int i = 0; i < width && columns[i] < 0; i++) {
                    buffer[j * width + i] = Inks.SURROUND;
                }
                for (int i = width - 1; i >= 0 && columns[i] < 0; i--) {
                    buffer[j * width + i] = Inks.SURROUND;
                }
            }
        });
        return buffer;
    }

    /** The picture column under each window column's middle; −1 beside the picture. */
    static int[] columns(int pictureWidth, Viewport view) {
        int[] columns = new int[view.width()];
        for (int i = 0; i < columns.length; i++) {
            int x = (int) Math.floor(view.pictureX(i + 0.5));
            columns[i] = x >= 0 && x < pictureWidth ? x : -1;
        }
        return columns;
    }
}
