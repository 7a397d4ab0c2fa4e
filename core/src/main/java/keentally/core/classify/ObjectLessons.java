package keentally.core.classify;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import keentally.core.measure.ObjectTable;
import keentally.core.work.Work;

/**
 * Objects sorted as a few of them were, over their measures.
 *
 * <p>Definition: the examples are objects whose class was said; each is a group of its own when scores are made. Measures that an object has not (a shape of few
 * pixels) are taken for the mean of those that have it; a measure that none has takes no part. An object whose class was said keeps it.
 *
 * @param classOf for each row of the table its class, from 0
 * @param certainty how sure that is, from 0 to 1; 1 where it was said
 * @param heldOut scores of the examples, each kept from the learner that was asked about it
 */
public record ObjectLessons(int[] classOf, double[] certainty, Confusion heldOut) {
    private static final ForestPlan PLAN = new ForestPlan(100, 12, 1, 1);

    /**
     * Sorts all rows.
     *
     * @param said the class of some rows, from 0
     * @throws IllegalArgumentException in a sentence, where there is nothing to tell apart
     */
    public static ObjectLessons of(ObjectTable table, Map<Integer, Integer> said, int classes, Work work) {
        float[][] all = numbers(table);
        if (all.length == 0) {
            throw new IllegalArgumentException("no object has any of the chosen measures");
        }
        int[] rows = new TreeMap<>(said).keySet().stream().mapToInt(i -> i).toArray();
        float[][] some = new float[all.length][rows.length];
        for (int f = 0; f < all.length; f++) {
            for (int i = 0; i < rows.length; i++) {
                some[f][i] = all[f][rows[i]];
            }
        }
        Examples examples = new Examples(
                some,
                Arrays.stream(rows).map(said::get).toArray(),
                classes,
                IntStream.range(0, rows.length).toArray());
        float[] sure = PLAN.learn(examples, work).probabilities(all, table.rows());
        int[] classOf = new int[table.rows()];
        double[] certainty = new double[table.rows()];
        for (int i = 0; i < classOf.length; i++) {
            for (int c = 1; c < classes; c++) {
                classOf[i] = sure[i * classes + c] > sure[i * classes + classOf[i]] ? c : classOf[i];
            }
            certainty[i] = sure[i * classes + classOf[i]];
            if (said.containsKey(i)) {
                classOf[i] = said.get(i);
                certainty[i] = 1;
            }
        }
        return new ObjectLessons(
                classOf, certainty, HeldOut.of(examples, PLAN, work).confusion());
    }

    private static float[][] numbers(ObjectTable table) {
        return IntStream.range(0, table.columns().size())
                .mapToObj(table::column)
                .filter(column -> Arrays.stream(column).anyMatch(Double::isFinite))
                .map(ObjectLessons::filled)
                .toArray(float[][]::new);
    }

    private static float[] filled(double[] column) {
        double mean = Arrays.stream(column).filter(Double::isFinite).average().orElseThrow();
        float[] filled = new float[column.length];
        for (int i = 0; i < filled.length; i++) {
            filled[i] = (float) (Double.isFinite(column[i]) ? column[i] : mean);
        }
        return filled;
    }

    /** Rows from the least certain on. */
    public List<Integer> leastCertain() {
        return IntStream.range(0, certainty.length)
                .boxed()
                .sorted((a, b) -> Double.compare(certainty[a], certainty[b]))
                .toList();
    }
}
