package keentally.core.measure;

import java.util.List;
import java.util.Optional;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.quantity.Scale;

/**
 * What objects are measured on.
 *
 * @param signal the plane that brightness is taken from
 * @param original the picture that colours are taken from; without colour those measures are empty
 * @param field where the objects were looked for
 * @param scale for numbers in real units in formulas
 */
public record Ground(Plane signal, Picture original, Field field, Optional<Scale> scale) {
    /** Without a scale. */
    public Ground(Plane signal, Picture original, Field field) {
        this(signal, original, field, Optional.empty());
    }

    /** Without colours. */
    public static Ground grey(Plane signal, Field field) {
        return new Ground(signal, Picture.grey(signal), field);
    }

    /** Red, green and blue, or nothing. */
    List<Plane> colours() {
        return original.isColour()
                ? List.of(
                        original.channel(Channel.RED).orElseThrow(),
                        original.channel(Channel.GREEN).orElseThrow(),
                        original.channel(Channel.BLUE).orElseThrow())
                : List.of();
    }
}
