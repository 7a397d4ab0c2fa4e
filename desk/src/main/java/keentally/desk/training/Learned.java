package keentally.desk.training;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.Classifier;
import keentally.core.classify.Examples;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.Lessons;
import keentally.core.classify.Scores;
import keentally.core.classify.TrainingPlan;
import keentally.core.hand.ClassStrokes;
import keentally.core.picture.Picture;

/**
 * What came of a training.
 *
 * @param from what it was learnt from
 * @param lessons what is told of it; the painted pictures themselves are many bytes a pixel
 * @param trees how many of a forest's trees there was time for; 0 for another learner
 * @param seconds that learning took
 * @param scores once something was held out
 */
record Learned(
        From from,
        Lessons.Summary lessons,
        Examples examples,
        Classifier classifier,
        int trees,
        double seconds,
        Optional<Scores> scores) {
    /**
     * What a training hangs on: the same, and nothing need be learnt again.
     *
     * @param pictures the very pictures that were painted on
     */
    record From(TrainingPlan plan, Map<String, ClassStrokes> strokes, List<Picture> pictures) {}

    Learned with(Scores held) {
        return new Learned(from, lessons, examples, classifier, trees, seconds, Optional.of(held));
    }

    /** How many trees of a forest there was no time for. */
    int missing() {
        return from.plan().learner() instanceof ForestPlan forest ? forest.trees() - trees : 0;
    }
}
