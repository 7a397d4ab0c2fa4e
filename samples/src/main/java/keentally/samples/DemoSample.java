package keentally.samples;

import java.util.List;
import java.util.Map;
import keentally.core.hand.HandWork;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;

/**
 * A demo picture with what is true of it and a method that finds that.
 *
 * @param id for file names
 * @param title for people
 * @param field the part that counts; none for the whole picture
 * @param hand what was done by hand on it, by the ids of the method's steps
 * @param beside what others made of it
 */
public record DemoSample(
        String id,
        String title,
        Picture picture,
        Scale scale,
        List<Field.Part> field,
        Truth truth,
        Method method,
        Map<String, HandWork> hand,
        Beside beside) {
    public DemoSample {
        field = List.copyOf(field);
        hand = Map.copyOf(hand);
    }

    /** Of which nobody else made anything. */
    DemoSample(
            String id,
            String title,
            Picture picture,
            Scale scale,
            List<Field.Part> field,
            Truth truth,
            Method method,
            Map<String, HandWork> hand) {
        this(id, title, picture, scale, field, truth, method, hand, Beside.NOTHING);
    }

    /** With what others made of it. */
    DemoSample with(Beside others) {
        return new DemoSample(id, title, picture, scale, field, truth, method, hand, others);
    }

    /** On which nothing has to be done by hand. */
    DemoSample(
            String id, String title, Picture picture, Scale scale, List<Field.Part> field, Truth truth, Method method) {
        this(id, title, picture, scale, field, truth, method, Map.of());
    }
}
