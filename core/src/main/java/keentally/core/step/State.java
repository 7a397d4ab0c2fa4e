package keentally.core.step;

import java.util.HashMap;
import java.util.Map;
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
import keentally.core.picture.Probabilities;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.stats.Histogram;
import keentally.core.watershed.Divides;
import keentally.core.work.Work;

/**
 * What is carried along a method: the sample's picture, field and scale, and a slot for each kind of thing that steps make. Giving one kind
 * empties the slots of what is made of it; a picture step empties none; objects set the mask to the union of those that are kept.
 */
public final class State implements HoldsBuffers {
    /** The name of the signal that is the picture as the steps left it. */
    public static final String PREPARED = "prepared";

    private final Picture original;
    private final Field field;
    private final Optional<Scale> scale;
    private final Map<Slot<?>, HoldsBuffers> slots;
    private final Optional<OpenPart> part;

    /** Made when it is first asked for; whoever comes at the same time makes the same. */
    private volatile Histogram histogram;

    private State(
            Picture original,
            Field field,
            Optional<Scale> scale,
            Map<Slot<?>, HoldsBuffers> slots,
            Optional<OpenPart> part) {
        this.original = original;
        this.field = field;
        this.scale = scale;
        this.slots = slots;
        this.part = part;
    }

    /** Before the first step. */
    public static State of(Picture picture, Field field, Optional<Scale> scale) {
        if (field.width() != picture.width() || field.height() != picture.height()) {
            throw new IllegalArgumentException("a field of " + field.width() + " × " + field.height()
                    + " does not fit a picture of " + picture.width() + " × " + picture.height());
        }
        return new State(picture, field, scale, Map.of(Slot.PICTURE, picture), Optional.empty());
    }

    /** A picture made of several, for what hangs on its values alone. @param original tells the depth that they came in */
    static State joined(Picture current, Field field, Picture original) {
        return new State(original, field, Optional.empty(), Map.of(Slot.PICTURE, current), Optional.empty());
    }

    /** The sample's picture. */
    public Picture original() {
        return original;
    }

    /** What counts of it. */
    public Field field() {
        return field;
    }

    public Optional<Scale> scale() {
        return scale;
    }

    /** What stands in a slot. */
    @SuppressWarnings("unchecked") // only with() fills it, with what the slot is for
    public <T extends HoldsBuffers> Optional<T> find(Slot<T> slot) {
        return Optional.ofNullable((T) slots.get(slot));
    }

    private <T extends HoldsBuffers> State with(Slot<T> slot, T value) {
        Map<Slot<?>, HoldsBuffers> next = new HashMap<>(slots);
        next.keySet().removeAll(slot.behind());
        next.put(slot, value);
        return new State(original, field, scale, next, part);
    }

    /** The picture as the steps left it. */
    public Picture current() {
        return find(Slot.PICTURE).orElseThrow();
    }

    public Optional<PhaseMap> phases() {
        return find(Slot.PHASES);
    }

    /** How sure a learner was of the phases; gone once others were made. */
    public Optional<Probabilities> probabilities() {
        return find(Slot.PROBABILITIES);
    }

    public Optional<Mask> mask() {
        return find(Slot.MASK);
    }

    public Optional<ObjectSet> objects() {
        return find(Slot.OBJECTS);
    }

    /** Masks that were set aside, by name, the oldest first. */
    public SequencedMap<String, Mask> aside() {
        return find(Slot.ASIDE).orElse(AsideMasks.NONE).byName();
    }

    /** The state after a step that makes a picture. */
    public State give(Picture picture) {
        return with(Slot.PICTURE, picture);
    }

    /** The state after a step that parts the field into phases. */
    public State give(PhaseMap map) {
        return with(Slot.PHASES, map);
    }

    /** The state after a step that parts the field into phases, and says how sure it is. */
    public State give(PhaseMap map, Probabilities sure) {
        return give(map).with(Slot.PROBABILITIES, sure);
    }

    /** The state after a step that chooses places. */
    public State give(Mask chosen) {
        return with(Slot.MASK, field.clip(chosen));
    }

    /** With where the mask can part. */
    State give(Divides divides) {
        return with(Slot.DIVIDES, divides);
    }

    /** The state after a step that tells objects apart. */
    public State give(ObjectSet found) {
        return with(Slot.MASK, found.mask()).with(Slot.OBJECTS, found);
    }

    /** The mask as it is, whatever objects are told apart in it. */
    public State maskAlone() {
        return with(Slot.MASK, needMask());
    }

