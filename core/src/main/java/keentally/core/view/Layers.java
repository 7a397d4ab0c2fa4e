package keentally.core.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.region.ObjectSet;

/**
 * What is to be seen.
 *
 * @param picture the ground
 * @param field what lies outside is dimmed
 * @param look how what is laid on the ground is shown
 * @param on what is laid on the ground, the lowest first
 */
public record Layers(Pyramid picture, Field field, Look look, List<Layer> on) {
    public Layers {
        on = List.copyOf(on);
    }

    /** The picture, and how what is laid on it is to be shown. */
    public static Layers of(Pyramid picture, Field field, Look look) {
        return new Layers(picture, field, look, List.of());
    }

    /** The picture alone. */
    public static Layers bare(Pyramid picture, Field field) {
        return of(picture, field, Look.BARE);
    }

    /** With one more on top. */
    public Layers with(Layer top) {
        List<Layer> more = new ArrayList<>(on);
        more.add(top);
        return new Layers(picture, field, look, more);
    }

    /** With a mask on top. */
    public Layers with(Mask mask) {
        return with(new Layer.ChosenMask(mask));
    }

    /** With objects on top. */
    public Layers with(ObjectSet objects, ObjectColours colours) {
        return with(new Layer.ColouredObjects(objects, colours));
    }

    /** Some of the layers, looked at in another way. */
    public Layers only(Predicate<Layer> which, Look other) {
        return new Layers(picture, field, other, on.stream().filter(which).toList());
    }

    /** The lowest of a kind. */
    public <L extends Layer> Optional<L> find(Class<L> kind) {
        return on.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }
}
