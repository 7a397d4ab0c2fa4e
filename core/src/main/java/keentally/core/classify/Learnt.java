package keentally.core.classify;

/** What was learnt from examples: it says how likely a pixel, or an object, is of each class. Safe for many threads. */
public sealed interface Learnt permits Forest, LinearModel {
    int classes();

    /** How many numbers it asks about. */
    int features();

    /**
     * How sure it is of each class.
     *
     * @param values for each feature, its values
     * @param count of pixels
     * @return for each pixel its classes one after the other, adding up to 1
     */
    float[] probabilities(float[][] values, int count);

    /** The class that each pixel most likely is, from 0; of equals the first. */
    default byte[] classOf(float[][] values, int count) {
        return classOf(probabilities(values, count));
    }

    /** The class that each pixel most likely is, of what {@link #probabilities} gave. */
    default byte[] classOf(float[] sure) {
        byte[] most = new byte[sure.length / classes()];
        for (int i = 0; i < most.length; i++) {
            int best = 0;
            for (int c = 1; c < classes(); c++) {
                if (sure[i * classes() + c] > sure[i * classes() + best]) {
                    best = c;
                }
            }
            most[i] = (byte) best;
        }
        return most;
    }
}
