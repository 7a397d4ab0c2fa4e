package keentally.samples;

import java.util.List;
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
 */
public record DemoSample(
        String id, String title, Picture picture, Scale scale, List<Field.Part> field, Truth truth, Method method) {
    public DemoSample {
        field = List.copyOf(field);
    }
}
