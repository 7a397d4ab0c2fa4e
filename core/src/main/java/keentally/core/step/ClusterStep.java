package keentally.core.step;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.PicturePoints;
import keentally.core.cluster.Points;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Parts the picture into phases of like colour, or like grey, dark to light. */
public record ClusterStep(int k, ColourSpace space, double positionWeight, int starts, int seed, List<String> names)
        implements Step {
    public static final String ID = "cluster";
    public static final NumberSetting K = NumberSetting.whole("k", 3, 2, 32);
    public static final ChoiceSetting<ColourSpace> SPACE = ChoiceSetting.of("space", ColourSpace.LAB);
    public static final NumberSetting POSITION_WEIGHT = NumberSetting.of("positionWeight", 0, 0, 100);
    public static final NumberSetting STARTS = NumberSetting.whole("starts", 10, 1, 100);
    public static final NumberSetting SEED = NumberSetting.whole("seed", 1, 0, 1_000_000);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PHASES,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(K, SPACE, POSITION_WEIGHT, STARTS, SEED, LevelsStep.NAMES),
            v -> new ClusterStep(
                    v.get(K).intValue(),
                    v.get(SPACE),
                    v.get(POSITION_WEIGHT),
                    v.get(STARTS).intValue(),
                    v.get(SEED).intValue(),
                    v.get(LevelsStep.NAMES)));

    /** What is parted: the colours or values of the field, weighed. */
    public PicturePoints points(State before, Site site) throws StepFault {
        return PicturePoints.of(before.current(), before.original(), before.field(), space, positionWeight, site.work())
                .orElseThrow(() -> new StepFault("needs a grey or a colour picture, but the picture has "
                        + before.current().channelNames()));
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        PicturePoints picture = points(before, site);
        Points points = picture.points();
        KMeans.Partition parted = KMeans.of(points, k, starts, seed, site.work())
                .orElseThrow(() -> new StepFault("cannot make " + k + " phases of " + points.count()
                        + (points.count() == 1 ? " value" : " different values") + " in the field"));
        double[] light = picture.lightness(parted);
        int[] order = IntStream.range(0, k)
                .boxed()
                .sorted((a, b) -> Double.compare(light[a], light[b]))
                .mapToInt(i -> i)
                .toArray();
        int[] phaseOf = new int[k];
        for (int p = 0; p < k; p++) {
            phaseOf[order[p]] = p;
        }
        PhaseMap map = new PhaseMap(picture.assign(parted.centres(), phaseOf, site.work()), PhaseNames.of(names, k));
        double explained = 100 * (1 - parted.within() / points.spread());
        return new Outcome(before.give(map), Findings.NONE.count("phases", k).percent(Findings.EXPLAINED, explained));
    }
}
