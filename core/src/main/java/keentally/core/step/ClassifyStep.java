package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.classify.Classifier;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.FeatureSet;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;

/**
 * Every pixel becomes of the class that a model, learnt from examples, takes it for by its surroundings.
 *
 * @param model its file; empty where none is chosen yet
 */
public record ClassifyStep(Optional<Reference> model) implements Step {
    public static final String ID = "classify";
    public static final ReferenceSetting MODEL = ReferenceSetting.model("model");

    /** Rows that are worked out together. */
    private static final int ROWS = 32;

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.PICTURE,
            Flow.PHASES,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(MODEL),
            v -> new ClassifyStep(v.find(MODEL)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        Reference named = model.orElseThrow(() -> new StepFault("needs a model that was trained; choose its file"));
        Classifier classifier = site.references().classifier(named);
        FeatureRows rows = rows(before, classifier);
        byte[] map = new byte[rows.width() * rows.height()];
        int stretches = (rows.height() + ROWS - 1) / ROWS;
        site.work().each(stretches, s -> {
            int from = s * ROWS;
            int to = Math.min(rows.height(), from + ROWS);
            byte[] classes = classifier.forest().classOf(rows.read(from, to), (to - from) * rows.width());
            System.arraycopy(classes, 0, map, from * rows.width(), classes.length);
        });
        leaveOut(map, before.field());
        PhaseMap phases = new PhaseMap(Plane8.of(rows.width(), rows.height(), map), classifier.names());
        return new Outcome(
                before.give(phases),
                Findings.NONE.count("phases", classifier.classes().size()));
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
