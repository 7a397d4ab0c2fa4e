package keentally.core.classify;

import java.util.Arrays;

/**
 * Pixels whose class somebody said.
 *
 * @param features for each feature, its values
 * @param classOf for each pixel, from 0
 * @param classes how many there are
 * @param groups what each pixel belongs to: a stroke, or a block of a painted picture; held out as wholes;
 *     −1 for what belongs to none
 */
public record Examples(float[][] features, int[] classOf, int classes, int[] groups) {
    public Examples {
        if (classes < 2) {
            throw new IllegalArgumentException(
                    "at least two classes are needed to tell apart, but there is " + classes);
        }
        for (int c = 0; c < classes; c++) {
            int wanted = c;
            if (Arrays.stream(classOf).noneMatch(k -> k == wanted)) {
                throw new IllegalArgumentException("class " + (c + 1) + " has no example");
            }
        }
        for (float[] feature : features) {
            if (feature.length != classOf.length) {
                throw new IllegalArgumentException("every feature needs a value for every example");
            }
        }
        if (groups.length != classOf.length) {
            throw new IllegalArgumentException("every example belongs to a group");
        }
    }

    public int count() {
        return classOf.length;
    }

    /** Those of some places alone. @throws IllegalArgumentException where a class is left without any */
    public Examples at(int[] places) {
        float[][] some = new float[features.length][places.length];
        for (int f = 0; f < features.length; f++) {
            for (int i = 0; i < places.length; i++) {
                some[f][i] = features[f][places[i]];
            }
        }
        return new Examples(
                some,
                Arrays.stream(places).map(p -> classOf[p]).toArray(),
                classes,
                Arrays.stream(places).map(p -> groups[p]).toArray());
    }
}
