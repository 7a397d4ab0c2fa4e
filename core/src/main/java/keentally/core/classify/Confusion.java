package keentally.core.classify;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;
import keentally.core.work.Work;

/**
 * Which class became which, over examples that were held out: of those that were learnt from, a score would say nothing.
 *
 * <p>Definition: groups (strokes, or blocks of a painted picture) are dealt out in turn over a number of rounds, class by class, so that each
 * class is in as many rounds as it has groups; in each round a forest is grown on the others and asked about those. Of a class, precision is the part of what was called so that is so,
 * recall the part of what is so that was called so, F1 their harmonic mean, and intersection over union what is both over what is either.
 *
 * <p>Edge cases: examples without a group take no part; a class with a single group can never be held out; its row is empty and its scores are not-a-number.
 *
 * @param counts row by row: what it is, and what it was called
 */
public record Confusion(long[][] counts) {
    private static final int MOST_ROUNDS = 5;

    /** Of a forest over all groups; empty rows where a class has one group alone. */
    public static Confusion heldOut(Examples examples, ForestPlan plan, Work work) {
        int[] round = rounds(examples);
        long[][] counts = new long[examples.classes()][examples.classes()];
        int rounds = IntStream.of(round).max().orElse(0) + 1;
        for (int r = 0; r < rounds; r++) {
            int now = r;
            int[] held = IntStream.range(0, examples.count())
                    .filter(i -> round[i] == now)
                    .toArray();
            int[] learnt = IntStream.range(0, examples.count())
                    .filter(i -> round[i] != now && examples.groups()[i] != Lessons.GAP)
                    .toArray();
            if (held.length == 0) {
                continue;
            }
            Forest forest = Forest.grown(examples.at(learnt), plan, work);
            add(forest, examples, held, counts);
        }
        return new Confusion(counts);
    }

    private static void add(Forest forest, Examples examples, int[] held, long[][] counts) {
        float[][] values = new float[examples.features().length][held.length];
        for (int f = 0; f < values.length; f++) {
            for (int i = 0; i < held.length; i++) {
                values[f][i] = examples.features()[f][held[i]];
            }
        }
        byte[] called = forest.classOf(values, held.length);
        for (int i = 0; i < held.length; i++) {
            counts[examples.classOf()[held[i]]][called[i]]++;
        }
    }

    /** The round in which each example is held out; −1 for never, where its class has no other group. */
    private static int[] rounds(Examples examples) {
        int[] round = new int[examples.count()];
        Arrays.fill(round, -1);
        for (int c = 0; c < examples.classes(); c++) {
            Map<Integer, Integer> turns = new HashMap<>();
            for (int i = 0; i < examples.count(); i++) {
                if (examples.classOf()[i] == c && examples.groups()[i] != Lessons.GAP) {
                    turns.putIfAbsent(examples.groups()[i], turns.size());
                }
            }
            int rounds = Math.min(MOST_ROUNDS, turns.size());
            for (int i = 0; i < examples.count() && rounds > 1; i++) {
                if (examples.classOf()[i] == c && examples.groups()[i] != Lessons.GAP) {
                    round[i] = turns.get(examples.groups()[i]) % rounds;
                }
            }
        }
        return round;
    }

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

    /** Intersection over union. */
    public double overlap(int c) {
        return examples(c) == 0 ? Double.NaN : (double) counts[c][c] / (examples(c) + called(c) - counts[c][c]);
    }
}
