package keentally.core.classify;

import java.util.List;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.work.Deadline;
import keentally.core.work.Work;

/**
 * How well classes are told apart where nothing was learnt: of strokes, or blocks of a painted picture, that were held out as wholes.
 *
 * @param painted how many pixels of each class are painted
 * @param examples how many of them were drawn to learn from
 * @param byGroup groups of features, what is missed most first
 * @param held what was learnt from the rest, to be asked what each feature is for
 * @param set which features these are
 * @param rounds how often something was held out
 * @param wanted how often it would have been, had there been time
 * @param block the side of a block, in pixels, where pictures were painted as wholes
 */
public record Scores(
        List<ClassLabel> classes,
        Confusion confusion,
        List<Long> painted,
        int examples,
        List<Importance> byGroup,
        HeldOut held,
        FeatureSet set,
        int rounds,
        int wanted,
        int block) {
    public Scores {
        classes = List.copyOf(classes);
        painted = List.copyOf(painted);
        byGroup = List.copyOf(byGroup);
    }

    /** Each feature, what is missed most first; asked when it is wanted, since that takes as long as there are features. */
    public List<Importance> byFeature(Work work) {
        return held.byFeature(set, 1, work);
    }

    /** Learns as often as something is held out. @param set which features the examples have */
    public static Scores of(
            Lessons.Summary lessons, Examples examples, LearnerPlan plan, FeatureSet set, Work work, Deadline until) {
        HeldOut held = HeldOut.of(examples, plan, work, until);
        return new Scores(
                lessons.classes(),
                held.confusion(),
                lessons.painted(),
                examples.count(),
                held.byGroup(set, 1, work),
                held,
                set,
                held.rounds(),
                held.wanted(),
                lessons.block());
    }
}
