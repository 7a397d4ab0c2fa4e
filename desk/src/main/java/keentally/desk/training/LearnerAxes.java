package keentally.desk.training;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import keentally.core.classify.Classifier;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.Learnt;
import keentally.core.classify.LinearModel;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.Scores;
import keentally.core.classify.TrainingPlan;
import keentally.core.setting.Values;
import keentally.core.step.ClassifyStep;
import keentally.core.trial.Axes;
import keentally.core.trial.Axis;
import keentally.core.trial.Variant;
import keentally.core.words.Figures;
import keentally.core.work.Deadline;
import keentally.core.work.Work;
import keentally.desk.look.Texts;

/** What can be tried in how a model is learnt from what is painted: each alternative is learnt anew, with scores of its own. */
final class LearnerAxes {
    private static final String PARTED = "\\s*;\\s*";

    private final Learned learned;
    private final ModelText text;

    LearnerAxes(Learned learned, ModelText text) {
        this.learned = learned;
        this.text = text;
    }

    List<Axis> all() {
        TrainingPlan plan = learned.from().plan();
        List<Axis> axes = new ArrayList<>();
        axes.add(learner());
        if (plan.learner() instanceof ForestPlan forest) {
            axes.add(numbers("trees", "4; 16; 64; 200", n -> plan.by(forest.of(n))));
            axes.add(numbers(
                    "depth",
                    "2; 4; 8; 16",
                    n -> plan.by(new ForestPlan(forest.trees(), n, forest.leastLeaf(), forest.seed()))));
        } else if (plan.learner() instanceof LinearPlan linear) {
            axes.add(numbers("rounds", "5; 20; 100; 1000", n -> plan.by(new LinearPlan(linear.cost(), n))));
        }
        if (plan.groups().size() > 1) {
            axes.add(features());
        }
        axes.add(strokes());
        return axes;
    }

    private Axis learner() {
        Map<String, LearnerPlan> known = new LinkedHashMap<>();
        known.put("forest", ForestPlan.USUAL);
        known.put("linear", LinearPlan.USUAL);
        return axis(
                "learner",
                Axes.ALL,
                (typed, now) -> words(typed, List.copyOf(known.keySet())).stream()
                        .map(w -> Variant.of(
                                Texts.of("training.learner." + w),
                                now,
                                OptionalDouble.empty(),
                                work -> made(now, learned.from().plan().by(known.get(w)), learned.examples(), work)))
                        .toList());
    }

    private Axis numbers(String word, String usual, Function<Integer, TrainingPlan> with) {
        return axis(
                word,
                usual,
                (typed, now) -> Arrays.stream(typed.split(PARTED))
                        .map(LearnerAxes::whole)
                        .map(n -> {
                            TrainingPlan plan = with.apply(n);
                            return Variant.of(
                                    Figures.number(n),
                                    now,
                                    OptionalDouble.of(n),
                                    work -> made(now, plan, learned.examples(), work));
                        })
                        .toList());
    }

    private static int whole(String typed) {
        try {
            return Integer.parseInt(typed.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Texts.of("training.no-number", typed), e);
        }
    }

    private static List<String> words(String typed, List<String> known) {
        if (typed.strip().equals(Axes.ALL)) {
            return known;
        }
        List<String> words =
                Arrays.stream(typed.split(PARTED)).map(String::strip).toList();
        for (String word : words) {
            if (!known.contains(word)) {
                throw new IllegalArgumentException(Texts.of("training.no-word", word, String.join(", ", known)));
            }
        }
        return words;
    }

    /** Each group of features left out in turn. */
    private Axis features() {
        List<FeatureGroup> groups = learned.from().plan().groups();
        List<String> ids = groups.stream().map(FeatureGroup::id).toList();
        return axis("without", Axes.ALL, (typed, now) -> {
            List<Variant> variants = new ArrayList<>();
            variants.add(features(now, Texts.of("training.without.none"), groups));
            for (String word : words(typed, ids)) {
                FeatureGroup gone = FeatureGroup.valueOf(word.toUpperCase(Locale.ROOT));
                variants.add(features(
                        now,
                        Texts.of("training.without.one", Texts.of("training.features." + word)),
                        groups.stream().filter(g -> g != gone).toList()));
            }
            return variants;
        });
    }

