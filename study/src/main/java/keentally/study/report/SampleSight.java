package keentally.study.report;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.agree.Agreement;
import keentally.core.agree.Matching;
import keentally.core.hand.Marks;
import keentally.core.picture.Picture;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.study.picture.PictureWriter;
import keentally.study.run.SampleRun;

/**
 * What a report shows of a sample that is not in its record.
 *
 * @param bare the picture as JPEG, with a scale bar where it has a scale
 * @param outlined with what its method found; empty where it could not be run
 * @param agreements of the objects with what was counted by hand, by counter
 * @param reach within which a mark and an object matched, in pixels
 */
record SampleSight(byte[] bare, Optional<byte[]> outlined, SortedMap<String, Agreement> agreements, double reach) {
    /** Wide enough for half a page at 300 dots an inch. */
    private static final int WIDTH = 1000;

    private static final int HEIGHT = 1000;

    SampleSight {
        agreements = Collections.unmodifiableSortedMap(new TreeMap<>(agreements));
    }

    static SampleSight of(Picture picture, SampleRun ran, Map<String, Marks> tallies, double reach, Work work) {
        Pyramid pyramid = Pyramid.of(picture, work);
        PixelSize size = ran.record()
                .told(ran.run().method().unit().isReal() ? ran.run().method().unit() : ScaleBar.USUAL_UNIT);
        Layers bare = Layers.bare(pyramid, ran.run().sample().field());
        Optional<byte[]> outlined = ran.readings()
                .map(r -> StateLayers.of(
                        r.state(), pyramid, new Look(Look.Overlay.OUTLINES, 0), StateLayers.Palette.PLAIN))
                .map(layers -> shot(picture, layers, size, work));
        SortedMap<String, Agreement> agreements = new TreeMap<>();
        Optional<ObjectSet> objects = ran.objects();
        if (objects.isPresent()) {
            tallies.forEach((counter, marks) ->
                    agreements.put(counter, Matching.withObjects(marks.places(), objects.get(), reach)));
        }
        return new SampleSight(shot(picture, bare, size, work), outlined, agreements, reach);
    }

    private static byte[] shot(Picture picture, Layers layers, PixelSize size, Work work) {
        Viewport view = Viewport.fit(picture.width(), picture.height(), WIDTH, HEIGHT);
        int width = Math.clamp(Math.round(picture.width() * view.zoom()), 1, WIDTH);
        int height = Math.clamp(Math.round(picture.height() * view.zoom()), 1, HEIGHT);
        int[] colours = StageComposer.compose(layers, new Viewport(0, 0, view.zoom(), width, height), work);
        ScaleBar.paint(colours, width, height, view.zoom(), size);
        return PictureWriter.jpegBytes(width, height, colours);
    }
}