    /** With a mask kept under a name; another one of that name is let go of. */
    public State aside(String name, Mask kept) {
        return with(Slot.ASIDE, find(Slot.ASIDE).orElse(AsideMasks.NONE).and(name, kept));
    }

    /** With the field made smaller: only what lies in {@code inside} counts from here on. */
    public State narrow(Mask inside, Work work) {
        Map<Slot<?>, HoldsBuffers> next = new HashMap<>(slots);
        phases().ifPresent(p -> next.put(Slot.PHASES, p.within(inside, work)));
        next.put(Slot.MASK, inside);
        return new State(original, Field.of(inside), scale, next, Optional.of(new OpenPart(this, next)));
    }

    /** What is worked on by itself just now, the innermost. */
    Optional<OpenPart> part() {
        return part;
    }

    /** With another scale. */
    State with(Optional<Scale> other) {
        return new State(original, field, other, slots, part);
    }

    /** With these masks set aside, and no others. */
    State asideAll(AsideMasks masks) {
        return with(Slot.ASIDE, masks);
    }

    /** The same outcome on a sample whose field and scale took no part in it. */
    public State on(Field otherField, Optional<Scale> otherScale) {
        return otherField == field && otherScale.equals(scale)
                ? this
                : new State(original, otherField, otherScale, slots, part);
    }

    /** No way through the picture is longer: a length beyond it reaches no farther than this. */
    public double reach() {
        return (double) original.width() + original.height();
    }

    /** The last kind that the state holds. */
    public Flow flow() {
        return objects().isPresent()
                ? Flow.OBJECTS
                : mask().isPresent() ? Flow.MASK : phases().isPresent() ? Flow.PHASES : Flow.PICTURE;
    }

    /** As {@link #flow}, but for the very mask that became the field when a step went on within it: that tells no more than the picture. */
    public Flow seen() {
        boolean isField = objects().isEmpty()
                && mask().isPresent()
                && field.inside().filter(f -> f == mask().get()).isPresent();
        return isField ? Flow.PICTURE : flow();
    }

    /**
     * The current picture's only plane.
     *
     * @throws StepFault where it has several, saying which step to add
     */
    public Plane plane() throws StepFault {
        return current()
                .single()
                .orElseThrow(() -> new StepFault("needs one channel, but the picture has "
                        + current().channelNames() + "; add a 'channel' step before it, for example of grey"));
    }

    /** How often each value of the current picture's only plane occurs in the field; made once. Empty where there are several planes. */
    public Optional<Histogram> histogram(Work work) {
        if (histogram == null && current().single().isPresent()) {
            histogram = Histogram.of(current().single().get(), field, work);
        }
        return Optional.ofNullable(histogram);
    }

    /**
     * The current picture's colours.
     *
     * @throws StepFault where it has none
     */
    public ColourRows colours() throws StepFault {
        return ColourRows.of(current(), original)
                .orElseThrow(() -> new StepFault("needs a colour picture, but the picture has "
                        + current().channelNames() + "; a threshold or levels can part it"));
    }

    /**
     * How often each value of the only plane occurs in the field.
     *
     * @throws StepFault where there are several planes, or no value that is a number
     */
    public Histogram needHistogram(Work work) throws StepFault {
        plane();
        Histogram values = histogram(work).orElseThrow();
        if (values.total() == 0) {
            throw new StepFault("needs values, but no pixel of the field holds a number");
        }
        return values;
    }

    /** The phases, which the order of steps has made sure of. */
    public PhaseMap needPhases() {
        return phases().orElseThrow(() -> new IllegalStateException("no phases have been given"));
    }

    /** The mask, which the order of steps has made sure of. */
    public Mask needMask() {
        return mask().orElseThrow(() -> new IllegalStateException("no mask has been given"));
    }

    /**
     * A mask that was set aside.
     *
     * @throws StepFault where there is none of this name, saying which there are
     */
    public Mask needAside(String name) throws StepFault {
        return Optional.ofNullable(aside().get(name))
                .orElseThrow(() -> new StepFault("finds no mask set aside as '" + name + "'; "
                        + (aside().isEmpty()
                                ? "add a 'set-aside' step before it"
                                : "there is " + String.join(", ", aside().keySet()))));
    }

    /** The objects, which the order of steps has made sure of. */
    public ObjectSet needObjects() {
        return objects().orElseThrow(() -> new IllegalStateException("no objects have been given"));
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
        field.inside().ifPresent(buffers::add);
        slots.values().forEach(buffers::add);
        part.ifPresent(p -> buffers.add(p.before()));
        if (histogram != null) {
            buffers.add(histogram, histogram.bytes());
        }
    }
}
