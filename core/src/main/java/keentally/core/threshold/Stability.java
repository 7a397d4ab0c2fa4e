package keentally.core.threshold;

import java.util.ArrayList;
import java.util.List;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;

/**
 * How the share that a cut chooses moves when the cut does: at ±1, ±2 and ±5 per cent of the distance from the field's 1st to its 99th
 * percentile.
 *
 * @param at one for each place, upwards, the cut itself among them
 * @param whole the share, per cent of the field, that a change is held against
 */
public record Stability(List<At> at, double whole) {
    /** From how much of itself on a share that two per cent move the cut counts as steep. */
    private static final double STEEP = 0.1;

    private static final double[] STEPS = {-5, -2, -1, 0, 1, 2, 5};

    public Stability {
        at = List.copyOf(at);
    }

    /**
     * @param offset of the cut, per cent of the range
     * @param percent of the field that is chosen
     */
    public record At(double offset, double cut, double percent) {}

    /** @param dark whether values up to the cut are chosen, or those above */
    public static Stability of(Histogram h, double cut, boolean dark) {
        List<At> at = around(h, cut, dark);
        return new Stability(at, at.get(STEPS.length / 2).percent());
    }

    /**
     * One of several cuts: how the share of values up to it moves, against the smaller of the two phases that it parts.
     *
     * @param cuts upwards
     */
    public static Stability of(Histogram h, double[] cuts, int index) {
        double before = index > 0 ? h.atMost(cuts[index - 1]) : 0;
        double after = index < cuts.length - 1 ? h.atMost(cuts[index + 1]) : h.total();
        double here = h.atMost(cuts[index]);
        return new Stability(around(h, cuts[index], true), 100.0 * Math.min(here - before, after - here) / h.total());
    }

    private static List<At> around(Histogram h, double cut, boolean dark) {
        double range = Percentiles.range(h);
        double middle = middle(h, cut);
        List<At> at = new ArrayList<>();
        for (double step : STEPS) {
            double there = middle + step / 100 * range;
            double below = 100.0 * h.atMost(there) / h.total();
            at.add(new At(step, there, dark ? below : 100 - below));
        }
        return at;
    }

    /** A cut that stands in a gap between values is as good anywhere in it, so it is moved from the gap's middle. */
    private static double middle(Histogram h, double cut) {
        int k = h.bin(cut) + (h.upperEdge(h.bin(cut)) <= cut ? 1 : 0);
        while (k < h.bins() && h.count(k) == 0) {
            k++;
        }
        return k >= h.bins() || h.upperEdge(k) <= cut ? cut : (cut + h.upperEdge(k)) / 2;
    }

    /**
     * The chosen share of the field, in per cent, with the cut moved.
     *
     * @param offset per cent of the range, one of those that were tried
     */
    public double percent(double offset) {
        return at.stream()
                .filter(a -> a.offset() == offset)
                .findFirst()
                .orElseThrow()
                .percent();
    }

    /** The change of the share between −2 and +2 per cent of the range, as a part of what it is held against. */
    public double change() {
        return Math.abs(percent(2) - percent(-2)) / whole;
    }

    /** Whether so small a move changes the share by more than a tenth of that. */
    public boolean isSteep() {
        return change() > STEEP;
    }
}
