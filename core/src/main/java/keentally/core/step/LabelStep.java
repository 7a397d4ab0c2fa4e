package keentally.core.step;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.geometry.Point;
import keentally.core.label.Joining;
import keentally.core.label.Labeller;
import keentally.core.picture.Neighbours;
import keentally.core.quantity.Length;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.Setting;

/** Makes an object of every connected piece of the mask, and numbers them. */
public record LabelStep(Neighbours neighbours, Length joinWithin, Number number) implements Step {
    public static final String ID = "label";
    /** The order in which objects are numbered; equal ones stay in reading order. */
    public enum Number {
        /** By their first pixels, row by row. */
        READING,
        /** Counter-clockwise from the right, round the centroid of all that is chosen, by their own centroids. */
        ANGLE,
        /** The largest first. */
        SIZE
    }

    public static final ChoiceSetting<Neighbours> NEIGHBOURS = ChoiceSetting.of("neighbours", Neighbours.EIGHT);
    private static final LengthSetting JOIN_WITHIN = LengthSetting.of("joinWithin", "0 px");
    private static final ChoiceSetting<Number> NUMBER = ChoiceSetting.of("number", Number.READING);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.MASK,
            Flow.OBJECTS,
            Set.of(Use.SCALE),
            List.<Setting<?>>of(NEIGHBOURS, JOIN_WITHIN, NUMBER),
            v -> new LabelStep(v.get(NEIGHBOURS), v.get(JOIN_WITHIN), v.get(NUMBER)));

    /** What is done, without a station, where objects are asked for and nothing labelled them. */
    public static final LabelStep IMPLIED = new LabelStep(Neighbours.EIGHT, JOIN_WITHIN.usual(), Number.READING);

    @Override
    public Outcome apply(State before, Site site) {
        Regions pieces = Labeller.regions(before.needMask(), neighbours, site.work());
        Regions regions = Joining.of(pieces, joinWithin.px(before.scale()), site.work());
        ObjectSet objects = switch (number) {
            case READING -> ObjectSet.of(regions);
            case ANGLE -> ObjectSet.of(regions, byAngle(regions));
            case SIZE -> ObjectSet.of(regions, sorted(regions, Comparator.comparingLong(i -> -regions.pixels(i))));
        };
        Findings findings = Findings.NONE.count(Findings.OBJECTS, objects.count());
        return new Outcome(
                before.give(objects), regions == pieces ? findings : findings.count("pieces", pieces.count()));
    }

    private static int[] sorted(Regions regions, Comparator<Integer> by) {
        return IntStream.range(0, regions.count())
                .boxed()
                .sorted(by)
                .mapToInt(i -> i)
                .toArray();
    }

    private static int[] byAngle(Regions regions) {
        int n = regions.count();
        Point[] centres = new Point[n];
        double[] all = new double[3];
        for (int i = 0; i < n; i++) {
            centres[i] = regions.centroid(i);
            double pixels = regions.pixels(i);
            all[0] += pixels * centres[i].x();
            all[1] += pixels * centres[i].y();
            all[2] += pixels;
        }
        double x = all[0] / all[2];
        double y = all[1] / all[2];
        return sorted(regions, Comparator.comparingDouble(i -> {
            double angle = StrictMath.atan2(y - centres[i].y(), centres[i].x() - x);
            return angle < 0 ? angle + 2 * Math.PI : angle;
        }));
    }
}
