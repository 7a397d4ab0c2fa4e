package keentally.core.view;

import java.util.Arrays;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;

/** Writes the numbers of objects into a buffer, thinned out where they would lie on each other. */
final class NumberPainter {
    private final int[] buffer;
    private final Viewport view;
    private final int width;
    private final int height;

    private NumberPainter(int[] buffer, Viewport view) {
        this.buffer = buffer;
        this.view = view;
        this.width = view.width();
        this.height = view.height();
    }

    static void paint(int[] buffer, Viewport view, ObjectSet objects) {
        new NumberPainter(buffer, view).numbers(objects);
    }

    /** In order of number, leaving out those that would lie on one drawn before. */
    private void numbers(ObjectSet objects) {
        boolean[] taken = new boolean[((width >> 3) + 2) * ((height >> 3) + 2)];
        for (int i = 0; i < objects.count(); i++) {
            double[] middle = middle(objects.regions(), objects.region(i));
            int w = Digits.width(i + 1);
            int x = (int) Math.round(view.windowX(middle[0]) - w / 2.0);
            int y = (int) Math.round(view.windowY(middle[1]) - Digits.HEIGHT / 2.0);
            boolean seen = x + w > 0 && y + Digits.HEIGHT > 0 && x < width && y < height;
            if (seen && claim(taken, x, y, w)) {
                Digits.draw(buffer, width, height, x, y, i + 1);
            }
        }
    }

    private boolean claim(boolean[] taken, int x, int y, int w) {
        int columns = (width >> 3) + 2;
        int left = Math.clamp(x - 1 >> 3, 0, columns - 1);
        int right = Math.clamp(x + w + 1 >> 3, 0, columns - 1);
        int top = Math.clamp(y - 1 >> 3, 0, (height >> 3) + 1);
        int bottom = Math.clamp(y + Digits.HEIGHT + 1 >> 3, 0, (height >> 3) + 1);
        for (int cy = top; cy <= bottom; cy++) {
            for (int cx = left; cx <= right; cx++) {
                if (taken[cy * columns + cx]) {
                    return false;
                }
            }
        }
        for (int cy = top; cy <= bottom; cy++) {
            Arrays.fill(taken, cy * columns + left, cy * columns + right + 1, true);
        }
        return true;
    }

    /** The middle of the longest run of the row half way down: inside the object, whatever its shape. */
    private static double[] middle(Regions regions, int region) {
        int first = regions.firstRun(region);
        int end = regions.firstRun(region + 1);
        int row = (regions.runY(first) + regions.runY(end - 1)) / 2;
        int best = first;
        int longest = -1;
        for (int i = first; i < end; i++) {
            int length = regions.runTo(i) - regions.runFrom(i);
            if (regions.runY(i) == row && length > longest) {
                longest = length;
                best = i;
            }
        }
        return new double[] {(regions.runFrom(best) + regions.runTo(best)) / 2.0, regions.runY(best) + 0.5};
    }
}