    private Variant features(Values now, String label, List<FeatureGroup> groups) {
        return Variant.of(label, now, OptionalDouble.empty(), work -> {
            TrainingPlan plan = learned.from().plan().by(groups);
            FeatureSet all = learned.classifier().features();
            FeatureSet some = new FeatureSet(groups, all.colour(), all.stretch());
            int[] places = some.features().stream()
                    .mapToInt(f -> all.features().indexOf(f))
                    .toArray();
            Examples examples = learned.examples();
            float[][] values =
                    Arrays.stream(places).mapToObj(p -> examples.features()[p]).toArray(float[][]::new);
            return made(
                    now, plan, new Examples(values, examples.classOf(), examples.classes(), examples.groups()), work);
        });
    }

    /** The first strokes of each class alone. */
    private Axis strokes() {
        return axis(
                "strokes",
                "1; 2; 4; all",
                (typed, now) -> Arrays.stream(typed.split(PARTED))
                        .map(String::strip)
                        .map(w -> {
                            int most = w.equals(Axes.ALL) ? Integer.MAX_VALUE : whole(w);
                            return Variant.of(
                                    w.equals(Axes.ALL) ? Texts.of("training.strokes.all") : Figures.number(most),
                                    now,
                                    w.equals(Axes.ALL) ? OptionalDouble.empty() : OptionalDouble.of(most),
                                    work -> made(now, learned.from().plan(), first(learned.examples(), most), work));
                        })
                        .toList());
    }

    private static Examples first(Examples all, int most) {
        List<Set<Integer>> kept = IntStream.range(0, all.classes())
                .<Set<Integer>>mapToObj(c -> new LinkedHashSet<>())
                .toList();
        return all.at(IntStream.range(0, all.count())
                .filter(i -> most == Integer.MAX_VALUE || all.groups()[i] >= 0) // between blocks is no stroke
                .filter(i -> {
                    Set<Integer> of = kept.get(all.classOf()[i]);
                    if (of.size() < most) {
                        of.add(all.groups()[i]);
                    }
                    return of.contains(all.groups()[i]);
                })
                .toArray());
    }

    private static Axis axis(String word, String usual, Axis.Reading reading) {
        return new Axis(word, Texts.of("training.axis." + word), usual, reading);
    }

    private Variant.Made made(Values now, TrainingPlan plan, Examples examples, Work work) {
        long begun = System.nanoTime();
        Learnt learnt = plan.learner().learn(examples, work);
        double seconds = (System.nanoTime() - begun) / 1e9;
        Classifier before = learned.classifier();
        FeatureSet set = new FeatureSet(
                plan.groups(), before.features().colour(), before.features().stretch());
        Scores scores = Scores.of(learned.lessons(), examples, plan.learner(), set, work, Deadline.NEVER);
        Learned fresh = new Learned(
                new Learned.From(plan, learned.from().strokes(), learned.from().pictures()),
                learned.lessons(),
                examples,
                new Classifier(set, before.classes(), learnt, before.trainedAt()),
                learnt instanceof Forest forest ? forest.trees().size() : 0,
                seconds,
                Optional.of(scores));
        double f1 = 100 * scores.confusion().meanF1();
        return new Variant.Made(
                now.with(ClassifyStep.MODEL, text.held(fresh)),
                Double.isFinite(f1) ? OptionalDouble.of(f1) : OptionalDouble.empty(),
                told(f1, seconds, learnt));
    }

    private static String told(double f1, double seconds, Learnt learnt) {
        String told =
                Texts.of(Double.isFinite(f1) ? "training.tile" : "training.tile.unscored", Figures.fixed(seconds, 1));
        return learnt instanceof LinearModel linear && !linear.converged()
                ? told + " \u00b7 " + Texts.of("training.tile.not-converged")
                : told;
    }
}
