package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.EachColour;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Chooses the pixels whose colour is near one of several colours, and not near one that is taken away. */
public record SimilarColourStep(List<Item.Match> colours, double distance, ColourSpace space, boolean connected)
        implements Step {
    public static final String ID = "similar-colour";
    public static final ListSetting<Item.Match> COLOURS = ListSetting.free("colours", Item.MATCH, 1000);
    public static final NumberSetting DISTANCE = NumberSetting.of("distance", 12, 0, 1000);
    private static final ChoiceSetting<ColourSpace> SPACE = ChoiceSetting.of("space", ColourSpace.LAB);
    public static final FlagSetting CONNECTED = FlagSetting.of("connected", false);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.MASK,
            Set.of(Use.FIELD, Use.HAND_WORK),
            List.<Setting<?>>of(COLOURS, DISTANCE, SPACE, CONNECTED),
            v -> new SimilarColourStep(v.get(COLOURS), v.get(DISTANCE), v.get(SPACE), v.get(CONNECTED)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ColourRows rows = before.colours();
        if (colours.stream().allMatch(Item.Match::not)) {
            throw new StepFault("has no colour yet to be similar to; click what you want");
        }
        byte[] chosen = EachColour.of(rows, before.field(), 0, this::decision, site.work());
        Mask everywhere = Mask.from(chosen, rows.width(), rows.height());
        Mask mask = connected ? hanging(everywhere, site) : everywhere;
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(
                before.give(mask),
                Findings.NONE.percent(Findings.CHOSEN, percent).count("colours", colours.size()));
    }

    @Override
    public boolean byHand() {
        return connected;
    }

    /** What hangs together, by eight neighbours, with a place that was clicked. */
    private static Mask hanging(Mask everywhere, Site site) throws StepFault {
        if (!(site.hand().orElse(Seeds.NONE) instanceof Seeds seeds)
                || seeds.places().isEmpty()) {
            throw new StepFault(
                    "keeps what hangs together with the places clicked, and none were clicked on this sample;"
                            + " click there, or set 'connected' to false");
        }
        Regions regions = Labeller.regions(everywhere, Neighbours.EIGHT, site.work());
        boolean[] clicked = new boolean[regions.count()];
        for (Point place : seeds.places()) {
            int region = regions.at((int) Math.floor(place.x()), (int) Math.floor(place.y()));
            if (region >= 0) {
                clicked[region] = true;
            }
        }
        return regions.mask(i -> clicked[i]);
    }

    /** Whether a colour, red, green and blue from 0 to 255, is chosen. */
    public boolean isAlike(double[] rgb) {
        return decision().of(rgb) == 1;
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
