package keentally.core.step;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Length;
import keentally.core.refine.Belief;
import keentally.core.refine.EdgeRefiner;
import keentally.core.refine.LostParts;
import keentally.core.refine.RefinePlan;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/**
 * Pulls a mask, or phases, to the edges that the picture shows, by a fully connected random field.
 *
 * @param trust how far what was given is believed, below 1
 * @param colourSigma on the 0 to 255 scale
 */
public record RefineEdgesStep(
        Of of,
        double trust,
        Length positionSigma,
        double colourSigma,
        double appearanceWeight,
        Length smoothSigma,
        double smoothWeight,
        int rounds)
        implements Step {
    public static final String ID = "refine-edges";

    /** What is refined. */
    public enum Of {
        MASK,
        PHASES,
        PROBABILITIES
    }

    public static final ChoiceSetting<Of> OF = ChoiceSetting.of("of", Of.MASK);
    public static final NumberSetting TRUST = NumberSetting.of("trust", 0.6, 0.5, 0.99);
    public static final LengthSetting POSITION_SIGMA = LengthSetting.of("positionSigma", "20 px");
    public static final NumberSetting COLOUR_SIGMA = NumberSetting.of("colourSigma", 20, 1, 255);
    public static final NumberSetting APPEARANCE_WEIGHT = NumberSetting.of("appearanceWeight", 6, 0, 100);
    public static final LengthSetting SMOOTH_SIGMA = LengthSetting.of("smoothSigma", "2 px");
    public static final NumberSetting SMOOTH_WEIGHT = NumberSetting.of("smoothWeight", 2, 0, 100);
    public static final NumberSetting ROUNDS = NumberSetting.whole("rounds", 5, 1, 50);

    /** Small and thin parts of what was given, and how many of each are gone. */
    public static final String LOST_PIECES = "lost-pieces";

    public static final String LOST_THIN = "lost-thin";
    public static final String LOST_AREA = "lost-px2";
    public static final String LOST_AT = "lost-at";

    /** Between the two parts of a mask that lie nearest to each other and were not joined. */
    public static final String GAP = "gap-px";

    public static final String PIECES = "pieces";

    /** Of how many position sigmas a gap is still told. */
    private static final double MOST_GAP = 3;

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            kind(),
            kind(),
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(
                    OF, TRUST, POSITION_SIGMA, COLOUR_SIGMA, APPEARANCE_WEIGHT, SMOOTH_SIGMA, SMOOTH_WEIGHT, ROUNDS),
            Beginning.NONE,
            v -> new RefineEdgesStep(
                    v.get(OF),
                    v.get(TRUST),
                    v.get(POSITION_SIGMA),
                    v.get(COLOUR_SIGMA),
                    v.get(APPEARANCE_WEIGHT),
                    v.get(SMOOTH_SIGMA),
                    v.get(SMOOTH_WEIGHT),
                    v.get(ROUNDS).intValue()));

    private static Function<Values, Flow> kind() {
        return values -> values.get(OF) == Of.MASK ? Flow.MASK : Flow.PHASES;
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        PhaseMap given = of == Of.MASK ? PhaseMap.of(mask(before), before.field()) : before.needPhases();
        if (given.names().size() < 2) {
            throw new StepFault("needs two phases or more to set an edge between them, but there is one");
        }
        Plane8 refined = EdgeRefiner.refined(
                        before.current(),
                        before.original(),
                        before.field(),
                        belief(given, before),
                        plan(before),
                        site.work())
                .orElseThrow(() -> new StepFault("needs a grey or a colour picture, but the picture has "
                        + before.current().channelNames()));
        PhaseMap after = new PhaseMap(refined, given.names(), colours(given.names(), before));
        if (of == Of.MASK) {
            Mask mask = after.mask(chosen(), site.work());
            LostParts lost = LostParts.between(before.needMask(), mask, before.field(), site.work());
            return new Outcome(
                    before.give(mask),
                    told(
                            MaskChange.findings(before.needMask(), mask),
                            lost,
                            MOST_GAP * plan(before).position()));
        }
        return new Outcome(before.give(after), Findings.NONE.percent("moved-percent", moved(given, after, before)));
    }

    /** As they were given, where the phases are those of a learner. */
    private static List<Integer> colours(List<String> names, State before) {
        return before.phases()
                .filter(p -> p.names().equals(names))
                .map(PhaseMap::colours)
                .orElse(List.of());
    }

    private Belief belief(PhaseMap given, State before) throws StepFault {
        if (of != Of.PROBABILITIES) {
            return new Belief.Said(given, trust);
        }
        return new Belief.Likely(
                before.probabilities()
                        .orElseThrow(() -> new StepFault("refines probabilities, and the phases before it have none;"
                                + " a 'classify' step right before it gives them when it is told to")),
                trust);
    }

    private RefinePlan plan(State before) throws StepFault {
        return new RefinePlan(
                px(positionSigma, before, "positionSigma"),
                colourSigma,
                appearanceWeight,
                px(smoothSigma, before, "smoothSigma"),
                smoothWeight,
                rounds);
    }

    private static double px(Length length, State before, String name) throws StepFault {
        double px = length.px(before.scale());
        if (px < 0.5) {
            throw new StepFault("looks less than half a pixel far with '" + name + "' " + length);
        }
        return Math.min(px, before.reach());
    }

    private static Mask mask(State before) throws StepFault {
        long chosen = before.needMask().count();
        if (chosen == 0 || chosen == before.field().pixels()) {
            throw new StepFault("needs a mask with an edge, but " + (chosen == 0 ? "nothing is" : "all of the field is")
                    + " chosen");
        }
        return before.needMask();
    }

    private static boolean[] chosen() {
        boolean[] picked = new boolean[PhaseMap.OUTSIDE + 1];
        picked[1] = true;
        return picked;
    }

    /** @param mostGap one that is wider nobody meant to be closed */
    private static Findings told(Findings change, LostParts lost, double mostGap) {
        Findings told = change.count(LOST_PIECES, lost.pieces()).count(LOST_THIN, lost.thin());
        if (!lost.places().isEmpty()) {
            told = told.area(LOST_AREA, lost.area())
                    .with(new Finding.Places(
                            LOST_AT,
                            lost.places().stream()
                                    .map(p -> List.of(p.x(), p.y()))
                                    .toList()));
        }
        return lost.gap().isPresent() && lost.gap().getAsDouble() <= mostGap
                ? told.count(PIECES, lost.left()).distance(GAP, lost.gap().getAsDouble())
                : told;
    }

    private static double moved(PhaseMap given, PhaseMap after, State before) {
        byte[] was = given.map().values();
        byte[] is = after.map().values();
        long moved = 0;
        for (int i = 0; i < was.length; i++) {
            moved += was[i] != is[i] ? 1 : 0;
        }
        return 100.0 * moved / before.field().pixels();
    }
}
