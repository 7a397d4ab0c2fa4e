package keentally.samples;

import java.util.Map;
import keentally.core.classify.Classifier;
import keentally.core.picture.Plane8;

/**
 * What a demo sample has for learners.
 *
 * @param painted class pictures, by their files' names
 * @param models what was learnt, by their files' names, to which the sample's method refers
 */
public record Learning(Map<String, Plane8> painted, Map<String, Classifier> models) {
    public static final Learning NOTHING = new Learning(Map.of(), Map.of());

    public Learning {
        painted = Map.copyOf(painted);
        models = Map.copyOf(models);
    }
}
