package keentally.core.step;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import keentally.core.colour.ColourRows;
import keentally.core.colour.Dyes;
import keentally.core.colour.Unmix;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** Pulls overlapping dyes apart: goes on with how much of each there is. */
public record UnmixDyesStep(Dyes dyes, List<List<Double>> vectors, List<String> names, List<Double> white)
        implements Step, Fitting {
    public static final String ID = "unmix-dyes";
    public static final ChoiceSetting<Dyes> DYES = ChoiceSetting.of("dyes", Dyes.HAEMATOXYLIN_EOSIN);
    public static final ListSetting<List<Double>> VECTORS =
            ListSetting.needed("vectors", Item.VECTOR, 2, 3, Condition.is(DYES, Dyes.OWN));
    /** Of the dyes, in the order of their vectors; those of the preset where none are given. */
    public static final ListSetting<String> NAMES = ListSetting.free("names", Item.NAME, 3);

    private static final ListSetting<Double> WHITE = ListSetting.orWord("white", "auto", Item.NUMBER, 3);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(DYES, VECTORS, NAMES, WHITE),
            UnmixDyesStep::begin,
            v -> new UnmixDyesStep(
                    v.get(DYES), v.find(VECTORS).orElse(v.get(DYES).vectors()), v.get(NAMES), v.get(WHITE)));

    /** Own dyes begin as the published ones that they are chosen after. */
    private static Values begin(Beginning.Inputs made) {
        Dyes before = made.before().get(DYES);
        Dyes like = before == Dyes.OWN ? DYES.usual() : before;
        return made.now().with(VECTORS, like.vectors());
    }

    public UnmixDyesStep {
        if (dyes == Dyes.OWN && vectors.isEmpty()) {
            throw new IllegalArgumentException("own dyes need 'vectors', two or three");
        }
        if (white.size() == 2) {
            throw new IllegalArgumentException("'white' must be \"auto\", one number or three");
        }
        if (white.stream().anyMatch(v -> !(v > 0))) {
            throw new IllegalArgumentException("'white' must be above 0");
        }
        if (dyes != Dyes.OWN) {
            vectors = dyes.vectors();
        }
        if (names.stream().distinct().count() < names.size()) {
            throw new IllegalArgumentException(
                    "two dyes cannot have one name, but 'names' are " + String.join(", ", names));
        }
        if (names.isEmpty()) {
            names = dyes.names();
        }
    }

    /** What each dye is called. */
    public List<String> called() {
        return Unmix.names(names, vectors.size());
    }

    @Override
    public boolean fits() {
        return white.isEmpty();
    }

    @Override
    public boolean hangsOn(Setting<?> setting) {
        return setting == WHITE;
    }

    @Override
    public Values held(Values now, State before, Site site) throws StepFault {
        double[] found = Unmix.white(before.colours(), before.field());
        return now.with(WHITE, Arrays.stream(found).boxed().toList());
    }

    /** What pulls the dyes of a state apart. */
    public Unmix unmix(State before) throws StepFault {
        ColourRows rows = before.colours();
        double[] at = white.isEmpty()
                ? Unmix.white(rows, before.field())
                : new double[] {white.getFirst(), white.get(white.size() / 2), white.getLast()};
        return Unmix.of(vectors, at)
                .orElseThrow(() -> new StepFault("cannot tell the dyes apart: their vectors lie in one "
                        + (vectors.size() == 2 ? "line" : "plane")));
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        return new Outcome(
                before.give(unmix(before).apply(before.colours(), names, site.work())),
                Findings.NONE.count("dyes", vectors.size()));
    }
}
