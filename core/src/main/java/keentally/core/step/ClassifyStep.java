package keentally.core.step;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.classify.Classifier;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.FeatureSet;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.picture.Probabilities;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;

/**
 * Every pixel becomes of the class that a model, learnt from examples, takes it for by its surroundings.
 *
 * @param model its file; empty where none is chosen yet
 * @param probabilities whether how sure it is goes on beside the phases
 */
public record ClassifyStep(Optional<Reference> model, boolean probabilities) implements Step {
    public static final String ID = "classify";
    public static final ReferenceSetting MODEL = ReferenceSetting.model("model");
    public static final FlagSetting PROBABILITIES = FlagSetting.of("probabilities", false);

    /** How far it looks, in per cent of what it was trained at, where both have a scale. */
    public static final String STRETCHED = "stretched-percent";

    /** Either the sample or the training has no scale, and the other has. */
    public static final String SCALE_UNKNOWN = "scale-unknown";

    private static final int CERTAIN = 255;

    /** Sides of what is worked out together: as much as stays near while all features are made of it. */
    private static final int COLUMNS = 960;

    private static final int ROWS = 160;

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PHASES,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(MODEL, PROBABILITIES),
            v -> new ClassifyStep(v.find(MODEL), v.get(PROBABILITIES)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Reference named = model.orElseThrow(() -> new StepFault("needs a model that was trained; choose its file"));
        Classifier classifier = site.references().classifier(named);
        FeatureRows rows = rows(before, classifier);
        int width = rows.width();
        byte[] map = new byte[width * rows.height()];
        byte[][] sure = new byte[probabilities ? classifier.classes().size() : 0][map.length];
        int across = (width + COLUMNS - 1) / COLUMNS;
        int tiles = across * ((rows.height() + ROWS - 1) / ROWS);
        site.work().each(tiles, t -> {
            int left = t % across * COLUMNS;
            int right = Math.min(width, left + COLUMNS);
            int from = t / across * ROWS;
            int to = Math.min(rows.height(), from + ROWS);
            int count = (to - from) * (right - left);
            float[] likely = classifier.learnt().probabilities(rows.read(left, right, from, to), count);
            byte[] classes = classifier.learnt().classOf(likely);
            for (int i = 0; i < count; i++) {
                int at = (from + i / (right - left)) * width + left + i % (right - left);
                map[at] = classes[i];
                for (int c = 0; c < sure.length; c++) {
                    sure[c][at] =
                            (byte) Math.round(likely[i * classifier.classes().size() + c] * CERTAIN);
                }
            }
        });
        leaveOut(map, before.field());
        PhaseMap phases = new PhaseMap(
                Plane8.of(width, rows.height(), map),
                classifier.names(),
                classifier.classes().stream().map(c -> c.colour().packed()).toList());
        Findings findings = told(classifier, before);
        return new Outcome(
                probabilities
                        ? before.give(
                                phases,
                                new Probabilities(
                                        Arrays.stream(sure)
                                                .map(p -> Plane8.of(width, rows.height(), p))
                                                .toList(),
                                        classifier.names()))
                        : before.give(phases),
                findings);
    }

    private static Findings told(Classifier classifier, State before) {
        Findings findings = Findings.NONE.count("phases", classifier.classes().size());
        if (before.scale().isPresent() && classifier.trainedAt().isPresent()) {
            double factor = classifier.trainedAt().get().umPerPx()
                    / before.scale().get().umPerPx();
            return findings.percent(STRETCHED, 100 * factor);
        }
        return before.scale().isPresent() || classifier.trainedAt().isPresent()
                ? findings.count(SCALE_UNKNOWN, 1)
                : findings;
    }

    private static FeatureRows rows(State before, Classifier classifier) throws StepFault {
        FeatureSet features;
        try {
            features = classifier.featuresAt(before.scale());
        } catch (IllegalArgumentException e) {
            throw new StepFault("was trained at " + classifier.trainedAt().orElseThrow()
                    + ", which is too far from this sample's scale: " + e.getMessage());
        }
        return FeatureRows.of(features, before.current(), before.original())
                .orElseThrow(() -> new StepFault("was trained on "
                        + (features.colour() ? "colour pictures" : "pictures of one channel")
                        + ", but the picture has " + before.current().channelNames()
                        + (features.colour() ? "" : "; put a channel station before it")));
    }

    private static void leaveOut(byte[] map, Field field) {
        if (field.isWhole()) {
            return;
        }
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                if (!field.contains(x, y)) {
                    map[y * field.width() + x] = (byte) PhaseMap.OUTSIDE;
                }
            }
        }
    }
}
