package keentally.core.step;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Optional;
import java.util.SequencedMap;
import keentally.core.colour.ChannelPlane;
import keentally.core.colour.ColourRows;
import keentally.core.measure.Ground;
import keentally.core.picture.Buffers;
import keentally.core.picture.Field;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;

/**
 * What is carried along a method. Giving one kind clears what stands behind it in {@link Flow}; a picture step clears
 * nothing; objects set the mask to the union of those that are kept.
 *
 * @param original the sample's picture
 * @param current the picture as the steps left it
 * @param aside masks that were set aside, by name, the oldest first
 */
public record State(
        Picture original,
        Picture current,
        Field field,
        Optional<Scale> scale,
        Optional<PhaseMap> phases,
        Optional<Mask> mask,
        Optional<ObjectSet> objects,
        SequencedMap<String, Mask> aside)
        implements HoldsBuffers {

    private static final SequencedMap<String, Mask> NOTHING =
            Collections.unmodifiableSequencedMap(new LinkedHashMap<>());

    /** The name of the signal that is the picture as the steps left it. */
    public static final String PREPARED = "prepared";

    public State {
        aside = Collections.unmodifiableSequencedMap(aside);
    }

    /** Before the first step. */
    public static State of(Picture picture, Field field, Optional<Scale> scale) {
        if (field.width() != picture.width() || field.height() != picture.height()) {
            throw new IllegalArgumentException("a field of " + field.width() + " × " + field.height()
                    + " does not fit a picture of " + picture.width() + " × " + picture.height());
        }
        return new State(picture, picture, field, scale, Optional.empty(), Optional.empty(), Optional.empty(), NOTHING);
    }

    /** The state after a step that makes a picture. */
    public State give(Picture picture) {
        return new State(original, picture, field, scale, phases, mask, objects, aside);
    }

    /** The state after a step that parts the field into phases. */
    public State give(PhaseMap map) {
        return new State(original, current, field, scale, Optional.of(map), Optional.empty(), Optional.empty(), aside);
    }

    /** The state after a step that chooses places. */
    public State give(Mask chosen) {
        return new State(
                original, current, field, scale, phases, Optional.of(field.clip(chosen)), Optional.empty(), aside);
    }

    /** The state after a step that tells objects apart. */
    public State give(ObjectSet found) {
        return new State(original, current, field, scale, phases, Optional.of(found.mask()), Optional.of(found), aside);
    }

    /** With a mask kept under a name; another one of that name is let go of. */
    public State aside(String name, Mask kept) {
        SequencedMap<String, Mask> more = new LinkedHashMap<>(aside);
        more.remove(name);
        more.put(name, kept);
        return new State(original, current, field, scale, phases, mask, objects, more);
    }

    /** With the field made smaller: only what lies in {@code inside} counts from here on. */
    public State narrow(Mask inside, Work work) {
        return new State(
                original,
                current,
                Field.of(inside),
                scale,
                phases.map(p -> p.within(inside, work)),
                Optional.of(inside),
                objects,
                aside);
    }

    /** The same outcome on a sample whose field and scale took no part in it. */
    public State on(Field otherField, Optional<Scale> otherScale) {
        return new State(original, current, otherField, otherScale, phases, mask, objects, aside);
    }

    /** No way through the picture is longer: a length beyond it reaches no farther than this. */
    public double reach() {
        return (double) original.width() + original.height();
    }

    /** The last kind that the state holds. */
    public Flow flow() {
        return objects.isPresent()
                ? Flow.OBJECTS
                : mask.isPresent() ? Flow.MASK : phases.isPresent() ? Flow.PHASES : Flow.PICTURE;
    }

    /** As {@link #flow}, but for the very mask that became the field when a step went on within it: that tells no more than the picture. */
    public Flow seen() {
        boolean isField = objects.isEmpty()
                && mask.isPresent()
                && field.inside().filter(f -> f == mask.get()).isPresent();
        return isField ? Flow.PICTURE : flow();
    }

    /**
     * The current picture's only plane.
     *
     * @throws StepFault where it has several, saying which step to add
     */
    public Plane plane() throws StepFault {
        return current.single()
                .orElseThrow(() -> new StepFault("needs one channel, but the picture has " + current.channelNames()
                        + "; add a 'channel' step before it, for example of grey"));
    }

    /**
     * The current picture's colours.
     *
     * @throws StepFault where it has none
     */
    public ColourRows colours() throws StepFault {
        return ColourRows.of(current, original)
                .orElseThrow(() -> new StepFault("needs a colour picture, but the picture has " + current.channelNames()
                        + "; a threshold or levels can part it"));
    }

    /** The phases, which the order of steps has made sure of. */
    public PhaseMap needPhases() {
        return phases.orElseThrow(() -> new IllegalStateException("no phases have been given"));
    }

    /** The mask, which the order of steps has made sure of. */
    public Mask needMask() {
        return mask.orElseThrow(() -> new IllegalStateException("no mask has been given"));
    }

    /** The objects, which the order of steps has made sure of. */
    public ObjectSet needObjects() {
        return objects.orElseThrow(() -> new IllegalStateException("no objects have been given"));
    }

    /**
     * The plane that brightness is read from: a channel of the original, its grey, or the prepared picture's only plane.
     *
     * @throws StepFault where there is no such channel, saying which there are
     */
    public Plane signal(String name, Work work) throws StepFault {
        return name.equals(PREPARED)
                ? plane()
                : ChannelPlane.of(original, name, work)
                        .orElseThrow(() -> new StepFault("takes brightness from '" + name + "', but the picture has "
                                + original.channelNames()));
    }

    /**
     * What objects are measured on.
     *
     * @throws StepFault where there is no such channel
     */
    public Ground ground(String signal, Work work) throws StepFault {
        return new Ground(signal(signal, work), original, field, scale);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(original);
        buffers.add(current);
        field.inside().ifPresent(buffers::add);
        phases.ifPresent(p -> buffers.add(p.map()));
        mask.ifPresent(buffers::add);
        objects.ifPresent(buffers::add);
        aside.values().forEach(buffers::add);
    }
}
