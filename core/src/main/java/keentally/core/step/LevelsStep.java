package keentally.core.step;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Condition;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;
import keentally.core.threshold.LevelMap;
import keentally.core.threshold.MultiLevel;

/** Parts the values into phases from dark to light by several cuts. */
public record LevelsStep(By by, int count, List<Double> cuts, List<String> names) implements Step, Fitting {
    public static final String ID = "levels";

    enum By {
        OTSU,
        /** The same number of pixels in each phase, as near as values allow. */
        QUANTILES,
        /** The same stretch of values in each phase. */
        STEPS,
        MANUAL
    }

    public static final ChoiceSetting<By> BY = ChoiceSetting.of("by", By.OTSU);
    private static final NumberSetting COUNT =
            NumberSetting.whole("count", 2, 1, MultiLevel.MOST_CUTS, Condition.is(BY, By.OTSU, By.QUANTILES, By.STEPS));
    public static final ListSetting<Double> CUTS =
            ListSetting.needed("cuts", Item.NUMBER, 1, MultiLevel.MOST_CUTS, Condition.is(BY, By.MANUAL));
    public static final ListSetting<String> NAMES = ListSetting.free("names", Item.NAME, PhaseMap.OUTSIDE);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PHASES,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(BY, COUNT, CUTS, NAMES),
            LevelsStep::begin,
            v -> new LevelsStep(v.get(BY), v.get(COUNT).intValue(), v.find(CUTS).orElse(List.of()), v.get(NAMES)));

    /** Cuts by hand begin where they were. */
    private static Values begin(Beginning.Inputs made) throws StepFault {
        if (made.now().find(CUTS).filter(c -> !c.isEmpty()).isPresent()) {
            return made.now();
        }
        if (!made.found().cuts().isEmpty()) {
            return made.now().with(CUTS, made.found().cuts());
        }
        Histogram h = made.entering().needHistogram(made.work());
        double[] cuts = MultiLevel.cuts(h, made.now().get(COUNT).intValue());
        if (cuts.length == 0) {
            throw new StepFault("finds too few different values in the field to begin with");
        }
        return made.now().with(CUTS, Arrays.stream(cuts).boxed().toList());
    }

    public LevelsStep {
        for (int i = 1; by == By.MANUAL && i < cuts.size(); i++) {
            if (!(cuts.get(i) > cuts.get(i - 1))) {
                throw new IllegalArgumentException("the cuts must go upwards");
            }
        }
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Plane plane = before.plane();
        Histogram h = before.needHistogram(site.work());
        double[] at = cuts(h);
        PhaseMap map =
                new PhaseMap(LevelMap.of(plane, before.field(), at, site.work()), PhaseNames.of(names, at.length + 1));
        Findings findings = Findings.NONE.count("phases", at.length + 1);
        for (int i = 0; i < at.length; i++) {
            findings = findings.cut(Findings.CUT, at[i]);
        }
        double explained = MultiLevel.explainedPercent(h, at);
        return new Outcome(
                before.give(map), Double.isNaN(explained) ? findings : findings.percent(Findings.EXPLAINED, explained));
    }

    @Override
    public boolean fits() {
        return by != By.MANUAL;
    }

    @Override
    public boolean hangsOn(Setting<?> setting) {
        return setting != NAMES;
    }

    @Override
    public Values held(Values now, State before, Site site) throws StepFault {
        double[] at = cuts(before.needHistogram(site.work()));
        return now.with(BY, By.MANUAL).with(CUTS, Arrays.stream(at).boxed().toList());
    }

    private double[] cuts(Histogram h) throws StepFault {
        double[] at = switch (by) {
            case OTSU -> MultiLevel.cuts(h, count);
            case MANUAL -> cuts.stream().mapToDouble(c -> c).toArray();
            case QUANTILES -> between(i -> Percentiles.of(h, i / (count + 1.0)));
            case STEPS -> {
                double low = h.lowest();
                double step = (h.upperEdge(h.lastOccupied()) - low) / (count + 1);
                yield between(i -> low + i * step);
            }
        };
        if (at.length == 0) {
            throw new StepFault("needs at least " + (count + 1) + " different values in the field for " + count
                    + (count == 1 ? " cut" : " cuts") + ", but finds fewer");
        }
        return at;
    }

    /** Cuts 1 to {@link #count}, those that fall together once; none where none leaves anything above it. */
    private double[] between(java.util.function.IntToDoubleFunction cut) {
        double[] at = new double[count];
        Arrays.setAll(at, i -> cut.applyAsDouble(i + 1));
        return Arrays.stream(at).distinct().toArray();
    }
}
