package keentally.speed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.PicturePoints;
import keentally.core.colour.ColourSpace;
import keentally.core.distance.SquaredDistance;
import keentally.core.filter.Bilateral;
import keentally.core.filter.Gaussian;
import keentally.core.filter.GreyMorphology;
import keentally.core.filter.MedianFilter;
import keentally.core.find.CaptionFinder;
import keentally.core.find.RoundField;
import keentally.core.label.Labeller;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.morphology.Element;
import keentally.core.morphology.FillHoles;
import keentally.core.morphology.Probe;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.region.ObjectSet;
import keentally.core.stats.Histogram;
import keentally.core.threshold.Cut;
import keentally.core.threshold.LocalThreshold;
import keentally.core.threshold.rule.Otsu;
import keentally.core.watershed.GrowRegions;
import keentally.core.watershed.SplitTouching;
import keentally.core.work.Work;

/** What is done to pictures, on drawn ones of any size. */
final class Operations {
    private static final int CUT = 115;

    /** By how much discs are grown so that some touch. */
    private static final double TOUCHING = 7;

    private final Map<String, Operation> all = new LinkedHashMap<>();

    /** One of them, on its picture. */
    @FunctionalInterface
    interface Operation {
        Object run();
    }

    /** @param across discs in a row, and {@code down} in a column */
    Operations(int width, int height, int across, int down, Work work) {
        PlaneF floats = Drawn.floats(width, height, across, down, work);
        Plane8 bytes = Drawn.bytes(floats);
        Plane16 shorts = Drawn.shorts(floats);
        Field field = Field.whole(width, height);
        Mask mask = Cut.bright(CUT).mask(bytes, field, work);
        double cell = (double) width / across / (Drawn.WIDTH / 64.0);
        Mask touching = Probe.of(new Element.Disk(TOUCHING * cell), field, work).dilate(mask);
        Plane8 smooth = Drawn.bytes(Gaussian.of(floats, 2, work));
        PlaneF smoothFloats = Gaussian.of(floats, 2, work);
        ObjectSet objects = ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, work));
        Picture colour = colour(bytes);
        PicturePoints points = PicturePoints.of(colour, colour, field, ColourSpace.LAB, 0, work)
                .orElseThrow();
        List<Measure> plain = new ArrayList<>(Arrays.asList(Measure.values()));
        plain.removeIf(m -> m.group() == Measure.Group.COLOUR || m == Measure.SKELETON_LENGTH);
        all.put("copy of the floats", () -> floats.values().clone());
        all.put("histogram and Otsu, 8 bit", () -> Otsu.cut(Histogram.of(bytes, field, work)));
        all.put("histogram and Otsu, 16 bit", () -> Otsu.cut(Histogram.of(shorts, field, work)));
        all.put("threshold", () -> Cut.bright(CUT).mask(bytes, field, work));
        all.put("labelling", () -> Labeller.regions(mask, Neighbours.EIGHT, work));
        all.put("fill holes", () -> FillHoles.of(mask, field, Double.POSITIVE_INFINITY, work));
        all.put("Gaussian, sigma 2", () -> Gaussian.of(bytes, 2, work));
        all.put("Gaussian, sigma 20", () -> Gaussian.of(bytes, 20, work));
        all.put("exact distance", () -> SquaredDistance.to(mask, work));
        all.put(
                "erosion by a disk of radius 16",
                () -> Probe.of(new Element.Disk(16), field, work).erode(mask));
        all.put("skeleton", () -> Skeleton.of(mask, work));
        all.put("median, radius 10, 8 bit", () -> MedianFilter.of(bytes, 10, work));
        all.put("median, radius 10, 16 bit", () -> MedianFilter.of(shorts, 10, work));
        all.put("bilateral, sigma 2", () -> Bilateral.of(List.of(bytes), 2, 20, work));
        all.put(
                "grey opening, radius 16",
                () -> GreyMorphology.disk(16, Optional.empty()).opening(bytes, work));
        all.put(
                "local threshold, radius 25",
                () -> LocalThreshold.of(bytes, field, LocalThreshold.Rule.SAUVOLA, 25, 0.5, true, work));
        all.put("round field", () -> RoundField.find(colour, work));
        all.put("caption and bar", () -> CaptionFinder.find(colour, work));
        all.put(
                "split by outline",
                () -> SplitTouching.byOutline(touching, field, new SplitTouching.Begin.Deep(1), work));
        all.put("grow from minima, 8 bit", () -> GrowRegions.fromMinima(field, smooth, 60, work));
        all.put("grow from minima, float", () -> GrowRegions.fromMinima(field, smoothFloats, 60, work));
        all.put(
                "measures without colour and skeleton",
                () -> ObjectTable.of(objects, plain, Ground.grey(bytes, field), work));
        all.put(
                "all measures",
                () -> ObjectTable.of(objects, List.of(Measure.values()), new Ground(bytes, colour, field), work));
        all.put("clusters of 2 to 12", () -> ClusterTrials.of(points.points(), 12, 3, 1, work));
    }

    private static Picture colour(Plane8 bytes) {
        byte[] red = bytes.values();
        byte[] green = new byte[red.length];
        byte[] blue = new byte[red.length];
        for (int i = 0; i < red.length; i++) {
            green[i] = (byte) ((red[i] & 0xff) / 2 + i / 7 % 97);
            blue[i] = (byte) (200 - (red[i] & 0xff) / 2);
        }
        int width = bytes.width();
        int height = bytes.height();
        return Picture.colour(bytes, Plane8.of(width, height, green), Plane8.of(width, height, blue));
    }

    Map<String, Operation> all() {
        return all;
    }

    /** Those that look at objects, and cost with their number. */
    static boolean isOfObjects(String name) {
        return List.of(
                        "labelling",
                        "fill holes",
                        "split by outline",
                        "measures without colour and skeleton",
                        "all measures")
                .contains(name);
    }
}
