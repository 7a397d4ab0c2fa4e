package keentally.core.classify;

import java.util.Arrays;
import keentally.core.work.Work;

/**
 * The values of each feature in at most 256 bins that hold about as many examples each. A bin's edge is a value midway between two that occur,
 * so that a decision "at most the edge" parts the examples as bins do.
 *
 * @param edges for each feature, ascending; bin b is what is at most edge b, the last one what is above all
 * @param of for each feature, the bin of each example
 */
record Bins(float[][] edges, byte[][] of) {
    private static final int MOST = 256;

    static Bins of(float[][] features, Work work) {
        float[][] edges = new float[features.length][];
        byte[][] of = new byte[features.length][];
        work.each(features.length, f -> {
            edges[f] = edges(features[f]);
            of[f] = new byte[features[f].length];
            for (int i = 0; i < of[f].length; i++) {
                of[f][i] = (byte) bin(edges[f], features[f][i]);
            }
        });
        return new Bins(edges, of);
    }

    private static float[] edges(float[] values) {
        float[] sorted = values.clone();
        Arrays.sort(sorted);
        float[] edges = new float[MOST - 1];
        int count = 0;
        for (int b = 1; b < MOST; b++) {
            int at = (int) ((long) b * sorted.length / MOST);
            while (at < sorted.length && at > 0 && sorted[at] == sorted[at - 1]) {
                at++; // equal values stay together
            }
            if (at == 0 || at >= sorted.length) {
                continue;
            }
            float edge = sorted[at - 1] + (sorted[at] - sorted[at - 1]) / 2;
            if (edge >= sorted[at]) {
                edge = sorted[at - 1]; // no number lies between
            }
            if (count == 0 || edge > edges[count - 1]) {
                edges[count] = edge;
                count++;
            }
        }
        return Arrays.copyOf(edges, count);
    }

    /** The first whose edge is not below. */
    static int bin(float[] edges, float value) {
        int low = 0;
        int high = edges.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (value <= edges[middle]) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }
}
