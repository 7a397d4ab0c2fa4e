package keentally.desk.stage;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keentally.core.picture.Picture;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Contrast;
import keentally.core.view.Layers;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.model.OpenSample;

/**
 * What is to be painted: a state, how it is shown, and through which window.
 *
 * @param colours of the state's objects, where they are known already
 * @param lens another state in a round hole, where one is held over the picture
 * @param open the sample's own picture, whose pyramid is made already
 */
record Scene(
        State state,
        Optional<ObjectColours> colours,
        Layers.Overlay overlay,
        double strength,
        Optional<Layers.Selected> selected,
        Viewport view,
        Optional<Lens> lens,
        Seen seen,
        Optional<OpenSample> open) {

    /**
     * How the ground is looked at.
     *
     * @param channel one channel of the original; empty for all of what the state holds
     * @param contrast what is black and white; empty for as it is
     * @param phases how phases are shown
     * @param hidden phases that are switched off
     * @param dye the one dye that is seen where dyes are; empty for all
     */
    record Seen(
            Optional<String> channel,
            Optional<Contrast> contrast,
            PhaseSeen phases,
            Set<Integer> hidden,
            Optional<Integer> dye) {
        static final Seen AS_IT_IS = new Seen(
                Optional.empty(),
                Optional.empty(),
                new PhaseSeen(StageModel.PhaseLook.FLAT, Map.of()),
                Set.of(),
                Optional.empty());
    }

    /**
     * A round hole.
     *
     * @param x middle, in window pixels
     * @param y middle
     * @param radius in window pixels
     */
    record Lens(State state, double x, double y, double radius) {}

    /** Masks and objects lie on the original; prepared pictures are shown as they are. */
    static Layers layers(
            State state,
            Optional<ObjectColours> colours,
            Layers.Overlay overlay,
            double strength,
            Optional<Layers.Selected> selected,
            Seen seen,
            Pyramids pyramids,
            Work work) {
        boolean onOriginal = state.seen() != Flow.PICTURE;
        Picture ground = onOriginal ? state.original() : state.current();
        Optional<Pyramid> channel = seen.channel.flatMap(c -> pyramids.of(c, state.original(), work));
        Pyramid asIs = channel.isPresent() ? channel.get() : pyramids.of(ground, state.original(), work);
        Pyramid dyed = seen.dye.filter(d -> !onOriginal).map(asIs::alone).orElse(asIs);
        Pyramid pyramid = seen.contrast.map(dyed::seen).orElse(dyed);
        Optional<ObjectColours> known = colours.or(() -> state.objects().map(ObjectColours::of));
        Layers layers = new Layers(
                pyramid,
                state.field(),
                onOriginal ? state.mask() : Optional.empty(),
                state.objects(),
                known,
                overlay,
                strength,
                selected);
        return state.seen() == Flow.PHASES
                ? layers.with(pyramids.paint(state.needPhases(), seen.phases, asIs, work)
                        .without(seen.hidden))
                : layers;
    }
}
