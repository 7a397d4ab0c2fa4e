package keentally.core.classify;

import java.util.stream.IntStream;

/**
 * Which class became which, over examples that were held out.
 *
 * <p>Definition: of a class, precision is the part of what was called so that is so, recall the part of what is so that was called so, F1 their harmonic
 * mean, and intersection over union what is both over what is either. Edge cases: a class that was never held out has no scores: they are not-a-number.
 *
 * @param counts row by row: what it is, and what it was called
 */
public record Confusion(long[][] counts) {
    public int classes() {
        return counts.length;
    }

    /** How many examples of a class were held out. */
    public long examples(int c) {
        return IntStream.range(0, counts.length).mapToLong(k -> counts[c][k]).sum();
    }

    private long called(int c) {
        return IntStream.range(0, counts.length).mapToLong(k -> counts[k][c]).sum();
    }

    /** Of what was called a class, the part that is of it. */
    public double precision(int c) {
        return examples(c) == 0 ? Double.NaN : (double) counts[c][c] / called(c);
    }

    /** Of what is of a class, the part that was called so. */
    public double recall(int c) {
        return examples(c) == 0 ? Double.NaN : (double) counts[c][c] / examples(c);
    }

    /** The harmonic mean of precision and recall. */
    public double f1(int c) {
        return examples(c) == 0 ? Double.NaN : 2.0 * counts[c][c] / (examples(c) + called(c));
    }

    /** Over all classes that were held out; not-a-number where none was. */
    public double meanF1() {
        return IntStream.range(0, classes())
                .filter(c -> examples(c) > 0)
                .mapToDouble(this::f1)
                .average()
                .orElse(Double.NaN);
    }

    /** Intersection over union. */
    public double overlap(int c) {
        return examples(c) == 0 ? Double.NaN : (double) counts[c][c] / (examples(c) + called(c) - counts[c][c]);
    }
}
