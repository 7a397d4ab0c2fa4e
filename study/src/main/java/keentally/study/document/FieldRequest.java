package keentally.study.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.find.RoundField;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * A part of a field as it is asked for: a shape, or the round field that is to be found in each picture.
 *
 * @param shape empty for the round field
 */
public record FieldRequest(Optional<Shape> shape, boolean takenAway) {
    public static FieldRequest of(Field.Part part) {
        return new FieldRequest(Optional.of(part.shape()), part.takenAway());
    }

    /**
     * The shapes that the wishes come to in a picture.
     *
     * @throws IllegalArgumentException where a round field is wished for and none can be seen
     */
    public static List<Field.Part> inPicture(List<FieldRequest> wishes, Picture picture, Work work) {
        List<Field.Part> parts = new ArrayList<>();
        for (FieldRequest wish : wishes) {
            Shape shape = wish.shape.isPresent()
                    ? wish.shape.get()
                    : RoundField.find(picture, work)
                            .orElseThrow(() -> new IllegalArgumentException(
                                    "No round field can be seen in this picture; give its shape instead."))
                            .rim();
            parts.add(new Field.Part(shape, wish.takenAway));
        }
        return parts;
    }
}
