package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.quantity.Scale;
import keentally.study.document.FieldWish;
import keentally.study.document.PictureRef;

/**
 * One sample that is to be run.
 *
 * @param name in tables; empty for that of its file
 * @param scaleFromFile whether the picture's own pixel size is taken
 * @param field none for the whole picture
 */
public record SampleOrder(
        Optional<String> name,
        PictureRef picture,
        Optional<Scale> scale,
        boolean scaleFromFile,
        List<FieldWish> field) {
    public SampleOrder {
        field = List.copyOf(field);
    }

    Path file() {
        return picture.first().file();
    }
}
