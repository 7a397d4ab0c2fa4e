package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.EachColour;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** Chooses the pixels whose colour lies in a range of each component. */
public record ColourRangeStep(ColourSpace space, List<RangeSetting.Range> ranges) implements Step {
    public static final String ID = "colour-range";
    public static final ChoiceSetting<ColourSpace> SPACE = ChoiceSetting.of("space", ColourSpace.HSV);
    private static final List<RangeSetting> COMPONENTS = List.of(
            RangeSetting.of("red", 0, 255, Condition.is(SPACE, ColourSpace.RGB)),
            RangeSetting.of("green", 0, 255, Condition.is(SPACE, ColourSpace.RGB)),
            RangeSetting.of("blue", 0, 255, Condition.is(SPACE, ColourSpace.RGB)),
            RangeSetting.wrapping("hue", 0, 360, Condition.is(SPACE, ColourSpace.HSV)),
            RangeSetting.of("saturation", 0, 1, Condition.is(SPACE, ColourSpace.HSV)),
            RangeSetting.of("value", 0, 1, Condition.is(SPACE, ColourSpace.HSV)),
            RangeSetting.of("lightness", 0, 100, Condition.is(SPACE, ColourSpace.LAB)),
            RangeSetting.of("a", -128, 128, Condition.is(SPACE, ColourSpace.LAB)),
            RangeSetting.of("b", -128, 128, Condition.is(SPACE, ColourSpace.LAB)));

    static final StepDescription DESCRIPTION =
            new StepDescription(ID, 1, Flow.PICTURE, Flow.MASK, Set.of(Use.FIELD), settings(), ColourRangeStep::of);

    private static List<Setting<?>> settings() {
        List<Setting<?>> all = new ArrayList<>();
        all.add(SPACE);
        all.addAll(COMPONENTS);
        return all;
    }

    private static ColourRangeStep of(Values v) {
        return new ColourRangeStep(
                v.get(SPACE),
                COMPONENTS.stream().filter(s -> s.applies(v)).map(v::get).toList());
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ColourRows rows = before.colours();
        RangeSetting.Range[] in = ranges.toArray(RangeSetting.Range[]::new);
        byte[] chosen = EachColour.of(
                rows,
                before.field(),
                0,
                () -> {
                    double[] at = new double[3];
                    return rgb -> {
                        space.of(rgb, at);
                        return in[0].contains(at[0]) && in[1].contains(at[1]) && in[2].contains(at[2]) ? 1 : 0;
                    };
                },
                site.work());
        Mask mask = Mask.from(chosen, rows.width(), rows.height());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), Findings.NONE.percent(Findings.CHOSEN, percent));
    }
}
