package keentally.core.step;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.PicturePoints;
import keentally.core.cluster.Points;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/**
 * Parts the picture into phases of like colour, or like grey, dark to light: around the centres that it finds, or around those at which it
 * is held, in their order.
 */
public record ClusterStep(
        int k,
        ColourSpace space,
        double positionWeight,
        int starts,
        int seed,
        List<List<Double>> centres,
        List<String> names)
        implements Step, Fitting {
    public static final String ID = "cluster";
    public static final NumberSetting K = NumberSetting.whole("k", 3, 2, 32);
    public static final ChoiceSetting<ColourSpace> SPACE = ChoiceSetting.of("space", ColourSpace.LAB);
    public static final NumberSetting POSITION_WEIGHT = NumberSetting.of("positionWeight", 0, 0, 100);
    public static final NumberSetting STARTS = NumberSetting.whole("starts", 10, 1, 100);
    public static final NumberSetting SEED = NumberSetting.whole("seed", 1, 0, 1_000_000);

    /** In the coordinates of {@link PicturePoints}. */
    public static final ListSetting<List<Double>> CENTRES = ListSetting.optional("centres", Item.PLACE, 2, 32);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            2,
            Flow.PICTURE,
            Flow.PHASES,
            Set.of(Use.FIELD),
            List.<Setting<?>>of(K, SPACE, POSITION_WEIGHT, STARTS, SEED, CENTRES, LevelsStep.NAMES),
            v -> new ClusterStep(
                    v.get(K).intValue(),
                    v.get(SPACE),
                    v.get(POSITION_WEIGHT),
                    v.get(STARTS).intValue(),
                    v.get(SEED).intValue(),
                    v.find(CENTRES).orElse(List.of()),
                    v.get(LevelsStep.NAMES)));

    /** What is parted: the colours or values of the field, weighed. */
    public PicturePoints points(State before, Site site) throws StepFault {
        return PicturePoints.of(before.current(), before.original(), before.field(), space, positionWeight, site.work())
                .orElseThrow(() -> new StepFault("needs a grey or a colour picture, but the picture has "
                        + before.current().channelNames()));
    }

    public ClusterStep {
        if (!centres.isEmpty() && centres.size() != k) {
            throw new IllegalArgumentException(
                    "'centres' must be as many as 'k' says, " + k + ", but are " + centres.size());
        }
        if (centres.stream().map(List::size).distinct().count() > 1) {
            throw new IllegalArgumentException("'centres' must all be one number, or all three");
        }
        if (!centres.isEmpty() && positionWeight > 0) {
            throw new IllegalArgumentException("'centres' can be held only without a 'positionWeight'");
        }
    }

    @Override
    public boolean fits() {
        return centres.isEmpty();
    }

    @Override
    public boolean hangsOn(Setting<?> setting) {
        return setting != LevelsStep.NAMES;
    }

    @Override
    public Values held(Values now, State before, Site site) throws StepFault {
        if (positionWeight > 0) {
            throw new StepFault(
                    "cannot be held while the place has a weight, since a place means nothing on another picture");
        }
        PicturePoints picture = points(before, site);
        return now.with(
                CENTRES,
                places(sorted(picture, parted(picture, site)), picture.points().dimensions()));
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        PicturePoints picture = points(before, site);
        Points points = picture.points();
        double[] at;
        double within;
        if (centres.isEmpty()) {
            KMeans.Partition parted = parted(picture, site);
            at = sorted(picture, parted);
            within = parted.within();
        } else {
            at = centres.stream().flatMap(List::stream).mapToDouble(v -> v).toArray();
            if (centres.getFirst().size() != points.dimensions()) {
                throw new StepFault("is held at centres of a " + (points.dimensions() == 1 ? "colour" : "grey")
                        + " picture, but this one is " + (points.dimensions() == 1 ? "grey" : "in colour"));
            }
            within = KMeans.within(points, at);
        }
        int[] phaseOf = IntStream.range(0, k).toArray();
        PhaseMap map = new PhaseMap(picture.assign(at, phaseOf, site.work()), PhaseNames.of(names, k));
        double explained = 100 * (1 - within / points.spread());
        return new Outcome(
                before.give(map),
                Findings.NONE
                        .count("phases", k)
                        .percent(Findings.EXPLAINED, explained)
                        .with(new Finding.Places(Findings.CENTRES, places(at, points.dimensions()))));
    }

    private KMeans.Partition parted(PicturePoints picture, Site site) throws StepFault {
        Points points = picture.points();
        return KMeans.of(points, k, starts, seed, site.work())
                .orElseThrow(() -> new StepFault("cannot make " + k + " phases of " + points.count()
                        + (points.count() == 1 ? " value" : " different values") + " in the field"));
    }

    /** Its centres from dark to light. */
    private double[] sorted(PicturePoints picture, KMeans.Partition parted) {
        double[] light = picture.lightness(parted);
        int d = picture.points().dimensions();
        return IntStream.range(0, k)
                .boxed()
                .sorted((a, b) -> Double.compare(light[a], light[b]))
                .flatMapToDouble(c -> Arrays.stream(parted.centres(), c * d, c * d + d))
                .toArray();
    }

    private static List<List<Double>> places(double[] at, int dimensions) {
        return IntStream.range(0, at.length / dimensions)
                .mapToObj(c -> Arrays.stream(at, c * dimensions, (c + 1) * dimensions)
                        .boxed()
                        .toList())
                .toList();
    }
}
