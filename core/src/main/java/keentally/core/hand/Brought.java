package keentally.core.hand;

import java.util.List;

/**
 * What a picture that was made elsewhere says of one sample, as it was taken in.
 *
 * @param runs which pixel has which value: 0 for none, else 1 and up
 * @param classes names of the values from 1 where they are classes, dark to light; none where each value is an object of its own, and
 *     one name where the picture was a mask
 * @param origin the file, and how it was read, for a person
 */
public record Brought(LabelRuns runs, List<String> classes, String origin) implements HandWork {
    public Brought {
        classes = List.copyOf(classes);
    }

    /** Whether each value is an object of its own. */
    public boolean isLabels() {
        return classes.isEmpty();
    }

    /** Whether there are several classes. */
    public boolean isClasses() {
        return classes.size() > 1;
    }

    @Override
    public List<Brought> parts() {
        return List.of(this);
    }
}
