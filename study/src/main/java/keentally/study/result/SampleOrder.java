package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.quantity.Scale;
import keentally.study.document.FieldWish;
import keentally.study.document.PictureRef;

/**
 * One sample that is to be run.
 *
 * @param name in tables; empty for that of its file
 * @param scaleFromFile whether the picture's own pixel size is taken
 * @param field none for the whole picture
 * @param hand what was done by hand on it, by the ids of the method's steps
 */
public record SampleOrder(
        Optional<String> name,
        PictureRef picture,
        Optional<Scale> scale,
        boolean scaleFromFile,
        List<FieldWish> field,
        Map<String, HandWork> hand) {
    public SampleOrder {
        field = List.copyOf(field);
        hand = Map.copyOf(hand);
    }

    /** On which nothing was done by hand. */
    public SampleOrder(
            Optional<String> name,
            PictureRef picture,
            Optional<Scale> scale,
            boolean scaleFromFile,
            List<FieldWish> field) {
        this(name, picture, scale, scaleFromFile, field, Map.of());
    }

    Path file() {
        return picture.first().file();
    }
}
