package keentally.core.starter;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.PicturePoints;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.DyeGuess;
import keentally.core.colour.Unmix;
import keentally.core.find.EvenLight;
import keentally.core.find.LightGround;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.State;
import keentally.core.step.StepFault;
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
        Optional<String> dropped() {
            return Optional.of("none");
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
        Optional<String> dropped() {
            return Optional.of("all");
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
        Optional<String> dropped() {
            return Optional.of("two-sides");
        }
    },
    BRIGHT {
        @Override
        Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
            return Optional.of(side(begun, start, "bright", work));
        }
    },
    DARK {
        @Override
        Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
            return Optional.of(side(begun, start, "dark", work));
        }
    },
    COLOUR {
        @Override
        Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
            return OutstandingColour.of(start, work)
                    .map(found -> begun.then("smooth", "by", "median", "radius", "1 px")
                            .then(
                                    "similar-colour",
                                    "colours",
                                    List.of(found.colour().toString()),
                                    "distance",
                                    found.reach()));
        }
    },
    SHADES {
        @Override
        Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
            Optional<PicturePoints> points = points(start, work);
            int k = points.map(p -> ClusterTrials.of(p.points(), 8, 2, 1, work).suggested())
                    .orElse(0);
            return k < 2
                    ? Optional.empty()
                    : Optional.of(begun.then("smooth", "by", "median", "radius", "1 px")
                            .then("cluster", "k", k));
        }
    },
    DYES {
        @Override
        Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
            return unmixed(begun, look.small().state());
        }

        @Override
        Optional<LightGround> ground(State start, Work work) {
            return LightGround.ofDyes(start.original(), start.field(), work);
        }

        @Override
        Whole likeliest(Set<Whole> wholes, FirstLook look, Work work) {
            return wholes.contains(Whole.SAMPLE) ? Whole.SAMPLE : super.likeliest(wholes, look, work);
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

    /** Ways to count beside the first that are worth a look. */
    private static final int OTHERS = 3;

    /** Of the best score. */
    private static final double WORTH_A_LOOK = 0.25;

    /**
     * Methods with the steps that this question asks for, the likeliest first.
     *
     * @param empty whose name, unit and measures are kept
     * @return none where the picture does not let the question be asked
     */
    public List<Suggestion> suggestions(Method empty, FirstLook look, Work work) {
        if (isCounting()) {
            FirstLook.Seen seen = look.counting(work);
            double best = seen.ways().isEmpty() ? 0 : seen.ways().getFirst().score();
            return seen.ways().stream()
                    .filter(w -> w.score() >= WORTH_A_LOOK * best)
                    .limit(1 + OTHERS)
                    .map(w -> counting(empty, w, seen.on(), look))
                    .toList();
        }
        Map<Whole, Within> trials = new EnumMap<>(Whole.class);
        for (Whole of : Whole.values()) {
            begun(of, empty.with(List.of()), look, work)
                    .flatMap(w -> lay(w.small(), w.start(), look, work).map(w::extended))
                    .ifPresent(t -> trials.put(of, t));
        }
        List<Suggestion> all = new ArrayList<>();
        if (!trials.isEmpty()) {
            Whole first = likeliest(trials.keySet(), look, work);
            trials.forEach((of, t) -> all.add(
                    of == first ? 0 : all.size(),
                    new Suggestion(
                            this,
                            of,
                            t.whole(),
                            Optional.empty(),
                            new Tried(t.small(), look.small()),
                            Trail.NOTHING,
                            look.whole())));
        }
        return all;
    }

    private Optional<Within> begun(Whole of, Method empty, FirstLook look, Work work) {
        return switch (of) {
            case PICTURE -> Optional.of(Within.picture(empty, look));
            case ROUND_FIELD -> Within.roundField(empty, look, work);
            case SAMPLE ->
                ground(look.small().state(), work).flatMap(ground -> Within.sample(ground, empty, look, work));
        };
    }

    /** That may be left out of the whole. */
    Optional<LightGround> ground(State start, Work work) {
        return LightGround.of(start.original(), start.field(), work);
    }

    /** Of the wholes that the picture offers. */
    Whole likeliest(Set<Whole> wholes, FirstLook look, Work work) {
        return wholes.contains(Whole.ROUND_FIELD) && look.isAboutRoundField(work) ? Whole.ROUND_FIELD : Whole.PICTURE;
    }

    private Suggestion counting(Method empty, Way way, Small on, FirstLook look) {
        return new Suggestion(
                this,
                way.inRoundField() ? Whole.ROUND_FIELD : Whole.PICTURE,
                ended(way.trail().lay(empty, on)),
                Optional.of(way),
                look.tried(way, on),
                ended(Trail.NOTHING),
                look.whole());
    }

    private Method ended(Method counted) {
        String edge = dropped().orElseThrow();
        return edge.equals("none") ? counted : counted.then("edge-objects", "drop", edge);
    }

    /** Whether it asks for things; the others ask for shares and shades. */
    public boolean isCounting() {
        return dropped().isPresent();
    }

    /** What becomes of objects that the edge cuts, in a question that counts objects; empty in others. */
    Optional<String> dropped() {
        return Optional.empty();
    }

    /**
     * The method of a question that counts nothing; empty where the picture does not let it be asked.
     *
     * @param begun with what leads to the whole
     * @param start the state at its end
     */
    Optional<Method> lay(Method begun, State start, FirstLook look, Work work) {
        throw new IllegalStateException(this + " counts");
    }

    /** What the method that was laid out says, from the state at its end. */
    public Answer answer(State end, Work work) {
        return end.mask()
                .map(m -> new Answer(
                        Answer.Kind.SHARE, 100.0 * m.count() / end.field().pixels()))
                .orElseGet(() ->
                        new Answer(Answer.Kind.PHASES, end.needPhases().names().size()));
    }

    /** In light made even, where it is not, and where that parts the sides better: what lies there may be uneven itself. */
    private static Method side(Method begun, State start, String keep, Work work) {
        UnaryOperator<Method> channel = start.original().single().isEmpty()
                ? m -> m.then("channel", "of", start.original().isColour() ? "grey" : "1")
                : m -> m;
        UnaryOperator<Method> even = m -> m.then("flatten", "by", "polynomial", "order", 2, "how", "divide");
        Method plain = channel.apply(Method.empty("a side", LengthUnit.PX));
        boolean helps =
                isUneven(plain, start, work) && parted(even.apply(plain), start, work) > parted(plain, start, work);
        Method seen = channel.apply(begun);
        return (helps ? even.apply(seen) : seen)
                .then("smooth", "sigma", "1 px")
                .then("threshold", "rule", "otsu", "keep", keep);
    }

    private static boolean isUneven(Method method, State start, Work work) {
        try {
            return EvenLight.variation(Trail.along(method, start, work).plane(), start.field(), work)
                    .filter(v -> v > EvenLight.UNEVEN_PERCENT)
                    .isPresent();
        } catch (StepFault e) {
            return false;
        }
    }

    /** How much of the variance lies between two sides; below 0 where it cannot be done. */
    private static double parted(Method method, State start, Work work) {
        try {
            return TwoSides.of(Trail.along(method, start, work).plane(), start.field(), work)
                    .map(TwoSides::explained)
                    .orElse(-1.0);
        } catch (StepFault e) {
            return -1;
        }
    }

    private static Optional<PicturePoints> points(State start, Work work) {
        return PicturePoints.few(start.current(), start.original(), start.field(), ColourSpace.LAB, work)
                .filter(p -> p.points().count() > 1);
    }
}
