package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.Setting;

/** Goes on with one channel of the picture. A grey picture's grey is itself. */
record ChannelStep(Of of, From from, GreyChannel.Weights weights, boolean round) implements Step {
    enum Of {
        GREY,
        RED,
        GREEN,
        BLUE
    }

    enum From {
        CURRENT,
        ORIGINAL
    }

    private static final ChoiceSetting<Of> OF = ChoiceSetting.of("of", Of.GREY);
    private static final ChoiceSetting<From> FROM = ChoiceSetting.of("from", From.CURRENT);
    private static final ChoiceSetting<GreyChannel.Weights> WEIGHTS =
            ChoiceSetting.of("weights", GreyChannel.Weights.BT709, Condition.is(OF, Of.GREY));
    private static final FlagSetting ROUND = FlagSetting.of("round", false, Condition.is(OF, Of.GREY));

    static final StepDescription DESCRIPTION = new StepDescription(
            "channel",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(),
            List.<Setting<?>>of(OF, FROM, WEIGHTS, ROUND),
            v -> new ChannelStep(v.get(OF), v.get(FROM), v.get(WEIGHTS), v.get(ROUND)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Picture picture = from == From.CURRENT ? before.current() : before.original();
        return new Outcome(before.give(new Picture(List.of(new Channel(name(), plane(picture))))), Findings.NONE);
    }

    private String name() {
        return ChoiceSetting.word(of);
    }

    private Plane plane(Picture picture) throws StepFault {
        if (of == Of.GREY && picture.isColour()) {
            return GreyChannel.of(picture, weights, round);
        }
        if (of == Of.GREY && picture.single().isPresent()) {
            return picture.single().get();
        }
        return picture.channel(name())
                .orElseThrow(() ->
                        new StepFault("finds no channel '" + name() + "': the picture has " + picture.channelNames()));
    }
}
