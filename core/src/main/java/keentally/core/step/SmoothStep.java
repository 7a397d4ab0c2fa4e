package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.Gaussian;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;

/** Takes noise away by averaging each pixel with its surroundings, every channel by itself. */
record SmoothStep(By by, Length sigma) implements Step {
    enum By {
        GAUSSIAN
    }

    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.GAUSSIAN);
    private static final LengthSetting SIGMA = LengthSetting.of("sigma", "1 px", Condition.is(BY, By.GAUSSIAN));

    static final StepDescription DESCRIPTION = new StepDescription(
            "smooth",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.SCALE),
            List.of(BY, SIGMA),
            v -> new SmoothStep(v.get(BY), v.get(SIGMA)));

    @Override
    public Outcome apply(State before, Site site) {
        double px = sigma.px(before.scale());
        List<Channel> smoothed = before.current().channels().stream()
                .map(c -> new Channel(c.name(), Gaussian.of(c.plane(), px, site.work())))
                .toList();
        return new Outcome(before.give(new Picture(smoothed)), Findings.NONE.with("sigma-px", px));
    }
}
