package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.colour.ChannelPlane;
import keentally.core.colour.GreyChannel;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.setting.ChannelSetting;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.work.Work;

/** Goes on with one channel of the picture. A grey picture's grey is itself. */
public record ChannelStep(String of, From from, GreyChannel.Weights weights, boolean round) implements Step {
    public static final String ID = "channel";

    enum From {
        CURRENT,
        ORIGINAL
    }

    public static final ChannelSetting OF = new ChannelSetting("of", Channel.GREY, ChannelPlane.WORDS, List.of());
    private static final ChoiceSetting<From> FROM = ChoiceSetting.of("from", From.CURRENT);
    private static final ChoiceSetting<GreyChannel.Weights> WEIGHTS =
            ChoiceSetting.of("weights", GreyChannel.Weights.BT709, Condition.is(OF, Channel.GREY));
    private static final FlagSetting ROUND = FlagSetting.of("round", false, Condition.is(OF, Channel.GREY));

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            2,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(),
            List.<Setting<?>>of(OF, FROM, WEIGHTS, ROUND),
            v -> new ChannelStep(v.get(OF), v.get(FROM), v.get(WEIGHTS), v.get(ROUND)));

    /** Whether it goes on with a channel of the picture as it came. */
    public static boolean ofOriginal(Values values) {
        return values.get(FROM) == From.ORIGINAL;
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Picture picture = from == From.CURRENT ? before.current() : before.original();
        return new Outcome(
                before.give(new Picture(List.of(new Channel(of, plane(picture, site.work()))))), Findings.NONE);
    }

    private Plane plane(Picture picture, Work work) throws StepFault {
        boolean weighed = of.equals(Channel.GREY) && picture.isColour();
        Optional<Plane> plane = weighed
                ? Optional.of(GreyChannel.of(picture, weights, round, work))
                : ChannelPlane.of(picture, of, work);
        return plane.orElseThrow(
                () -> new StepFault("finds no channel '" + of + "': the picture has " + picture.channelNames()));
    }
}
