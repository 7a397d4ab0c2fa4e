package keentally.desk.training;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureRows;
import keentally.core.classify.FeatureSet;
import keentally.core.picture.Picture;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.model.Newest;

/** How long each group of features takes for a picture, as tried on a small square of it. */
final class FeatureCosts {
    private static final int TRIED = 192;

    private final Newest trying;
    private final ReadOnlyObjectWrapper<Map<FeatureGroup, Double>> seconds = new ReadOnlyObjectWrapper<>(Map.of());
    private Object of = "";

    /** What costs hang on. */
    private record Tried(Picture picture, double stretch) {}

    FeatureCosts(Newest trying) {
        this.trying = trying;
    }

    ReadOnlyObjectProperty<Map<FeatureGroup, Double>> seconds() {
        return seconds.getReadOnlyProperty();
    }

    /** What a group costs, for people; nothing while that is not known. */
    String told(FeatureGroup group) {
        Double known = seconds.get().get(group);
        return known == null ? "" : Texts.of("training.cost-of", Figures.fixed(known, known < 1 ? 2 : 1));
    }

    /** Turns to a picture, where it is another, or the features look otherwise far. */
    void turnTo(State under, double stretch) {
        Picture picture = under.current();
        Tried now = new Tried(picture, stretch);
        if (now.equals(of)) {
            return;
        }
        of = now;
        seconds.set(Map.of());
        Picture original = under.original();
        trying.ask(work -> {
            Map<FeatureGroup, Double> found = new EnumMap<>(FeatureGroup.class);
            int side = Math.min(TRIED, Math.min(picture.width(), picture.height()));
            for (FeatureGroup group : FeatureGroup.values()) {
                FeatureSet set = new FeatureSet(List.of(group), picture.isColour(), stretch);
                FeatureRows.of(set, picture, original).ifPresent(rows -> {
                    rows.read(0, side, 0, side);
                    long begun = System.nanoTime();
                    rows.read(0, side, 0, side);
                    double each = (System.nanoTime() - begun) / 1e9 / side / side;
                    double pixels = (double) picture.width() * picture.height();
                    found.put(group, each * pixels / work.workers().threads());
                });
            }
            return () -> seconds.set(found);
        });
    }
}
