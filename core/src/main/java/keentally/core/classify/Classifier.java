package keentally.core.classify;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.colour.Rgb;
import keentally.core.quantity.Scale;

/**
 * What was learnt: classes, told apart by features.
 *
 * @param trainedAt how large a pixel was where it was learnt; empty where that was not known
 */
public record Classifier(FeatureSet features, List<ClassLabel> classes, Learnt learnt, Optional<Scale> trainedAt) {
    public Classifier {
        classes = List.copyOf(classes);
        if (classes.size() != learnt.classes() || features.features().size() != learnt.features()) {
            throw new IllegalArgumentException(
                    "what was learnt of " + learnt.classes() + " classes and " + learnt.features()
                            + " features does not fit " + classes.size() + " names and "
                            + features.features().size() + " features");
        }
        if (classes.stream().map(ClassLabel::name).distinct().count() < classes.size()) {
            throw new IllegalArgumentException("two classes have one name");
        }
    }

    /** A class by its name, in its colour. */
    public record ClassLabel(String name, Rgb colour) {
        public ClassLabel {
            if (name.isBlank()) {
                throw new IllegalArgumentException("a class needs a name");
            }
        }
    }

    public List<String> names() {
        return classes.stream().map(ClassLabel::name).collect(Collectors.toList());
    }

    /** For a picture of another scale, its widths as long in reality as they were where it was learnt. */
    public FeatureSet featuresAt(Optional<Scale> scale) {
        return features.at(trainedAt, scale);
    }
}
