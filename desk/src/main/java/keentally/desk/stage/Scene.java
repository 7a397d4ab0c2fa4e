package keentally.desk.stage;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.region.ObjectSet;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Contrast;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.model.OpenSample;

/**
 * What is to be painted: a state, how it is shown, and through which window.
 *
 * @param before the mask that the station of the state began with, where it turns a mask into another
 * @param look how mask and objects are shown
 * @param tally what was counted by hand, where that is looked at
 * @param over what is laid over that: what a learner is taught and took from it, markers, outlines of other masks
 * @param lens another state in a round hole, where one is held over the picture
 * @param open the sample's own picture, whose pyramid is made already
 */
public record Scene(
        State state,
        Optional<Mask> before,
        Look look,
        Optional<Layer.SelectedObjects> selected,
        Optional<Layer.Tally> tally,
        List<Layer> over,
        Viewport view,
        Optional<Lens> lens,
        SceneLook seen,
        Optional<OpenSample> open) {

    /**
     * How the ground is looked at.
     *
     * @param channel one channel of the original; empty for all of what the state holds
     * @param contrast what is black and white; empty for as it is
     * @param phases how phases are shown
     * @param hidden phases that are switched off
     * @param dye the one dye that is seen where dyes are; empty for all
     * @param again how often the objects' colours were drawn again
     * @param fill the measure that objects are filled by
     */
    public record SceneLook(
            Optional<String> channel,
            Optional<Contrast> contrast,
            PhaseSeen phases,
            Set<Integer> hidden,
            Optional<Integer> dye,
            int again,
            Optional<MeasureFill> fill) {
        static final SceneLook AS_IT_IS = new SceneLook(
                Optional.empty(),
                Optional.empty(),
                new PhaseSeen(StageModel.PhaseLook.FLAT, Map.of()),
                Set.of(),
                Optional.empty(),
                0,
                Optional.empty());
    }

    /**
     * A round hole.
     *
     * @param x middle, in window pixels
     * @param y middle
     * @param radius in window pixels
     */
    public record Lens(State state, double x, double y, double radius) {}

    /** Masks and objects lie on the original; prepared pictures are shown as they are. */
    static Layers layers(State state, Look look, SceneLook seen, Pyramids pyramids, Work work) {
        boolean onOriginal = StateLayers.isOnOriginal(state);
        Picture ground = onOriginal ? state.original() : state.current();
        Optional<Pyramid> channel = seen.channel.flatMap(c -> pyramids.of(c, state.original(), work));
        Pyramid asIs = channel.isPresent() ? channel.get() : pyramids.of(ground, state.original(), work);
        Pyramid dyed = seen.dye.filter(d -> !onOriginal).map(asIs::alone).orElse(asIs);
        Pyramid pyramid = seen.contrast.map(dyed::seen).orElse(dyed);
        Layers all = StateLayers.of(state, pyramid, look, new StateLayers.Palette() {
            @Override
            public PhasePaint phases(PhaseMap map) {
                return pyramids.paint(map, seen.phases, asIs, work).without(seen.hidden);
            }

            @Override
            public ObjectColours objects(ObjectSet objects) {
                Optional<MeasureFill> by = seen.fill.filter(f -> f.isOf(objects));
                if (by.isPresent()) {
                    return pyramids.filled(objects, by.get());
                }
                return look.meanFill() && seen.fill.isEmpty()
                        ? pyramids.means(objects, asIs, work)
                        : pyramids.colours(objects, seen.again);
            }
        });
        return seen.phases.look() == StageModel.PhaseLook.SURE && state.seen() == Flow.PHASES
                ? state.probabilities().map(p -> all.with(new Layer.Doubt(p))).orElse(all)
                : all;
    }

    /** This scene's layers, to be made away from the interface thread, where nothing of them is kept. */
    public Function<Work, Layers> made() {
        return work -> {
            Pyramids own = new Pyramids(passing -> () -> {});
            open.ifPresent(o -> own.know(o.file().picture(), o.pyramid()));
            return layers(own, work);
        };
    }

    /** This scene's layers: its state's, what its station changed, and what is selected. */
    Layers layers(Pyramids pyramids, Work work) {
        Layers layers = layers(state, look, seen, pyramids, work);
        Optional<Mask> after = state.seen() == Flow.MASK ? state.mask() : Optional.empty();
        Layers changed = before.isPresent() && after.isPresent()
                ? layers.with(pyramids.change(before.get(), after.get()))
                : layers;
        Layers chosen = selected.map(changed::with).orElse(changed);
        for (Layer layer : over) {
            chosen = chosen.with(layer);
        }
        return tally.isPresent() ? chosen.with(tally.get()) : chosen;
    }
}
