package keentally.desk.stage;

import java.util.LinkedHashMap;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Function;
import java.util.function.Supplier;
import keentally.core.colour.ChannelPlane;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.region.ObjectSet;
import keentally.core.run.StateCache;
import keentally.core.view.Layer;
import keentally.core.view.ObjectColours;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.work.Work;

/** What takes a pass over the picture to be shown, kept: pyramids by their channels, colours, changes. For the painting thread alone. */
final class Pyramids {
    private static final int KEPT = 4;

    private final SequencedMap<Picture, Held> known = new LinkedHashMap<>();
    private final SequencedMap<ChannelKey, Held> channels = new LinkedHashMap<>();
    private final Function<HoldsBuffers, StateCache.Hold> memory;

    /** @param memory counts what is kept here */
    Pyramids(Function<HoldsBuffers, StateCache.Hold> memory) {
        this.memory = memory;
    }

    private record Held(Pyramid pyramid, StateCache.Hold hold) {}

    private record ChannelKey(Picture original, String channel) {}

    /** One that somebody else has made already. */
    void know(Picture picture, Pyramid pyramid) {
        if (!known.containsKey(picture)) {
            keep(known, picture, pyramid);
        }
    }

    /** Of one channel of a sample; empty where it has none of that name. */
    Optional<Pyramid> of(String channel, Picture original, Work work) {
        ChannelKey key = new ChannelKey(original, channel);
        Optional<Pyramid> pyramid = Optional.ofNullable(channels.get(key))
                .map(Held::pyramid)
                .or(() -> ChannelPlane.of(original, channel, work).map(p -> Pyramid.of(p, original, work)));
        pyramid.ifPresent(p -> keep(channels, key, p));
        return pyramid;
    }

    /** @param original what {@code picture} was made from, or itself */
    Pyramid of(Picture picture, Picture original, Work work) {
        Held held = known.get(picture);
        Pyramid pyramid = held == null ? null : held.pyramid;
        if (pyramid == null) {
            pyramid = picture.equals(original)
                    ? Pyramid.of(picture, work)
                    : Pyramid.of(picture, of(original, original, work).tone(), work);
        }
        keep(known, picture, pyramid);
        return pyramid;
    }

    private PhaseMap painted;
    private PhaseSeen paintedAs;
    private PhasePaint paint;

    /** How a phase map is painted; the last one is kept, since mean colours take a pass over the picture. */
    PhasePaint paint(PhaseMap map, PhaseSeen seen, Pyramid ground, Work work) {
        if (map != painted || !seen.equals(paintedAs)) {
            paint = seen.paint(map, ground, work);
            painted = map;
            paintedAs = seen;
        }
        return paint;
    }

    private record ColourKey(ObjectSet objects, Object by) {}

    private ColourKey coloured;
    private ObjectColours colours;

    /** Colours that tell objects apart; the last ones are kept. */
    ObjectColours colours(ObjectSet objects, int again) {
        return kept(new ColourKey(objects, again), () -> ObjectColours.of(objects, again));
    }

    /** Mean colours of objects as the ground shows them; the last ones are kept. */
    ObjectColours means(ObjectSet objects, Pyramid ground, Work work) {
        return kept(new ColourKey(objects, ground), () -> ObjectColours.means(objects, ground, work));
    }

    /** Colours by a measure; the last ones are kept. */
    ObjectColours filled(ObjectSet objects, MeasureFill by) {
        return kept(new ColourKey(objects, by), by::colours);
    }

    private ObjectColours kept(ColourKey wanted, Supplier<ObjectColours> made) {
        boolean known = coloured != null && coloured.objects == wanted.objects && coloured.by.equals(wanted.by);
        if (!known) {
            colours = made.get();
            coloured = wanted;
        }
        return colours;
    }

    private Mask changedFrom;
    private Mask changedTo;
    private Layer.Change change;

    /** What became of a mask; the last one is kept. */
    Layer.Change change(Mask before, Mask after) {
        if (before != changedFrom || after != changedTo) {
            change = Layer.Change.of(before, after);
            changedFrom = before;
            changedTo = after;
        }
        return change;
    }

    /** As the newest; the oldest goes where there are too many. */
    private <K> void keep(SequencedMap<K, Held> pyramids, K key, Pyramid pyramid) {
        Held before = pyramids.remove(key);
        pyramids.put(key, before == null ? new Held(pyramid, memory.apply(pyramid)) : before);
        if (pyramids.size() > KEPT) {
            pyramids.pollFirstEntry().getValue().hold.close();
        }
    }

    /** Lets go of everything. */
    void close() {
        known.values().forEach(h -> h.hold.close());
        channels.values().forEach(h -> h.hold.close());
        known.clear();
        channels.clear();
    }
}
