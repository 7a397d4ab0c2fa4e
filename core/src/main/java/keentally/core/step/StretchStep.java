package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.picture.Channel;
import keentally.core.picture.Plane;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;

/**
 * Draws the values between two percentiles of the field, or between two values at which it is held, out over the whole range; what lies
 * beyond goes beyond.
 *
 * @param from a value a channel, or one for all; none where the percentiles are found
 * @param to as many
 */
record StretchStep(double low, double high, List<Double> from, List<Double> to) implements Step, Fitting {
    private static final NumberSetting LOW = NumberSetting.of("low", 1, 0, 100);
    private static final NumberSetting HIGH = NumberSetting.of("high", 99, 0, 100);
    private static final int MOST_CHANNELS = 100;
    private static final ListSetting<Double> FROM = ListSetting.optional("from", Item.NUMBER, 1, MOST_CHANNELS);
    private static final ListSetting<Double> TO = ListSetting.optional("to", Item.NUMBER, 1, MOST_CHANNELS);

    static final StepDescription DESCRIPTION = new StepDescription(
            "stretch",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(LOW, HIGH, FROM, TO),
            v -> new StretchStep(
                    v.get(LOW),
                    v.get(HIGH),
                    v.find(FROM).orElse(List.of()),
                    v.find(TO).orElse(List.of())));

    StretchStep {
        if (!(low < high)) {
            throw new IllegalArgumentException("'low' must be below 'high'");
        }
        if (from.size() != to.size()) {
            throw new IllegalArgumentException("'from' and 'to' go together, a value a channel in each");
        }
        for (int i = 0; i < from.size(); i++) {
            if (!(from.get(i) < to.get(i))) {
                throw new IllegalArgumentException("'from' must be below 'to'");
            }
        }
    }

    @Override
    public boolean fits() {
        return from.isEmpty();
    }

    @Override
    public boolean hangsOn(Setting<?> setting) {
        return true;
    }

    @Override
    public Values held(Values now, State before, Site site) throws StepFault {
        List<Double> least = new ArrayList<>();
        List<Double> most = new ArrayList<>();
        for (Channel channel : before.current().channels()) {
            double[] ends = ends(channel.plane(), before, site);
            least.add(ends[0]);
            most.add(ends[1]);
        }
        return now.with(FROM, least).with(TO, most);
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        List<Channel> channels = before.current().channels();
        if (from.size() > 1 && from.size() != channels.size()) {
            throw new StepFault(
                    "is held at the values of " + from.size() + " channels, but the picture has " + channels.size());
        }
        double most = before.original().depth().most();
        List<Plane> planes = new ArrayList<>();
        for (int c = 0; c < channels.size(); c++) {
            Plane plane = channels.get(c).plane();
            int held = Math.min(c, from.size() - 1);
            double[] ends = from.isEmpty() ? ends(plane, before, site) : new double[] {from.get(held), to.get(held)};
            planes.add(EachValue.of(plane, v -> (float) ((v - ends[0]) / (ends[1] - ends[0]) * most), site.work()));
        }
        return new Outcome(before.give(EachChannel.of(before.current(), planes)), Findings.NONE);
    }

    private double[] ends(Plane plane, State before, Site site) throws StepFault {
        Histogram h = Histogram.of(plane, before.field(), site.work());
        double[] ends = {Percentiles.of(h, low / 100), Percentiles.of(h, high / 100)};
        if (!(ends[1] > ends[0])) {
            throw new StepFault("finds the same value at both percentiles, so there is nothing to stretch");
        }
        return ends;
    }
}
