package keentally.core.view;

import java.util.List;
import keentally.core.picture.Plane;

/** The picture itself in a buffer, row by row: grey, colour, channels as lights, or dyes on white light. */
final class GroundPainter {
    private final int[] buffer;
    private final int width;
    private final Viewport view;
    private final Pyramid picture;

    GroundPainter(int[] buffer, Viewport view, Pyramid picture) {
        this.buffer = buffer;
        this.width = view.width();
        this.view = view;
        this.picture = picture;
    }

    /**
     * @param j the row of the window
     * @param y the row of the picture under it
     * @param columns the column of the picture under each of the window's; −1 beside the picture
     */
    void row(int j, int y, int[] columns) {
        int level = Math.clamp((int) Math.floor(-Math.log(view.zoom()) / Math.log(2)), 0, picture.top());
        List<Plane> planes = picture.level(level);
        int row = Math.min(y >> level, planes.getFirst().height() - 1);
        int last = planes.getFirst().width() - 1;
        List<Shade> shades = picture.shades();
        if (picture.inks().isPresent()) {
            dyed(j, planes, picture.inks().get(), row, level, last, columns);
        } else if (shades.size() == 1 && shades.getFirst().isGrey()) {
            grey(j, planes.getFirst(), row, level, last, columns);
        } else if (picture.isPlainColour()) {
            colour(j, planes, row, level, last, columns);
        } else {
            mixed(j, planes, row, level, last, columns);
        }
    }

    private void grey(int j, Plane plane, int row, int level, int last, int[] columns) {
        float[] values = seen(plane, row, level, last, columns);
        double black = picture.tone().black();
        double gain = 255 / (picture.tone().white() - black);
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int grey = tone(values[i], black, gain);
                buffer[j * width + i] = 0xff000000 | grey << 16 | grey << 8 | grey;
            }
        }
    }

    private void colour(int j, List<Plane> planes, int row, int level, int last, int[] columns) {
        float[] reds = seen(planes.get(0), row, level, last, columns);
        float[] greens = seen(planes.get(1), row, level, last, columns);
        float[] blues = seen(planes.get(2), row, level, last, columns);
        double black = picture.tone().black();
        double gain = 255 / (picture.tone().white() - black);
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int red = tone(reds[i], black, gain);
                int green = tone(greens[i], black, gain);
                int blue = tone(blues[i], black, gain);
                buffer[j * width + i] = 0xff000000 | red << 16 | green << 8 | blue;
            }
        }
    }

    /** The values of a row under each of the window's columns; nothing beside the picture. */
    private float[] seen(Plane plane, int row, int level, int last, int[] columns) {
        float[] seen = new float[width];
        int first = 0;
        int end = width;
        while (first < end && columns[first] < 0) {
            first++;
        }
        while (end > first && columns[end - 1] < 0) {
            end--;
        }
        if (first == end) {
            return seen;
        }
        int from = Math.min(columns[first] >> level, last);
        int to = Math.min(columns[end - 1] >> level, last) + 1;
        float[] values = new float[to - from];
        plane.readRow(row, from, to, values, 0);
        for (int i = first; i < end; i++) {
            seen[i] = values[Math.min(columns[i] >> level, last) - from];
        }
        return seen;
    }

    /** Channels in their own colours, added up as lights are. */
    private void mixed(int j, List<Plane> planes, int row, int level, int last, int[] columns) {
        double[] sum = new double[3 * width];
        for (int c = 0; c < planes.size(); c++) {
            Shade shade = picture.shades().get(c);
            double black = shade.tone().black();
            double gain = 255 / (shade.tone().white() - black);
            for (int i = 0; i < width; i++) {
                if (columns[i] >= 0) {
                    int value = tone(planes.get(c).at(Math.min(columns[i] >> level, last), row), black, gain);
                    sum[3 * i] += value * shade.red();
                    sum[3 * i + 1] += value * shade.green();
                    sum[3 * i + 2] += value * shade.blue();
                }
            }
        }
        for (int i = 0; i < width; i++) {
            if (columns[i] >= 0) {
                int red = (int) Math.min(255, sum[3 * i]);
                int green = (int) Math.min(255, sum[3 * i + 1]);
                int blue = (int) Math.min(255, sum[3 * i + 2]);
                buffer[j * width + i] = 0xff000000 | red << 16 | green << 8 | blue;
            }
        }
    }

    /** White light through dyes that lie on top of each other. */
    private void dyed(int j, List<Plane> planes, int[] inks, int row, int level, int last, int[] columns) {
        double[] density = new double[3 * width];
        for (int d = 0; d < planes.size(); d++) {
            for (int c = 0; c < 3; c++) {
                double each = -Math.log(Math.max(1, inks[d] >> 16 - 8 * c & 0xff) / 255.0);
                for (int i = 0; each > 0 && i < width; i++) {
                    if (columns[i] >= 0) {
                        density[3 * i + c] += each * planes.get(d).at(Math.min(columns[i] >> level, last), row);
                    }
                }
            }
        }
        for (int i = 0; i < width; i++) {
            int colour = 0xff;
            for (int c = 0; c < 3; c++) {
                colour = colour << 8 | Math.clamp(Math.round(255 * Math.exp(-density[3 * i + c])), 0, 255);
            }
            buffer[j * width + i] = columns[i] >= 0 ? colour : buffer[j * width + i];
        }
    }

    private static int tone(float value, double black, double gain) {
        double tone = (value - black) * gain;
        return tone >= 255 ? 255 : tone > 0 ? (int) (tone + 0.5) : 0;
    }
}
