package keentally.study.result;

import java.util.Optional;
import keentally.core.picture.Picture;
import keentally.core.run.Readings;
import keentally.core.view.Layers;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;

/** The picture with outlines and numbers, at its own resolution, painted as on the stage. */
final class Overlay {
    private Overlay() {}

    static int[] paint(Picture picture, Readings readings, Work work) {
        Optional<ObjectColours> colours = readings.state().objects().map(ObjectColours::of);
        Layers layers = new Layers(
                Pyramid.of(picture, work),
                readings.state().field(),
                Optional.empty(),
                readings.state().objects(),
                colours,
                Layers.Overlay.NUMBERS,
                0,
                Optional.empty());
        Viewport whole = new Viewport(0, 0, 1, picture.width(), picture.height());
        return StageComposer.compose(layers, whole, work);
    }
}
