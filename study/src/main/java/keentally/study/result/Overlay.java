package keentally.study.result;

import java.util.Set;
import keentally.core.picture.Picture;
import keentally.core.run.Readings;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.work.Work;

/** The picture at its own resolution, painted as on the stage: with outlines and numbers, or with the phases that the method ends in. */
final class Overlay {
    private Overlay() {}

    static int[] paint(Picture picture, Readings readings, Work work) {
        Look look = new Look(Look.Overlay.OUTLINES, Set.of(Look.Mark.NUMBERS), 0, false);
        Layers layers = StateLayers.of(readings.state(), Pyramid.of(picture, work), look, StateLayers.Palette.PLAIN);
        Viewport whole = new Viewport(0, 0, 1, picture.width(), picture.height());
        return StageComposer.compose(layers, whole, work);
    }
}
