package keentally.study.result;

import java.util.Set;
import keentally.core.picture.Picture;
import keentally.core.run.Readings;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StateLayers;
import keentally.core.work.Work;

/** The picture at its own resolution, painted as on the stage: with outlines and numbers, or with the phases that the method ends in. */
final class Overlay {
    private Overlay() {}

    static Layers of(Picture picture, Readings readings, Work work) {
        Look look = new Look(Look.Overlay.OUTLINES, Set.of(Look.Mark.NUMBERS), 0, false);
        return StateLayers.of(readings.state(), Pyramid.of(picture, work), look, StateLayers.Palette.PLAIN);
    }
}
