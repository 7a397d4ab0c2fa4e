package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NameSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;
import keentally.core.watershed.GrowRegions;
import keentally.core.watershed.Parted;

/** Lets regions grow from markers until the whole field is parted, over the picture or over how steep it is. */
public final class GrowRegionsStep implements Step {
    public static final String ID = "grow-regions";

    enum Markers {
        /** The low places of what is flooded. */
        MINIMA,
        /** The bright places of the picture. */
        PEAKS,
        PLACED,
        /** The pieces of a mask that was set aside. */
        ASIDE
    }

    enum Over {
        GRADIENT,
        PICTURE
    }

    public static final ChoiceSetting<Markers> MARKERS = ChoiceSetting.of("markers", Markers.MINIMA);
    public static final NumberSetting DEPTH =
            NumberSetting.of("depth", 10, 0, 1e9, Condition.is(MARKERS, Markers.MINIMA));
    private static final LengthSetting SPACING =
            LengthSetting.of("spacing", "5 px", Condition.is(MARKERS, Markers.PEAKS));
    public static final NumberSetting PROMINENCE =
            NumberSetting.of("prominence", 10, 0, 100, Condition.is(MARKERS, Markers.PEAKS));
    private static final NameSetting OF = new NameSetting("of", "first", Condition.is(MARKERS, Markers.ASIDE));
    private static final ChoiceSetting<Over> OVER = ChoiceSetting.of("over", Over.GRADIENT);
    private static final ChoiceSetting<GradientStep.By> GRADIENT =
            ChoiceSetting.of("gradient", GradientStep.By.SOBEL, Condition.is(OVER, Over.GRADIENT));
    private static final LengthSetting RADIUS = LengthSetting.of(
            "radius",
            "1 px",
            Condition.is(OVER, Over.GRADIENT),
            Condition.is(GRADIENT, GradientStep.By.MORPHOLOGICAL, GradientStep.By.RANGE));
    private static final FlagSetting LINES = FlagSetting.of("lines", false);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.OBJECTS,
            Set.of(Use.FIELD, Use.SCALE, Use.HAND_WORK),
            List.<Setting<?>>of(MARKERS, DEPTH, SPACING, PROMINENCE, OF, OVER, GRADIENT, RADIUS, LINES),
            GrowRegionsStep::new);

    private final Markers markers;
    private final Over over;
    private final Values values;

    private GrowRegionsStep(Values values) {
        this.markers = values.get(MARKERS);
        this.over = values.get(OVER);
        this.values = values;
    }

    @Override
    public boolean byHand() {
        return markers == Markers.PLACED;
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Plane plane = before.plane();
        Plane heights = over == Over.PICTURE ? plane : steepness(before, site);
        Field field = before.field();
        Parted grown = switch (markers) {
            case MINIMA -> GrowRegions.fromMinima(field, heights, values.get(DEPTH), site.work());
            case PEAKS ->
                GrowRegions.from(field, heights, over == Over.PICTURE, peaks(plane, before, site), site.work());
            case PLACED ->
                GrowRegions.from(
                        field, heights, false, PlacedMarkers.of(field.mask(), "grows", "the field", site), site.work());
            case ASIDE -> GrowRegions.fromPieces(field, heights, aside(before), site.work());
        };
        Regions whole = grown.regions();
        Regions parted = values.get(LINES) ? whole.without(whole.lines(i -> true)) : whole;
        ObjectSet objects = ObjectSet.of(parted);
        return new Outcome(
                before.give(objects),
                Findings.NONE
                        .count(Findings.OBJECTS, objects.count())
                        .with(new Finding.Marks(
                                Findings.MARKERS, objects.regions().width(), grown.markers())));
    }

    private Plane steepness(State before, Site site) throws StepFault {
        double px = values.get(GRADIENT) == GradientStep.By.SOBEL
                ? 1
                : values.get(RADIUS).px(before.scale());
        return GradientStep.steepness(values.get(GRADIENT), before.plane(), TopHatStep.checked(px), site.work());
    }

    private List<Point> peaks(Plane plane, State before, Site site) throws StepFault {
        Histogram histogram = Histogram.of(plane, before.field(), site.work());
        if (histogram.total() == 0) {
            throw new StepFault("needs values, but no pixel of the field holds a number");
        }
        double prominence = values.get(PROMINENCE) / 100 * Percentiles.range(histogram);
        Length spacing = values.get(SPACING);
        return GrowRegions.peaks(before.field(), plane, prominence, spacing.px(before.scale()), site.work());
    }

    private Mask aside(State before) throws StepFault {
        Mask mask = before.field().clip(before.needAside(values.get(OF)));
        if (mask.count() == 0) {
            throw new StepFault("grows from the pieces of '" + values.get(OF) + "', which is empty within the field");
        }
        return mask;
    }
}
