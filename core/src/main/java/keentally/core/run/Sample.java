package keentally.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.core.step.State;

/**
 * One picture with what is known of it.
 *
 * @param key tells this picture's pixels from any other's: its SHA-256, or a name that is given once
 * @param parts the shapes of the field; none for the whole picture
 * @param field made from the parts
 * @param hand what was done by hand on it, by the ids of the steps of the method in use
 */
public record Sample(
        String key,
        Picture picture,
        List<Field.Part> parts,
        Field field,
        Optional<Scale> scale,
        Map<String, HandWork> hand) {
    public Sample {
        parts = List.copyOf(parts);
        hand = Map.copyOf(hand);
    }

    /** @throws IllegalArgumentException where the field holds no pixel */
    public static Sample of(String key, Picture picture, List<Field.Part> parts, Optional<Scale> scale) {
        return new Sample(key, picture, parts, Field.of(picture.width(), picture.height(), parts), scale, Map.of());
    }

    /** With another scale; empty for none. */
    public Sample with(Optional<Scale> other) {
        return new Sample(key, picture, parts, field, other, hand);
    }

    /** With other hand work, by the id of the step it belongs to. */
    public Sample with(Map<String, HandWork> other) {
        return new Sample(key, picture, parts, field, scale, other);
    }

    State start() {
        return State.of(picture, field, scale);
    }
}
