package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.colour.Rgb;

/**
 * What is to be learnt, and how.
 *
 * @param classes in the order in which they are numbered; each name and each colour once
 * @param groups of the features that they are told by
 * @param stretch by how much the widths of the features are multiplied
 * @param examples the most pixels that are learnt from
 * @param seconds after which no more trees are grown and no more is held out; empty for as long as it takes
 */
public record TrainingPlan(
        List<ClassLabel> classes,
        List<FeatureGroup> groups,
        double stretch,
        LearnerPlan learner,
        int examples,
        OptionalInt seconds) {
    public static final TrainingPlan USUAL = new TrainingPlan(
            List.of(), Arrays.asList(FeatureGroup.values()), 1, ForestPlan.USUAL, 20_000, OptionalInt.empty());

    /** More cannot be told apart by their colours, nor reached by a key. */
    public static final int MOST_CLASSES = 9;

    private static final int MOST_EXAMPLES = 1_000_000;

    public TrainingPlan {
        classes = List.copyOf(classes);
        groups = List.copyOf(groups);
        if (classes.stream().map(ClassLabel::name).distinct().count() < classes.size()) {
            throw new IllegalArgumentException("two classes have one name");
        }
        if (examples < 100 || examples > MOST_EXAMPLES) {
            throw new IllegalArgumentException(
                    "a model is learnt from 100 to 1,000,000 examples, but not from " + examples);
        }
        if (seconds.isPresent() && (seconds.getAsInt() < 1 || seconds.getAsInt() > 3600)) {
            throw new IllegalArgumentException("a training takes 1 to 3,600 seconds, but not " + seconds.getAsInt());
        }
    }

    /** Colours that classes can have, those that new ones get first. */
    public static List<Rgb> colours() {
        return ClassPicture.colours();
    }

    /** For pictures in colour or of one channel. */
    public FeatureSet features(boolean colour) {
        return new FeatureSet(groups, colour, stretch);
    }

    /** A class by its name; empty where there is none. */
    public Optional<ClassLabel> find(String name) {
        return classes.stream().filter(c -> c.name().equals(name)).findFirst();
    }

    /** With other classes. */
    public TrainingPlan with(List<ClassLabel> other) {
        return new TrainingPlan(other, groups, stretch, learner, examples, seconds);
    }

    /** With one more class, in a colour that no other has. @throws IllegalArgumentException in a sentence, where that cannot be */
    public TrainingPlan and(String name) {
        return and(new ClassLabel(name, fresh()));
    }

    /** With one more class, in its own colour where no other has it. @throws IllegalArgumentException in a sentence, where that cannot be */
    public TrainingPlan and(ClassLabel label) {
        if (classes.size() >= MOST_CLASSES) {
            throw new IllegalArgumentException(
                    "there are " + MOST_CLASSES + " classes already, and no more can be told apart");
        }
        boolean taken = classes.stream().anyMatch(c -> c.colour().equals(label.colour()));
        List<ClassLabel> more = new ArrayList<>(classes);
        more.add(taken ? new ClassLabel(label.name(), fresh()) : label);
        return with(more);
    }

    /** A colour that no class has. */
    private Rgb fresh() {
        return ClassPicture.colours().stream()
                .filter(r -> classes.stream().noneMatch(c -> c.colour().equals(r)))
                .findFirst()
                .orElse(ClassPicture.colours().getFirst());
    }

    /** With other features. */
    public TrainingPlan by(List<FeatureGroup> other) {
        return new TrainingPlan(classes, other, stretch, learner, examples, seconds);
    }

    /** With features of other widths. */
    public TrainingPlan stretched(double other) {
        return new TrainingPlan(classes, groups, other, learner, examples, seconds);
    }

    /** With another learner. */
    public TrainingPlan by(LearnerPlan other) {
        return new TrainingPlan(classes, groups, stretch, other, examples, seconds);
    }

    /** From so many pixels at most. */
    public TrainingPlan from(int other) {
        return new TrainingPlan(classes, groups, stretch, learner, other, seconds);
    }

    /** Within so many seconds. */
    public TrainingPlan within(OptionalInt other) {
        return new TrainingPlan(classes, groups, stretch, learner, examples, other);
    }
}
