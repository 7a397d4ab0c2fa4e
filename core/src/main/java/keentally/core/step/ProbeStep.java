package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.morphology.Element;
import keentally.core.morphology.Probe;
import keentally.core.picture.Mask;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Makes a mask thinner or thicker, or smooths it from within or without, by a shape that is laid on every pixel. */
public record ProbeStep(Kind kind, Shape shape, Length radius, double angle) implements Step {
    enum Kind {
        ERODE,
        DILATE,
        OPEN,
        CLOSE
    }

    enum Shape {
        DISK,
        SQUARE,
        LINE
    }

    private static final ChoiceSetting<Shape> SHAPE = ChoiceSetting.of("shape", Shape.DISK);
    private static final LengthSetting RADIUS = LengthSetting.of("radius", "2 px");
    private static final NumberSetting ANGLE = NumberSetting.of("angle", 0, -180, 180, Condition.is(SHAPE, Shape.LINE));

    static final StepDescription ERODE = description(Kind.ERODE);
    public static final StepDescription DILATE = description(Kind.DILATE);
    static final StepDescription OPEN = description(Kind.OPEN);
    public static final StepDescription CLOSE = description(Kind.CLOSE);

    private static StepDescription description(Kind kind) {
        return new StepDescription(
                ChoiceSetting.word(kind),
                1,
                Flow.MASK,
                Flow.MASK,
                Set.of(Use.FIELD, Use.SCALE),
                List.<Setting<?>>of(SHAPE, RADIUS, ANGLE),
                v -> new ProbeStep(kind, v.get(SHAPE), v.get(RADIUS), v.get(ANGLE)));
    }

    @Override
    public Outcome apply(State before, Site site) {
        double px = Math.min(radius.px(before.scale()), before.reach());
        Element element = switch (shape) {
            case DISK -> new Element.Disk(px);
            case SQUARE -> new Element.Square(px);
            case LINE -> new Element.Line(px, angle);
        };
        Probe probe = Probe.of(element, before.field(), site.work());
        Mask mask = before.needMask();
        return MaskChange.outcome(
                before,
                switch (kind) {
                    case ERODE -> probe.erode(mask);
                    case DILATE -> probe.dilate(mask);
                    case OPEN -> probe.open(mask);
                    case CLOSE -> probe.close(mask);
                });
    }
}
