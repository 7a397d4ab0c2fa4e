package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** From here on only inside the mask, or a drawn shape: it becomes the field, and the whole of every share. */
public record WithinStep(Part part, List<Double> at) implements Step {
    public static final String ID = "within";

    /** What bounds it. */
    public enum Part {
        MASK,
        RECTANGLE,
        ELLIPSE,
        POLYGON
    }

    public static final ChoiceSetting<Part> PART = ChoiceSetting.of("part", Part.MASK);

    /**
     * In px: left, top, width and height; the middle and both half axes; or corner after corner. None as long as it is not drawn.
     */
    public static final ListSetting<Double> AT =
            ListSetting.free("at", Item.NUMBER, 2000, Condition.is(PART, Part.RECTANGLE, Part.ELLIPSE, Part.POLYGON));

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            v -> v.get(PART) == Part.MASK ? Flow.MASK : Flow.PICTURE,
            v -> Flow.PICTURE,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(PART, AT),
            Beginning.NONE,
            v -> new WithinStep(v.get(PART), v.get(AT)));

    public WithinStep {
        at = List.copyOf(at);
        if (part != Part.MASK && !at.isEmpty()) {
            shape(part, at);
        }
    }

    /** The shape with its numbers as a list. */
    public static Values drawn(Values values, Shape shape) {
        return switch (shape) {
            case Rectangle r ->
                values.with(PART, Part.RECTANGLE).with(AT, List.of(r.x(), r.y(), r.width(), r.height()));
            case Ellipse e -> values.with(PART, Part.ELLIPSE).with(AT, List.of(e.cx(), e.cy(), e.a(), e.b()));
            case Polygon p -> {
                List<Double> corners = new ArrayList<>();
                p.corners().forEach(c -> {
                    corners.add(c.x());
                    corners.add(c.y());
                });
                yield values.with(PART, Part.POLYGON).with(AT, corners);
            }
        };
    }

    /** The shape that was drawn; empty for a mask, and as long as nothing was drawn. */
    public Optional<Shape> shape() {
        return part == Part.MASK || at.isEmpty() ? Optional.empty() : Optional.of(shape(part, at));
    }

    private static Shape shape(Part part, List<Double> at) {
        boolean four = part != Part.POLYGON;
        if (four ? at.size() != 4 : at.size() < 6 || at.size() % 2 != 0) {
            throw new IllegalArgumentException(
                    switch (part) {
                        case RECTANGLE ->
                            "a rectangle is left, top, width and height, but found " + at.size() + " numbers";
                        case ELLIPSE ->
                            "an ellipse is its middle and two half axes, but found " + at.size() + " numbers";
                        default ->
                            "a polygon is an x and a y for each of three corners or more, but found " + at.size()
                                    + " numbers";
                    });
        }
        return switch (part) {
            case RECTANGLE -> new Rectangle(at.get(0), at.get(1), at.get(2), at.get(3));
            case ELLIPSE -> new Ellipse(at.get(0), at.get(1), at.get(2), at.get(3), 0);
            default -> {
                List<Point> corners = new ArrayList<>();
                for (int i = 0; i < at.size(); i += 2) {
                    corners.add(new Point(at.get(i), at.get(i + 1)));
                }
                yield new Polygon(corners);
            }
        };
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Mask mask = part == Part.MASK ? before.needMask() : drawn(before.field());
        long pixels = mask.count();
        if (pixels == 0) {
            throw new StepFault(
                    part == Part.MASK
                            ? "has nothing to go on within: the mask is empty"
                            : "has nothing to go on within: the shape holds no pixel of the field");
        }
        double percent = 100.0 * pixels / before.field().pixels();
        return new Outcome(
                before.narrow(mask, site.work()),
                Findings.NONE.area("within-px2", pixels).percent("within-percent", percent));
    }

    private Mask drawn(Field field) throws StepFault {
        Shape shape = shape().orElseThrow(() -> new StepFault("has no shape yet; draw it on the picture"));
        return field.clip(Field.within(shape, field.width(), field.height()));
    }
}
