package keentally.desk.training;

import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.step.State;

/**
 * How far a training has come, for the sample on the stage.
 *
 * @param sample its id
 * @param under its state before the station
 * @param painted what is painted on it
 * @param strokes how many strokes that shows
 * @param predicted what the learner takes it for, as far as is known
 * @param part of the picture, 0 to 1, that was asked about pixel by pixel
 * @param learned what was learnt; empty while that goes on
 * @param wrong where something was painted and taken for something else
 * @param next where to paint next
 * @param fault what is in the way, a sentence; empty where nothing is
 */
record News(
        String sample,
        Optional<State> under,
        Optional<PhaseMap> painted,
        int strokes,
        Optional<PhaseMap> predicted,
        double part,
        Optional<Learned> learned,
        Optional<Mask> wrong,
        List<Place> next,
        String fault) {
    static final News NONE = new News(
            "",
            Optional.empty(),
            Optional.empty(),
            0,
            Optional.empty(),
            0,
            Optional.empty(),
            Optional.empty(),
            List.of(),
            "");

    /**
     * Where to paint.
     *
     * @param wavering 0 to 1
     * @param first the class that it is likeliest taken for
     * @param second the one that comes next
     */
    record Place(Rectangle where, double wavering, String first, String second) {}
}
