package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.Bilateral;
import keentally.core.filter.Gaussian;
import keentally.core.filter.MeanFilter;
import keentally.core.filter.MedianFilter;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Takes noise away: every channel by itself, but for the bilateral filter, which asks all channels what is alike. */
record SmoothStep(By by, Length sigma, Length radius, Length sigmaSpace, double sigmaValue) implements Step {
    enum By {
        GAUSSIAN,
        MEDIAN,
        MEAN,
        BILATERAL
    }

    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.GAUSSIAN);
    private static final LengthSetting SIGMA = LengthSetting.of("sigma", "1 px", Condition.is(BY, By.GAUSSIAN));
    private static final LengthSetting RADIUS =
            LengthSetting.of("radius", "1 px", Condition.is(BY, By.MEDIAN, By.MEAN));
    private static final LengthSetting SIGMA_SPACE =
            LengthSetting.of("sigmaSpace", "2 px", Condition.is(BY, By.BILATERAL));
    private static final NumberSetting SIGMA_VALUE =
            NumberSetting.of("sigmaValue", 20, 1e-6, 1e6, Condition.is(BY, By.BILATERAL));
    private static final double MOST_BILATERAL = 20;
    private static final int MOST_MEDIAN = 127;

    static final StepDescription DESCRIPTION = new StepDescription(
            "smooth",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.SCALE),
            List.<Setting<?>>of(BY, SIGMA, RADIUS, SIGMA_SPACE, SIGMA_VALUE),
            v -> new SmoothStep(v.get(BY), v.get(SIGMA), v.get(RADIUS), v.get(SIGMA_SPACE), v.get(SIGMA_VALUE)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = (by == By.GAUSSIAN ? sigma : by == By.BILATERAL ? sigmaSpace : radius).px(before.scale());
        Picture in = before.current();
        Picture out = switch (by) {
            case GAUSSIAN -> EachChannel.of(in, p -> Gaussian.of(p, px, site.work()));
            case MEAN -> EachChannel.of(in, p -> MeanFilter.of(p, whole(px, in), site.work()));
            case MEDIAN -> EachChannel.of(in, p -> MedianFilter.of(p, median(px), site.work()));
            case BILATERAL -> bilateral(in, px, site);
        };
        return new Outcome(before.give(out), Findings.NONE.distance("sigma-px", px));
    }

    /** Radii count whole pixels; one larger than the picture is as good as the picture. */
    private static int whole(double px, Picture in) {
        return (int) Math.min(Math.floor(px + 1e-9), Math.max(in.width(), in.height()));
    }

    private static int median(double px) throws StepFault {
        if (px >= MOST_MEDIAN + 1) {
            throw new StepFault("takes a median over a radius of at most " + MOST_MEDIAN + " px, but found " + px);
        }
        return (int) Math.floor(px + 1e-9);
    }

    private Picture bilateral(Picture in, double px, Site site) throws StepFault {
        if (px > MOST_BILATERAL) {
            throw new StepFault("takes a sigma of place of at most 20 px for the bilateral filter, but found " + px);
        }
        if (px == 0) {
            return in;
        }
        return EachChannel.of(
                in, Bilateral.of(in.channels().stream().map(Channel::plane).toList(), px, sigmaValue, site.work()));
    }
}
