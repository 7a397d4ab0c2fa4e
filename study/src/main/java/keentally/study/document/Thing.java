package keentally.study.document;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.Scale;

/** A part of a study that is replaced as a whole. */
public sealed interface Thing {

    /**
     * A picture with what is known of it.
     *
     * @param name for people and tables
     * @param file where the picture is
     * @param field the shapes of the field; none for the whole picture
     * @param method the id of the study's method that is used on it
     */
    record SampleThing(String name, Path file, int page, Optional<Scale> scale, List<Field.Part> field, String method)
            implements Thing {
        public SampleThing {
            field = List.copyOf(field);
        }

        public SampleThing with(Optional<Scale> other) {
            return new SampleThing(name, file, page, other, field, method);
        }

        public SampleThing using(String otherMethod) {
            return new SampleThing(name, file, page, scale, field, otherMethod);
        }
    }

    /** A method. */
    record MethodThing(Method method) implements Thing {}

    /** The ids of the samples in the order of the slide tray. */
    record OrderThing(List<String> samples) implements Thing {
        public OrderThing {
            samples = List.copyOf(samples);
        }
    }
}
