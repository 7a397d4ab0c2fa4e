package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.colour.ChannelPlane;
import keentally.core.filter.Background;
import keentally.core.filter.Flatten;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.quantity.Length;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;

/** Evens out the light: guesses the background of every channel and takes it out. */
public record FlattenStep(By by, Length radius, int order, Optional<Reference> reference, How how) implements Step {
    public static final String ID = "flatten";

    enum By {
        GAUSSIAN,
        OPENING,
        CLOSING,
        POLYNOMIAL,
        REFERENCE
    }

    enum How {
        DIVIDE,
        SUBTRACT
    }

    private static final double MOST_DISK = 10_000;
    private static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.POLYNOMIAL);
    private static final LengthSetting RADIUS =
            LengthSetting.of("radius", "50 px", Condition.is(BY, By.GAUSSIAN, By.OPENING, By.CLOSING));
    private static final NumberSetting ORDER = NumberSetting.whole("order", 2, 1, 4, Condition.is(BY, By.POLYNOMIAL));
    private static final ReferenceSetting REFERENCE = ReferenceSetting.of("reference", Condition.is(BY, By.REFERENCE));
    private static final ChoiceSetting<How> HOW = ChoiceSetting.of("how", How.DIVIDE);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(BY, RADIUS, ORDER, REFERENCE, HOW),
            v -> new FlattenStep(v.get(BY), v.get(RADIUS), v.get(ORDER).intValue(), v.find(REFERENCE), v.get(HOW)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = Math.min(radius.px(before.scale()), before.reach());
        boolean usesRadius = by != By.POLYNOMIAL && by != By.REFERENCE;
        if (usesRadius && !(px > 0)) {
            throw new StepFault("needs a radius above 0");
        }
        if (by == By.OPENING || by == By.CLOSING) {
            checkDisk(px);
        }
        Optional<Picture> blank = by == By.REFERENCE ? Optional.of(blank(before, site)) : Optional.empty();
        return new Outcome(
                before.give(EachChannel.named(before.current(), channel -> flat(channel, before, px, blank, site))),
                Findings.NONE);
    }

    private static void checkDisk(double px) throws StepFault {
        if (px > MOST_DISK) {
            throw new StepFault("takes a radius of at most 10,000 px for opening and closing, but found " + px);
        }
    }

    private Picture blank(State before, Site site) throws StepFault {
        Reference named = reference.orElseThrow(
                () -> new StepFault("needs a reference picture: the same light on nothing; choose its file"));
        Picture blank = site.references().picture(named);
        if (blank.width() != before.current().width()
                || blank.height() != before.current().height()) {
            throw new StepFault("needs a reference picture of the sample's size, "
                    + before.current().width() + " × "
                    + before.current().height() + " px, but " + named.file() + " is " + blank.width() + " × "
                    + blank.height() + " px");
        }
        return blank;
    }

    private Plane flat(Channel channel, State before, double px, Optional<Picture> blank, Site site) throws StepFault {
        Plane plane = channel.plane();
        Plane ground = switch (by) {
            case GAUSSIAN -> Background.gaussian(plane, before.field(), px, site.work());
            case OPENING -> Background.opening(plane, before.field(), px, site.work());
            case CLOSING -> Background.closing(plane, before.field(), px, site.work());
            case POLYNOMIAL ->
                Background.polynomial(plane, before.field(), order, site.work())
                        .orElseThrow(() -> new StepFault("finds too few places in the field to fit a surface to"));
            case REFERENCE -> alike(channel, blank.orElseThrow(), site);
        };
        return how == How.SUBTRACT
                ? Flatten.subtract(plane, ground, before.field(), site.work())
                : Flatten.divide(plane, ground, before.field(), site.work())
                        .orElseThrow(() -> new StepFault(
                                "cannot divide, since the background falls to 0 or below; subtract it instead"));
    }

    /** The reference's channel of the same name; the only one of a grey reference serves all. */
    private static Plane alike(Channel channel, Picture blank, Site site) throws StepFault {
        return ChannelPlane.of(blank, channel.name(), site.work())
                .or(blank::single)
                .orElseThrow(() -> new StepFault("needs a reference picture with the channel '" + channel.name()
                        + "', but it has " + blank.channelNames()));
    }
}
