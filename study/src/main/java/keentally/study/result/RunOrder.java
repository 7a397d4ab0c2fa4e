package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.Scale;

/**
 * What is to be run, and where the results go.
 *
 * @param pictures in the order of the tables
 * @param page of every picture, from 1
 * @param folder new, empty, or an earlier run's own
 * @param scale of every picture
 * @param scaleFromFile whether each picture's own pixel size is taken instead
 * @param field shapes, the same for every picture; none for the whole of it
 * @param jobs pictures at the same time
 * @param timed whether times are written down, which differ from run to run
 */
public record RunOrder(
        Method method,
        List<Path> pictures,
        int page,
        Path folder,
        Optional<Scale> scale,
        boolean scaleFromFile,
        List<Field.Part> field,
        int jobs,
        boolean timed) {
    public RunOrder {
        pictures = List.copyOf(pictures);
        field = List.copyOf(field);
        if (jobs < 1) {
            throw new IllegalArgumentException("jobs must be at least 1, was " + jobs);
        }
    }
}
