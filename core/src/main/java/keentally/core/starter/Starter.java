package keentally.core.starter;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.PicturePoints;
import keentally.core.cluster.Points;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.DyeGuess;
import keentally.core.colour.Rgb;
import keentally.core.colour.Unmix;
import keentally.core.find.LightGround;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.step.State;
import keentally.core.work.Work;

/** A question that lays out a method for a picture. What it lays out is a beginning: every setting can be changed. */
public enum Starter {
    /** All that is there, cut off or not. */
    HOW_MANY {
        @Override
        public Answer answer(State end, Work work) {
            return new Answer(Answer.Kind.COUNT, end.needObjects().count());
        }

        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return Counting.of(start, work).map(c -> c.lay(empty, "none"));
        }
    },
    /** Whole ones only: of those that are cut off nobody knows. */
    HOW_BIG {
        @Override
        public Answer answer(State end, Work work) {
            Ground ground = Ground.grey(end.current().channels().getFirst().plane(), end.field());
            double[] ecds = ObjectTable.of(end.needObjects(), List.of(Measure.ECD), ground, work)
                    .column(0);
            Arrays.sort(ecds);
            int n = ecds.length;
            return new Answer(Answer.Kind.SIZE_PX, n == 0 ? Double.NaN : (ecds[n / 2] + ecds[(n - 1) / 2]) / 2);
        }

        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return Counting.of(start, work).map(c -> c.lay(empty, "all"));
        }
    },
    /** Those that two of the four sides cut count as whole, the others not at all, which is right on average. */
    PER_AREA {
        @Override
        public Answer answer(State end, Work work) {
            return new Answer(
                    Answer.Kind.PER_PX2,
                    (double) end.needObjects().count() / end.field().pixels());
        }

        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return Counting.of(start, work).map(c -> c.lay(empty, "two-sides"));
        }
    },
    BRIGHT {
        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return Optional.of(side(empty, start, "bright"));
        }
    },
    DARK {
        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return Optional.of(side(empty, start, "dark"));
        }
    },
    COLOUR {
        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return outstanding(start, work)
                    .map(found -> empty.with(List.of())
                            .then("smooth", "by", "median", "radius", "1 px")
                            .then(
                                    "similar-colour",
                                    "colours",
                                    List.of(found.colour.toString()),
                                    "distance",
                                    found.reach));
        }
    },
    SHADES {
        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            Optional<PicturePoints> points = points(start, work);
            int k = points.map(p -> ClusterTrials.of(p.points(), 8, 2, 1, work).suggested())
                    .orElse(0);
            return k < 2
                    ? Optional.empty()
                    : Optional.of(empty.with(List.of())
                            .then("smooth", "by", "median", "radius", "1 px")
                            .then("cluster", "k", k));
        }
    },
    DYES {
        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return unmixed(empty.with(List.of()), start);
        }
    },
    /** Of the sample alone, where a light ground lies round it. */
    DYES_WITHIN {
        @Override
        public Answer answer(State end, Work work) {
            return new Answer(Answer.Kind.SHARE_WITHIN, super.answer(end, work).value());
        }

        @Override
        public Optional<Method> lay(Method empty, State start, Work work) {
            return LightGround.ofDyes(start.original(), start.field(), work)
                    .flatMap(ground -> unmixed(OnGround.leaveOut(ground, empty.with(List.of())), start));
        }
    };

    private static Optional<Method> unmixed(Method before, State start) {
        return ColourRows.of(start.original(), start.original()).flatMap(rows -> {
            double[] white = Unmix.white(rows, start.field());
            return DyeGuess.of(rows, start.field(), white)
                    .map(dyes -> before.then("unmix-dyes", "dyes", "own", "vectors", dyes)
                            .then("channel", "of", "dye1")
                            .then("smooth", "sigma", "1 px")
                            .then("threshold", "rule", "otsu", "keep", "bright"));
        });
    }

    /** Enough to set the ground off from what is on it. */
    private static final int MOST_GROUPS = 4;

    /**
     * The method with the steps that this question asks for.
     *
     * @param empty whose name, unit and measures are kept
     * @param start the sample before the first step
     * @return empty where the picture does not let the question be asked
     */
    public abstract Optional<Method> lay(Method empty, State start, Work work);

    /** What the method that was laid out says, from the state at its end. */
    public Answer answer(State end, Work work) {
        return end.mask()
                .map(m -> new Answer(
                        Answer.Kind.SHARE, 100.0 * m.count() / end.field().pixels()))
                .orElseGet(() ->
                        new Answer(Answer.Kind.PHASES, end.needPhases().names().size()));
    }

    private static Method side(Method empty, State start, String keep) {
        Method method = empty.with(List.of());
        if (start.original().single().isEmpty()) {
            method = method.then("channel", "of", start.original().isColour() ? "grey" : "1");
        }
        return method.then("smooth", "sigma", "1 px").then("threshold", "rule", "otsu", "keep", keep);
    }

    private static Optional<PicturePoints> points(State start, Work work) {
        return PicturePoints.of(start.current(), start.original(), start.field(), ColourSpace.LAB, 0, work)
                .filter(p -> p.points().count() > 1);
    }

    /** Of the groups that the colours fall into, the mean colour of the one that stands off furthest from the largest. */
    private static Optional<Outstanding> outstanding(State start, Work work) {
        Optional<ColourRows> rows = ColourRows.of(start.original(), start.original());
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        return PicturePoints.of(start.original(), start.original(), start.field(), ColourSpace.RGB, 0, work)
                .map(PicturePoints::points)
                .flatMap(p -> {
                    int groups = ClusterTrials.of(p, MOST_GROUPS, 3, 1, work).suggested();
                    return groups < 2
                            ? Optional.<Outstanding>empty()
                            : KMeans.of(p, groups, 3, 1, work).map(parted -> furthest(p, parted, groups));
                });
    }

    private static Outstanding furthest(Points points, KMeans.Partition parted, int groups) {
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
        return new Outstanding(centres.get(best), Math.rint(apart / 2));
    }

    /**
     * A colour that stands off from the ground.
     *
     * @param reach half way to the ground
     */
    private record Outstanding(Rgb colour, double reach) {}
}
