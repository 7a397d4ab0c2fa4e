package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.agree.Agreement;
import keentally.core.agree.Matching;
import keentally.core.hand.Marks;
import keentally.core.picture.Picture;
import keentally.core.quantity.PixelSize;
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
 * @param agreements of the objects with what was counted by hand
 * @param reach within which a mark and an object matched, in pixels
 */
record SampleSight(byte[] bare, Optional<byte[]> outlined, List<Counted> agreements, double reach) {
    /** Wide enough for half a page at 300 dots an inch. */
    private static final int WIDTH = 1000;

    private static final int HEIGHT = 1000;

    SampleSight {
        agreements = List.copyOf(agreements);
    }

    /**
     * What somebody counted, held against the objects.
     *
     * @param kind the id of the class, whose marks alone are held against them; a method may be after one of several
     */
    record Counted(String counter, String kind, Agreement agreement) {}

    static SampleSight of(Picture picture, SampleRun ran, Map<String, Marks> tallies, double reach, Work work) {
        Pyramid pyramid = Pyramid.of(picture, work);
        PixelSize size = ran.record()
                .told(ran.run().method().unit().isReal() ? ran.run().method().unit() : ScaleBar.USUAL_UNIT);
        Layers bare = Layers.bare(pyramid, ran.run().sample().field());
        Optional<byte[]> outlined = ran.readings()
                .map(r -> StateLayers.of(
                        r.state(), pyramid, new Look(Look.Overlay.OUTLINES, 0), StateLayers.Palette.PLAIN))
                .map(layers -> shot(picture, layers, size, work));
        List<Counted> agreements = new ArrayList<>();
        ran.objects()
                .ifPresent(objects -> tallies.forEach((counter, marks) -> marks.counts()
                        .keySet()
                        .forEach(kind -> agreements.add(new Counted(
                                counter,
                                kind,
                                Matching.withObjects(marks.ofKind(kind).places(), objects, reach))))));
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
