package keentally.samples;

import java.util.SplittableRandom;

/** Numbers by chance from a fixed seed; the same on every machine. */
final class Chance {
    private final SplittableRandom random;

    Chance(long seed) {
        this.random = new SplittableRandom(seed);
    }

    double between(double from, double to) {
        return from + (to - from) * random.nextDouble();
    }

    /** With mean 0 and standard deviation 1; G. E. P. Box and M. E. Muller (1958), Ann. Math. Stat. 29, 610–611. */
    double normal() {
        double radius = Math.sqrt(-2 * StrictMath.log(1 - random.nextDouble()));
        return radius * StrictMath.cos(2 * Math.PI * random.nextDouble());
    }
}
