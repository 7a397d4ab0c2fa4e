package keentally.samples;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.study.document.SlideLabel;

/**
 * A demo picture with what is true of it and a method that finds that.
 *
 * @param id for file names
 * @param title for people
 * @param field the part that counts; none for the whole picture
 * @param hand what was done by hand on it, by the ids of the method's steps
 * @param beside what others made of it
 * @param learning what learners have of it
 * @param group that it belongs to with others; empty for none
 * @param amount the number on its label
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
        Beside beside,
        Learning learning,
        String group,
        Optional<SlideLabel.Amount> amount) {
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
        this(
                id,
                title,
                picture,
                scale,
                field,
                truth,
                method,
                hand,
                Beside.NOTHING,
                Learning.NOTHING,
                "",
                Optional.empty());
    }

    /** With what others made of it. */
    DemoSample with(Beside others) {
        return new DemoSample(id, title, picture, scale, field, truth, method, hand, others, learning, group, amount);
    }

    /** With what learners have of it. */
    DemoSample with(Learning learnt) {
        return new DemoSample(id, title, picture, scale, field, truth, method, hand, beside, learnt, group, amount);
    }

    /** With what stands on its label. */
    DemoSample tagged(String other, SlideLabel.Amount number) {
        return new DemoSample(
                id, title, picture, scale, field, truth, method, hand, beside, learning, other, Optional.of(number));
    }

    /** On which nothing has to be done by hand. */
    DemoSample(
            String id, String title, Picture picture, Scale scale, List<Field.Part> field, Truth truth, Method method) {
        this(id, title, picture, scale, field, truth, method, Map.of());
    }
}
