package keentally.study.starter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.find.Caption;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.run.Sample;

/**
 * The sample that questions are asked of: without what is burnt into its picture for people to read, which is no sample.
 *
 * @param leftOut what was found and is taken out of the field; empty where nothing was found, or none of it lies in the field
 */
public record AskedField(Sample sample, Optional<Rectangle> leftOut) {
    /** Of a bar without a strip: so thin a line may belong to the sample. */
    private static final double THIN = 1;

    public static AskedField of(Sample sample, Caption caption) {
        boolean believed = caption.strip().isPresent()
                || caption.bar().filter(b -> b.thickness() > THIN).isPresent();
        Optional<Rectangle> found = caption.covered().filter(box -> believed && overlaps(sample.field(), box));
        if (found.isEmpty()) {
            return new AskedField(sample, found);
        }
        List<Field.Part> parts = parts(sample.parts(), found.get());
        try {
            Sample without = Sample.of(sample.key(), sample.picture(), parts, sample.scale())
                    .with(sample.hand());
            return new AskedField(without, found);
        } catch (IllegalArgumentException nothingIsLeft) {
            return new AskedField(sample, Optional.empty());
        }
    }

    /** A field without it. */
    public static List<Field.Part> parts(List<Field.Part> field, Rectangle leftOut) {
        List<Field.Part> parts = new ArrayList<>(field);
        parts.add(new Field.Part(leftOut, true));
        return parts;
    }

    private static boolean overlaps(Field field, Rectangle box) {
        for (int y = (int) Math.max(0, box.y()); y < Math.min(field.height(), box.bottom()); y++) {
            for (int x = (int) Math.max(0, box.x()); x < Math.min(field.width(), box.right()); x++) {
                if (field.contains(x, y)) {
                    return true;
                }
            }
        }
        return false;
    }
}
