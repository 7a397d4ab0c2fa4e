package keentally.core.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoublePredicate;

/**
 * Ranges of colour components fitted round examples.
 *
 * <p>Definition: each component runs from the {@value #TAIL} to the 1 − {@value #TAIL} quantile of the wanted colours, so that a few wrong
 * pixels do no harm, widened on both sides by a fifteenth of its width and by what things of one kind differ: 6° of hue, 0.07 of saturation and 0.13 of
 * value, 12 of lightness and 5 of a and b, 22 of red, green and blue; hue takes the
 * shortest arc that holds as many of those colours that have a saturation of {@value #GREY} or more. Then, as long as more than a fiftieth
 * of the unwanted colours lie inside, the one end is drawn in, by a quarter of those inside, that loses fewest wanted colours for those it
 * shuts out.
 *
 * @param from the low ends
 * @param to the high ends; hue may end below its beginning
 */
public record RangeFit(double[] from, double[] to) {
    private static final double TAIL = 0.02;
    private static final double GREY = 0.04;
    private static final int MOST_CUTS = 60;

    /**
     * @param wanted colours on the 0 to 255 scale, at least one
     * @param unwanted may be empty
     */
    public static RangeFit of(ColourSpace space, List<double[]> wanted, List<double[]> unwanted) {
        double[][] in = components(space, wanted);
        double[][] out = components(space, unwanted);
        double[] from = new double[3];
        double[] to = new double[3];
        for (int c = 0; c < 3; c++) {
            if (space.wraps(c)) {
                hue(in, from, to);
                continue;
            }
            double[] sorted = in[c].clone();
            Arrays.sort(sorted);
            double low = sorted[(int) (TAIL * (sorted.length - 1))];
            double high = sorted[(int) Math.ceil((1 - TAIL) * (sorted.length - 1))];
            double wider = (high - low) / 15 + room(space)[c];
            from[c] = Math.max(space.least(c), low - wider);
            to[c] = Math.min(space.most(c), high + wider);
        }
        RangeFit fit = new RangeFit(from, to);
        for (int i = 0; i < MOST_CUTS && fit.held(out) * 50 > out[0].length; i++) {
            if (!fit.drawIn(in, out)) {
                break;
            }
        }
        return fit;
    }

    /** How much things that are one kind differ from the one that was marked: most in how much light falls on them. */
    private static double[] room(ColourSpace space) {
        return switch (space) {
            case RGB -> new double[] {22, 22, 22};
            case HSV -> new double[] {6, 0.07, 0.13};
            case LAB -> new double[] {12, 5, 5};
        };
    }

    private static double[][] components(ColourSpace space, List<double[]> colours) {
        double[][] in = new double[3][colours.size()];
        double[] at = new double[3];
        for (int i = 0; i < colours.size(); i++) {
            space.of(colours.get(i), at);
            for (int c = 0; c < 3; c++) {
                in[c][i] = at[c];
            }
        }
        return in;
    }

    /** The shortest arc that holds all but the tails. */
    private static void hue(double[][] in, double[] from, double[] to) {
        List<Double> hues = new ArrayList<>();
        for (int i = 0; i < in[0].length; i++) {
            if (in[1][i] >= GREY) {
                hues.add(in[0][i]);
            }
        }
        if (hues.isEmpty()) {
            from[0] = 0;
            to[0] = 360;
            return;
        }
        double[] sorted = hues.stream().mapToDouble(h -> h).sorted().toArray();
        int n = sorted.length;
        int held = Math.max(1, (int) Math.ceil((1 - 2 * TAIL) * n));
        double shortest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < n; i++) {
            int last = i + held - 1;
            double end = last < n ? sorted[last] : sorted[last - n] + 360;
            if (end - sorted[i] < shortest) {
                shortest = end - sorted[i];
                from[0] = sorted[i];
                to[0] = end;
            }
        }
        double wider = shortest / 15 + room(ColourSpace.HSV)[0];
        if (shortest + 2 * wider >= 360) {
            from[0] = 0;
            to[0] = 360;
        } else {
            from[0] = (from[0] - wider + 360) % 360;
            to[0] = (to[0] + wider) % 360;
        }
    }

    private boolean holds(double[][] values, int i) {
        for (int c = 0; c < 3; c++) {
            double v = values[c][i];
            boolean inside = from[c] <= to[c] ? v >= from[c] && v <= to[c] : v >= from[c] || v <= to[c];
            if (!inside) {
                return false;
            }
        }
        return true;
    }

    private int held(double[][] values) {
        int held = 0;
        for (int i = 0; i < values[0].length; i++) {
            held += holds(values, i) ? 1 : 0;
        }
        return held;
    }

    /** How far along its range a value lies, from 0 to 1; hue is unrolled from where its range begins. */
    private double along(int c, double v) {
        double turn = from[c] <= to[c] ? 0 : 360;
        double width = to[c] + turn - from[c];
        double way = v - from[c];
        return width == 0 ? 0 : (way < 0 ? way + turn : way) / width;
    }

    /** Draws one end in, in place; false where no end shuts anything out. */
    private boolean drawIn(double[][] in, double[][] out) {
        double bestCost = Double.POSITIVE_INFINITY;
        int best = -1;
        double bestEnd = 0;
        for (int c = 0; c < 3; c++) {
            double[] places = placesInside(c, out);
            double[] wanted = placesInside(c, in);
            if (places.length == 0) {
                return false;
            }
            int step = Math.max(1, places.length / 4);
            double low = places[step - 1];
            double high = places[places.length - step];
            double lowCost = share(wanted, p -> p <= low) / step;
            double highCost = share(wanted, p -> p >= high) / step;
            if (lowCost < bestCost && low < 1) {
                bestCost = lowCost;
                best = 2 * c;
                bestEnd = low;
            }
            if (highCost < bestCost && high > 0) {
                bestCost = highCost;
                best = 2 * c + 1;
                bestEnd = high;
            }
        }
        if (best < 0) {
            return false;
        }
        int c = best / 2;
        double turn = from[c] <= to[c] ? 0 : 360;
        double width = to[c] + turn - from[c];
        double hair = 1e-6 * width;
        double end = from[c] + bestEnd * width + (best % 2 == 0 ? hair : -hair);
        double back = turn > 0 && end >= 360 ? end - 360 : end;
        (best % 2 == 0 ? from : to)[c] = back;
        return width > 1e-9;
    }

    private double[] placesInside(int c, double[][] values) {
        double[] places = new double[values[0].length];
        int n = 0;
        for (int i = 0; i < places.length; i++) {
            if (holds(values, i)) {
                places[n++] = along(c, values[c][i]);
            }
        }
        double[] sorted = Arrays.copyOf(places, n);
        Arrays.sort(sorted);
        return sorted;
    }

    private static double share(double[] places, DoublePredicate lost) {
        return Arrays.stream(places).filter(lost).count() + 0.01;
    }
}
