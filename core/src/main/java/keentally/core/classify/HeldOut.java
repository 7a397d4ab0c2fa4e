package keentally.core.classify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import keentally.core.classify.FeatureSet.Feature;
import keentally.core.work.Deadline;
import keentally.core.work.Work;

/**
 * Learners that were each kept from some of the examples, to be asked about those: of examples that were learnt from, a score would say nothing.
 *
 * <p>Definition: groups (strokes, or blocks of a painted picture) are dealt out in turn over at most five rounds, class by class, so that each
 * class is in as many rounds as it has groups; in each round it is learnt from the others. A feature's importance is the mean F1 over the classes less the same with
 * the feature's values shuffled among the examples held out; of several features, all shuffled in the one order.
 *
 * <p>Edge cases: examples without a group take no part; a class with a single group can never be held out and has no scores; where a class has no group at all, nothing can
 * be learnt without those, and nothing is held out.
 */
public final class HeldOut {
    private static final int MOST_ROUNDS = 5;

    private final Examples examples;
    private final List<Round> rounds;
    private final int wanted;
    private final Confusion confusion;

    /** @param held the examples that it was kept from */
    private record Round(Learnt learnt, int[] held) {}

    /** What a feature, or a group of them, is for. @param lost of the mean F1 where it is shuffled */
    public record Importance(String name, double lost) {}

    private HeldOut(Examples examples, List<Round> rounds, int wanted) {
        this.examples = examples;
        this.rounds = rounds;
        this.wanted = wanted;
        this.confusion = confusion(f -> false, 0);
    }

    /** Learns as often as there are rounds. */
    public static HeldOut of(Examples examples, LearnerPlan plan, Work work) {
        return of(examples, plan, work, Deadline.NEVER);
    }

    /** Learns as often as there are rounds, and time; once at least. */
    public static HeldOut of(Examples examples, LearnerPlan plan, Work work, Deadline until) {
        int[] round = rounds(examples);
        List<Round> rounds = new ArrayList<>();
        int wanted = IntStream.of(round).max().orElse(-1) + 1;
        for (int r = 0; r < wanted && (r == 0 || !until.isPast()); r++) {
            int now = r;
            int[] held = IntStream.range(0, examples.count())
                    .filter(i -> round[i] == now)
                    .toArray();
            int[] learnt = IntStream.range(0, examples.count())
                    .filter(i -> round[i] != now && examples.groups()[i] != Lessons.GAP)
                    .toArray();
            rounds.add(new Round(plan.learn(examples.at(learnt), work), held));
        }
        return new HeldOut(examples, rounds, wanted);
    }

    /** The round in which each example is held out; −1 for never, where its class has no other group. */
    private static int[] rounds(Examples examples) {
        int[] round = new int[examples.count()];
        Arrays.fill(round, -1);
        long grouped = IntStream.range(0, examples.count())
                .filter(i -> examples.groups()[i] != Lessons.GAP)
                .map(i -> examples.classOf()[i])
                .distinct()
                .count();
        if (grouped < examples.classes()) {
            return round;
        }
        for (int c = 0; c < examples.classes(); c++) {
            Map<Integer, Integer> turns = new HashMap<>();
            for (int i = 0; i < examples.count(); i++) {
                if (examples.classOf()[i] == c && examples.groups()[i] != Lessons.GAP) {
                    turns.putIfAbsent(examples.groups()[i], turns.size());
                }
            }
            int rounds = Math.min(MOST_ROUNDS, turns.size());
            for (int i = 0; i < examples.count() && rounds > 1; i++) {
                if (examples.classOf()[i] == c && examples.groups()[i] != Lessons.GAP) {
                    round[i] = turns.get(examples.groups()[i]) % rounds;
                }
            }
        }
        return round;
    }

    /** How often it was learnt and asked. */
    public int rounds() {
        return rounds.size();
    }

    /** How often it would have been, had there been time. */
    public int wanted() {
        return wanted;
    }

    public Confusion confusion() {
        return confusion;
    }

    /** Each feature, the one that is missed most first. */
    public List<Importance> byFeature(FeatureSet set, long seed, Work work) {
        List<Feature> features = set.features();
        List<List<Integer>> each =
                IntStream.range(0, features.size()).mapToObj(List::of).toList();
        return importance(each, features.stream().map(Feature::toString).toList(), seed, work);
    }

    /** Each group of features, the one that is missed most first. */
    public List<Importance> byGroup(FeatureSet set, long seed, Work work) {
        Map<FeatureGroup, List<Integer>> groups = new LinkedHashMap<>();
        for (int f = 0; f < set.features().size(); f++) {
            groups.computeIfAbsent(set.features().get(f).group(), g -> new ArrayList<>())
                    .add(f);
        }
        return importance(
                List.copyOf(groups.values()),
                groups.keySet().stream().map(FeatureGroup::id).toList(),
                seed,
                work);
    }

    private List<Importance> importance(List<List<Integer>> which, List<String> names, long seed, Work work) {
        double whole = confusion.meanF1();
        List<Importance> found = new ArrayList<>(work.map(
                which.size(),
                w -> new Importance(
                        names.get(w),
                        whole - confusion(which.get(w)::contains, seed).meanF1())));
        found.sort(Comparator.comparingDouble(Importance::lost).reversed());
        return List.copyOf(found);
    }

    /** Whether a feature is shuffled. */
    private interface Shuffled {
        boolean is(int feature);
    }

    private Confusion confusion(Shuffled shuffled, long seed) {
        long[][] counts = new long[examples.classes()][examples.classes()];
        for (Round round : rounds) {
            int[] held = round.held();
            int[] other = shuffled(held, seed);
            float[][] values = new float[examples.features().length][held.length];
            for (int f = 0; f < values.length; f++) {
                int[] from = shuffled.is(f) ? other : held;
                for (int i = 0; i < held.length; i++) {
                    values[f][i] = examples.features()[f][from[i]];
                }
            }
            byte[] called = round.learnt().classOf(values, held.length);
            for (int i = 0; i < held.length; i++) {
                counts[examples.classOf()[held[i]]][called[i]]++;
            }
        }
        return new Confusion(counts);
    }

    private static int[] shuffled(int[] held, long seed) {
        int[] order = held.clone();
        SplittableRandom chance = new SplittableRandom(seed);
        for (int i = order.length - 1; i > 0; i--) {
            int j = chance.nextInt(i + 1);
            int kept = order[i];
            order[i] = order[j];
            order[j] = kept;
        }
        return order;
    }
}
