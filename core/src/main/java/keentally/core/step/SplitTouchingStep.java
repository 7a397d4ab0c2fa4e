package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.filter.Gradient;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.quantity.Limit;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.Setting;
import keentally.core.watershed.Divides;
import keentally.core.watershed.Parted;
import keentally.core.watershed.SplitTouching;

/** Parts things that touch: where their outline narrows, where the light between them changes, or along edges. */
public record SplitTouchingStep(By by, Things things, Markers markers, Limit depth, boolean lines) implements Step {
    public static final String ID = "split-touching";

    /** On fewer pixels the step itself is done before a hand has moved on. */
    private static final long SOON = 2_000_000;

    enum By {
        OUTLINE,
        LIGHT,
        EDGES
    }

    /** What the things are, beside what lies between them. */
    enum Things {
        BRIGHT,
        DARK
    }

    /** Where the parts begin. */
    enum Markers {
        /** At places that are deep enough. */
        FOUND,
        PLACED
    }

    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.OUTLINE);
    private static final ChoiceSetting<Things> THINGS =
            ChoiceSetting.of("things", Things.BRIGHT, Condition.is(BY, By.LIGHT));
    public static final ChoiceSetting<Markers> MARKERS = ChoiceSetting.of("markers", Markers.FOUND);
    public static final LimitSetting DEPTH =
            LimitSetting.of("depth", "1 px", Condition.is(BY, By.OUTLINE), "10", Condition.is(MARKERS, Markers.FOUND));
    private static final FlagSetting LINES = FlagSetting.of("lines", false);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.MASK,
            Flow.OBJECTS,
            Set.of(Use.FIELD, Use.SCALE, Use.HAND_WORK),
            List.<Setting<?>>of(BY, THINGS, MARKERS, DEPTH, LINES),
            v -> new SplitTouchingStep(v.get(BY), v.get(THINGS), v.get(MARKERS), v.get(DEPTH), v.get(LINES)));

    public SplitTouchingStep {
        if (by == By.OUTLINE && !(depth instanceof Limit.OfLength)) {
            throw new IllegalArgumentException(
                    "the depth of a split by outline is a length such as \"1 px\", but found " + depth);
        }
        if (by != By.OUTLINE && !(depth instanceof Limit.Plain)) {
            throw new IllegalArgumentException(
                    "the depth of a split by light or edges is a number in the picture's values, but found " + depth);
        }
        double amount = switch (depth) {
            case Limit.OfLength l -> l.length().amount();
            case Limit.Plain p -> p.amount();
            case Limit.OfArea a -> -1;
        };
        if (amount < 0) {
            throw new IllegalArgumentException("the depth of a split must be 0 or more, but was " + depth);
        }
    }

    @Override
    public boolean byHand() {
        return markers == Markers.PLACED;
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Mask mask = before.needMask();
        SplitTouching.Begin begin = begin(mask, before, site);
        Parted grown = switch (by) {
            case OUTLINE -> SplitTouching.byOutline(mask, before.field(), begin, site.work());
            case LIGHT -> SplitTouching.byLight(mask, before.plane(), things == Things.BRIGHT, begin, site.work());
            case EDGES -> SplitTouching.byLight(mask, steepness(before, site), false, begin, site.work());
        };
        return outcome(before, grown);
    }

    private Outcome outcome(State before, Parted grown) {
        Regions whole = grown.regions();
        Regions parted = lines ? whole.without(whole.lines(i -> true)) : whole;
        ObjectSet objects = ObjectSet.of(parted);
        return new Outcome(
                before.give(objects),
                Findings.NONE
                        .count(Findings.OBJECTS, objects.count())
                        .with(new Finding.Marks(
                                Findings.MARKERS, objects.regions().width(), grown.markers())));
    }

    /** On large pictures: the basins are found once; borders may lie elsewhere until the hand lets go, never another number of objects. */
    @Override
    public Optional<Nimble> nimble(State before, int every) {
        long pixels = (long) before.field().width() * before.field().height();
        return markers == Markers.FOUND && pixels > SOON ? Optional.of(new Drag()) : Optional.empty();
    }

    private final class Drag implements Nimble {
        @Override
        public Object beside() {
            return List.of(by, things);
        }

        @Override
        public State prepared(State before, Site site) throws StepFault {
            Mask mask = before.needMask();
            return before.give(
                    switch (by) {
                        case OUTLINE -> SplitTouching.dividesByOutline(mask, before.field(), site.work());
                        case LIGHT ->
                            SplitTouching.dividesByLight(mask, before.plane(), things == Things.BRIGHT, site.work());
                        case EDGES -> SplitTouching.dividesByLight(mask, steepness(before, site), false, site.work());
                    });
        }

        @Override
        public Outcome answered(State prepared, Site site) {
            Divides divides = prepared.find(Slot.DIVIDES).orElseThrow();
            return outcome(prepared, divides.at(depth.in(PixelSize.PIXELS, prepared.scale())));
        }
    }

    private SplitTouching.Begin begin(Mask mask, State before, Site site) throws StepFault {
        return switch (markers) {
            case FOUND -> new SplitTouching.Begin.Deep(depth.in(PixelSize.PIXELS, before.scale()));
            case PLACED -> new SplitTouching.Begin.Placed(PlacedMarkers.of(mask, "parts", "the mask", site));
        };
    }

    private static Plane steepness(State before, Site site) throws StepFault {
        return Gradient.sobel(before.plane(), site.work());
    }
}
