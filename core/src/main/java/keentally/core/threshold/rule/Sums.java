package keentally.core.threshold.rule;

import keentally.core.stats.Histogram;

/** Pixels, first and second sums of bin numbers of the two sides of a cut, whole and so exact. */
final class Sums {
    final long n;
    private final int offset;
    private final long all;
    private final long allSquares;
    private long below;
    private long sum;
    private long squares;

    /** @param offset number that stands for the first bin */
    Sums(Histogram h, int offset) {
        this.offset = offset;
        this.n = h.total();
        long first = 0;
        long second = 0;
        for (int i = h.firstOccupied(); i <= h.lastOccupied(); i++) {
            long level = i + (long) offset;
            first += h.count(i) * level;
            second += h.count(i) * level * level;
        }
        this.all = first;
        this.allSquares = second;
    }

    /** Takes a bin over to the dark side. */
    void take(int bin, long count) {
        long level = bin + (long) offset;
        below += count;
        sum += count * level;
        squares += count * level * level;
    }

    double dark() {
        return below;
    }

    double bright() {
        return n - below;
    }

    double darkSum() {
        return sum;
    }

    double brightSum() {
        return all - sum;
    }

    double darkVariance() {
        return variance(below, sum, squares);
    }

    double brightVariance() {
        return variance(n - below, all - sum, allSquares - squares);
    }

    private static double variance(long n, long sum, long squares) {
        return difference(n, squares, sum, sum) / n / n;
    }

    /** a·b − c·d of numbers that are not negative, whole in 128 bits and rounded once. */
    static double difference(long a, long b, long c, long d) {
        long low = a * b - c * d;
        long borrow = Long.compareUnsigned(a * b, c * d) < 0 ? 1 : 0;
        long high = Math.multiplyHigh(a, b) - Math.multiplyHigh(c, d) - borrow;
        if (high < 0) {
            return -difference(c, d, a, b);
        }
        return high * 0x1p64 + (low >>> 1) * 2.0 + (low & 1);
    }

    /** Mean over all. */
    double mean() {
        return (double) all / n;
    }
}
