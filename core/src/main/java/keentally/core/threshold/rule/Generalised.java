package keentally.core.threshold.rule;

import java.util.OptionalDouble;
import keentally.core.stats.Histogram;

/**
 * One rule with Otsu's and the minimum error rule as its ends, and beliefs about spread and share that can be stated.
 *
 * <p>Definition: the bin k that makes f₀ + f₁ greatest, with f = −d/v − w·ln v + 2(w + κω)·ln w for each side; w is its number of
 * pixels, d its sum of squared distances from its mean, v = (p·ν·τ² + d)/(p·ν + w), p its share, and ω is 1 − ω for the bright
 * side. ν and κ are counted here in field's pixels, so that they mean the same for a picture of any size. Ties take the first.
 * With ν = κ = 0 it is the minimum error rule, towards ν = ∞ Otsu's.
 *
 * <p>Edge cases: fewer than two occupied bins have no cut; with ν = 0 a side of one value is no candidate. Known weakness: it is
 * as good as what is believed; τ far off the true spread draws the cut along.
 *
 * <p>Source: J. T. Barron (2020), "A generalization of Otsu's method and minimum error thresholding", Proc. ECCV, section 3.
 *
 * @param nu how much τ counts against what is seen, 0 or more; 1 is half and half
 * @param tau the spread that is believed in, per cent of the distance from the first to the last occupied bin
 * @param kappa how much ω counts against what is seen, 0 or more
 * @param omega the share of the dark side that is believed in, 0 to 1
 */
public record Generalised(double nu, double tau, double kappa, double omega) {
    public static final Generalised USUAL = new Generalised(1, 10, 0, 0.5);

    /** The upper edge of the best bin to cut after, in grey values; empty where fewer than two bins are occupied. */
    public OptionalDouble cut(Histogram h) {
        Sums sums = new Sums(h, 0);
        double n = sums.n;
        double believed = tau / 100 * (h.lastOccupied() - h.firstOccupied());
        double square = believed * believed;
        return Candidates.best(h, (k, count) -> {
            sums.take(k, count);
            double merit = side(sums.dark() / n, sums.darkVariance(), square, omega)
                    + side(sums.bright() / n, sums.brightVariance(), square, 1 - omega);
            return merit < Double.POSITIVE_INFINITY ? merit : Double.NaN;
        });
    }

    /** f divided by the number of pixels, but for what is the same for every cut. */
    private double side(double share, double variance, double square, double believedShare) {
        double v = (nu * square + variance) / (nu + 1);
        return share * (-variance / v - StrictMath.log(v))
                + 2 * (share + kappa * believedShare) * StrictMath.log(share);
    }
}
