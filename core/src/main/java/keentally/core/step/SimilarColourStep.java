package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.EachColour;
import keentally.core.picture.Mask;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Chooses the pixels whose colour is near one of several colours, and not near one that is taken away. */
record SimilarColourStep(List<Item.Match> colours, double distance, ColourSpace space) implements Step {
    private static final ListSetting<Item.Match> COLOURS = ListSetting.free("colours", Item.MATCH, 1000);
    private static final NumberSetting DISTANCE = NumberSetting.of("distance", 12, 0, 1000);
    private static final ChoiceSetting<ColourSpace> SPACE = ChoiceSetting.of("space", ColourSpace.LAB);

    static final StepDescription DESCRIPTION = new StepDescription(
            "similar-colour",
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(COLOURS, DISTANCE, SPACE),
            v -> new SimilarColourStep(v.get(COLOURS), v.get(DISTANCE), v.get(SPACE)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ColourRows rows = before.colours();
        if (colours.stream().allMatch(Item.Match::not)) {
            throw new StepFault("has no colour yet to be similar to; click what you want");
        }
        byte[] chosen = EachColour.of(rows, before.field(), 0, this::decision, site.work());
        Mask mask = Mask.from(chosen, rows.width(), rows.height());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(
                before.give(mask), Findings.NONE.with("chosen-percent", percent).with("colours", colours.size()));
    }

    private EachColour.Decision decision() {
        int n = colours.size();
        double[][] centre = new double[n][];
        double[] reach = new double[n];
        boolean[] not = new boolean[n];
        for (int i = 0; i < n; i++) {
            Item.Match match = colours.get(i);
            centre[i] = space.of(match.colour());
            double r = match.reach().orElse(distance);
            reach[i] = r * r;
            not[i] = match.not();
        }
        double[] at = new double[3];
        return rgb -> {
            space.of(rgb, at);
            int chosen = 0;
            for (int i = 0; i < n; i++) {
                if ((chosen == 0 || not[i]) && space.squareDistance(at, centre[i]) <= reach[i]) {
                    if (not[i]) {
                        return 0;
                    }
                    chosen = 1;
                }
            }
            return chosen;
        };
    }
}
