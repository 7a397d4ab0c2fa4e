package keentally.desk.stage;

import java.util.Map;
import keentally.core.colour.Rgb;
import keentally.core.picture.PhaseMap;
import keentally.core.view.PhaseInks;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.work.Work;

/**
 * How phases are shown.
 *
 * @param own colours that were given to phases, by their names; they hold for flat colours and outlines
 */
public record PhaseSeen(StageModel.PhaseLook look, Map<String, Rgb> own) {
    public PhaseSeen {
        own = Map.copyOf(own);
    }

    /** @param ground what mean colours are taken from */
    public PhasePaint paint(PhaseMap map, Pyramid ground, Work work) {
        int[] inks = switch (look) {
            case FLAT, OUTLINES, SURE -> PhaseInks.flat(map, own);
            case GREYS -> PhaseInks.greys(map.names().size());
            case MEAN -> PhaseInks.mean(map, ground, work);
        };
        return new PhasePaint(map, inks, look == StageModel.PhaseLook.OUTLINES);
    }
}
