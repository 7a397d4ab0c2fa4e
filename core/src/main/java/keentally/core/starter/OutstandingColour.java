package keentally.core.starter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.PicturePoints;
import keentally.core.cluster.Points;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.Rgb;
import keentally.core.step.State;
import keentally.core.work.Work;

/**
 * A colour that stands off from the ground.
 *
 * @param reach half way to the ground
 */
record OutstandingColour(Rgb colour, double reach) {
    /** Enough to set the ground off from what is on it. */
    private static final int MOST_GROUPS = 4;

    /** Of the groups that the colours fall into, the mean colour of the one that stands off furthest from the largest. */
    static Optional<OutstandingColour> of(State start, Work work) {
        Optional<ColourRows> rows = ColourRows.of(start.original(), start.original());
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        return PicturePoints.few(start.original(), start.original(), start.field(), ColourSpace.RGB, work)
                .map(PicturePoints::points)
                .flatMap(p -> {
                    int groups = ClusterTrials.of(p, MOST_GROUPS, 3, 1, work).suggested();
                    return groups < 2
                            ? Optional.<OutstandingColour>empty()
                            : KMeans.of(p, groups, 3, 1, work).map(parted -> furthest(p, parted, groups));
                });
    }

    private static OutstandingColour furthest(Points points, KMeans.Partition parted, int groups) {
        double[] weights = new double[groups];
        for (int i = 0; i < points.count(); i++) {
            weights[parted.groups()[i]] += points.weights()[i];
        }
        int largest = 0;
        for (int g = 1; g < groups; g++) {
            largest = weights[g] > weights[largest] ? g : largest;
        }
        List<Rgb> centres = new ArrayList<>();
        for (int g = 0; g < groups; g++) {
            double[] c = parted.centres();
            centres.add(Rgb.from(c[3 * g], c[3 * g + 1], c[3 * g + 2]));
        }
        double[] ground = ColourSpace.LAB.of(centres.get(largest));
        int best = largest;
        double most = -1;
        for (int g = 0; g < groups; g++) {
            double[] lab = ColourSpace.LAB.of(centres.get(g));
            double off = Math.hypot(lab[1] - ground[1], lab[2] - ground[2]) + Math.abs(lab[0] - ground[0]) / 3;
            if (g != largest && off > most) {
                most = off;
                best = g;
            }
        }
        double apart = Math.sqrt(ColourSpace.LAB.squareDistance(ground, ColourSpace.LAB.of(centres.get(best))));
        return new OutstandingColour(centres.get(best), Math.rint(apart / 2));
    }
}
