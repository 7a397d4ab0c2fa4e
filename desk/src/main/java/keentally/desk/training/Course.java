package keentally.desk.training;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import keentally.core.classify.ClassPicture;
import keentally.core.classify.Classifier;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.Learnt;
import keentally.core.classify.Lessons;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.classify.NextPlaces;
import keentally.core.classify.Scores;
import keentally.core.classify.TrainingPlan;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.ClassStrokes;
import keentally.core.method.Method;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.RunFault;
import keentally.core.step.State;
import keentally.core.view.Viewport;
import keentally.core.work.Deadline;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;

/**
 * One training from the strokes to the last pixel, in pieces that are short enough for everything else that is looked at to have its turn between them: what is painted, a quick learner's
 * coarse answer, the whole learner's, what is in sight pixel by pixel, scores, and the rest. A piece that is broken off is begun again.
 */
final class Course {
    /** Trees and examples that answer while a hand is still near. */
    private static final int QUICK_TREES = 8;

    private static final int QUICK_EXAMPLES = 3000;

    /** Of the chance by which examples are drawn. */
    static final long SEED = 1;

    private static final long BETWEEN_NANOS = 250_000_000L;

    /** Of a square that is asked to be painted, in pixels at least. */
    private static final int SQUARE = 24;

    private final Asked asked;
    private final Inputs inputs;
    private Stage stage = Stage.PAINTED;
    private Optional<Learned> learned = Optional.empty();
    private Optional<Prediction> prediction = Optional.empty();
    private Optional<ClassPicture> here = Optional.empty();
    private Plane8 drawn;
    private List<ClassLabel> classes = List.of();
    private Lessons lessons;
    private Examples examples;
    private Learned.From from;
    private FeatureSet set;
    private List<News.Place> next = List.of();
    private News news = News.NONE;
    private Stage toldAt = Stage.PAINTED;
    private long told;

    /**
     * What is to be learnt.
     *
     * @param sample on the stage
     * @param strokes of every sample
     * @param readings what makes each of these samples, and the one on the stage
     * @param methods as they go on each of them
     * @param scales of each of them, where known
     * @param before what was learnt the last time
     */
    record Asked(
            String sample,
            String stepId,
            TrainingPlan plan,
            Map<String, ClassStrokes> strokes,
            Map<String, TrialRuns.Reading> readings,
            Map<String, Method> methods,
            Map<String, Scale> scales,
            TrialRuns runs,
            Optional<Learned> before) {}

    private enum Stage {
        PAINTED,
        QUICK,
        WHOLE,
        COARSE,
        IN_SIGHT,
        SCORES,
        REST,
        DONE
    }

    Course(Asked asked, Inputs inputs) {
        this.asked = asked;
        this.inputs = inputs;
    }

    /** How soon the next piece is wanted. */
    Urgency urgency() {
        return switch (stage) {
            case PAINTED, QUICK -> Urgency.ASKED;
            case WHOLE, COARSE, IN_SIGHT -> Urgency.BESIDE;
            case SCORES, REST, DONE -> Urgency.NEIGHBOURS;
        };
    }

    boolean isDone() {
        return stage == Stage.DONE;
    }

    News news() {
        return news;
    }

    /** Does the next piece. */
    void step(Optional<Viewport> view, Work work) {
        try {
            switch (stage) {
                case PAINTED -> paint(work);
                case QUICK -> quick(work);
                case WHOLE -> whole(work);
                case COARSE -> readMore(view, work);
                case IN_SIGHT -> stage = current().askFine(view, true, work) ? Stage.IN_SIGHT : Stage.SCORES;
                case SCORES -> score(work);
                case REST -> stage = current().askFine(view, false, work) ? Stage.REST : Stage.DONE;
                case DONE -> {}
            }
            tell("");
        } catch (IllegalArgumentException | FileFault | RunFault e) {
            stage = Stage.DONE;
            tell(Texts.complaint(e.getMessage()));
        }
    }

    private Prediction current() {
        return prediction.orElseThrow();
    }

    private void tell(String fault) {
        if (stage == toldAt && System.nanoTime() - told < BETWEEN_NANOS && fault.isEmpty()) {
            return; // the whole picture is handed out with every word
        }
        toldAt = stage;
        told = System.nanoTime();
        Optional<PhaseMap> map = prediction.map(p -> named(p.seen(), classes));
        Optional<Mask> wrong = prediction.flatMap(p -> here.map(h -> wrong(p, h)));
        news = new News(
                asked.sample,
                news.under(),
                news.painted(),
                news.strokes(),
                map,
                prediction.map(Prediction::part).orElse(0.0),
                learned,
                wrong,
                next,
                fault);
    }

    private static PhaseMap named(Plane8 map, List<ClassLabel> classes) {
        return new PhaseMap(
                map,
                classes.stream().map(ClassLabel::name).toList(),
                classes.stream().map(c -> c.colour().packed()).toList());
    }

    /** What is painted here, before anything is learnt. */
    private void paint(Work work) throws FileFault, RunFault {
        State under = state(asked.sample, work);
        ClassStrokes strokes = asked.strokes.getOrDefault(asked.sample, ClassStrokes.NONE);
        TreeSet<String> names = new TreeSet<>();
        asked.strokes.values().forEach(s -> names.addAll(s.names()));
        classes = asked.plan.classes().stream()
                .filter(c -> names.contains(c.name()))
                .toList();
        if (!classes.isEmpty()) {
            here = Optional.of(painted(asked.sample, under, strokes));
            drawn = here.get().drawn(PhaseMap.OUTSIDE);
        }
        news = new News(
                asked.sample,
                Optional.of(under),
                here.map(h -> named(drawn, classes)),
                strokes.list().size(),
                Optional.empty(),
                0,
                Optional.empty(),
                Optional.empty(),
                List.of(),
                "");
        stage = Stage.QUICK;
        if (classes.size() < 2) {
            stage = Stage.DONE; // said by the panel: there is nothing to tell apart yet
        }
    }

    private ClassPicture painted(String sample, State under, ClassStrokes strokes) {
        return ClassPicture.of(
                under.field().width(),
                under.field().height(),
                strokes,
                classes,
                at(sample, under.current().isColour()).reach());
    }

    /** The features as wide as they are on a sample of another scale. */
    private FeatureSet at(String sample, boolean colour) {
        return asked.plan.features(colour).at(trainedAt(), Optional.ofNullable(asked.scales.get(sample)));
    }

    private State state(String sample, Work work) throws FileFault, RunFault {
        return Inputs.before(
                asked.methods.get(sample), asked.stepId, asked.runs, asked.readings.get(sample), work.cancel());
    }

    /** From a few examples: seen at once, wherever the features of the picture are known already. */
    private void quick(Work work) throws FileFault, RunFault {
        gather(work);
        if (asked.before.filter(b -> b.from().equals(from)).isPresent()) {
            learned = asked.before;
            predict(learned.get().classifier().learnt(), work);
            stage = Stage.COARSE;
            return;
        }
        examples = lessons.examples(asked.plan.examples(), SEED, work);
        Examples few = few(examples);
        LearnerPlan plan = asked.plan.learner() instanceof ForestPlan forest
                ? forest.of(Math.min(QUICK_TREES, forest.trees()))
                : asked.plan.learner();
        predict(plan.learn(few, work), work);
        stage = Stage.WHOLE;
    }

    /** Every so many, but all of a class that has few. */
    private static Examples few(Examples all) {
        int[] counts = new int[all.classes()];
        Arrays.stream(all.classOf()).forEach(c -> counts[c]++);
        int[] seen = new int[all.classes()];
        int most = QUICK_EXAMPLES / all.classes();
        return all.at(IntStream.range(0, all.count())
                .filter(i -> {
                    int c = all.classOf()[i];
                    int every = Math.max(1, counts[c] / most);
                    return seen[c]++ % every == 0;
                })
                .toArray());
    }

    private void gather(Work work) throws FileFault, RunFault {
        Map<String, State> states = new TreeMap<>();
        for (String sample : asked.strokes.keySet()) {
            states.put(sample, state(sample, work));
        }
        boolean colour = states.values().iterator().next().current().isColour();
        set = asked.plan.features(colour);
        List<Lesson> all = new ArrayList<>();
        for (Map.Entry<String, State> one : states.entrySet()) {
            boolean isHere = one.getKey().equals(asked.sample);
            all.add(new Lesson(
                    inputs.of(one.getKey(), one.getValue(), at(one.getKey(), colour))
                            .features(),
                    isHere
                            ? here.orElseThrow()
                            : painted(one.getKey(), one.getValue(), asked.strokes.get(one.getKey()))));
        }
        lessons = Lessons.of(all, Optional.of(""));
        from = new Learned.From(
                asked.plan,
                asked.strokes,
                states.values().stream().map(State::current).toList());
    }

    /** That of the first sample that something is painted on. */
    private Optional<Scale> trainedAt() {
        return asked.strokes.keySet().stream().findFirst().flatMap(s -> Optional.ofNullable(asked.scales.get(s)));
    }

    private void predict(Learnt learnt, Work work) {
        State under = news.under().orElseThrow();
        Inputs.Input input = inputs.of(asked.sample, under, at(asked.sample, set.colour()));
        Prediction fresh = new Prediction(learnt, input.features().rows(), input.grid(), under.field());
        fresh.askKnown(work);
        prediction = Optional.of(fresh);
    }

    private void whole(Work work) {
        long begun = System.nanoTime();
        Learnt learnt = asked.plan.learner().learn(examples, work, deadline());
        double seconds = (System.nanoTime() - begun) / 1e9;
        learned = Optional.of(new Learned(
                from,
                lessons.summary(),
                examples,
                new Classifier(set, classes, learnt, trainedAt()),
                learnt instanceof Forest forest ? forest.trees().size() : 0,
                seconds,
                Optional.empty()));
        predict(learnt, work);
        stage = Stage.COARSE;
    }

    private Deadline deadline() {
        OptionalInt seconds = asked.plan.seconds();
        return seconds.isPresent() ? Deadline.in(seconds.getAsInt()) : Deadline.NEVER;
    }

    private void score(Work work) {
        Learned now = learned.orElseThrow();
        if (now.scores().isEmpty()) {
            LearnerPlan plan =
                    asked.plan.learner() instanceof ForestPlan forest ? forest.of(now.trees()) : asked.plan.learner();
            learned = Optional.of(now.with(Scores.of(now.lessons(), now.examples(), plan, set, work, deadline())));
        }
        stage = Stage.REST;
    }

    private Mask wrong(Prediction predicted, ClassPicture painted) {
        byte[] wrong = new byte[painted.width() * painted.height()];
        for (int i = 0; i < wrong.length; i++) {
            int said = drawn.values()[i] & 0xff;
            int taken = predicted.at(i % painted.width(), i / painted.width());
            wrong[i] = (byte) (said != PhaseMap.OUTSIDE && taken != PhaseMap.OUTSIDE && said != taken ? 1 : 0);
        }
        return Mask.from(wrong, painted.width(), painted.height());
    }

    /** Coarsely, until all of the picture was asked about; then it is known where the learner wavers. */
    private void readMore(Optional<Viewport> view, Work work) {
        if (!current().readMore(view, work)) {
            next = next();
            stage = Stage.IN_SIGHT;
        }
    }

    private List<News.Place> next() {
        Prediction now = current();
        int side = Math.max(1, SQUARE / now.step());
        double pixels = (double) side * now.step();
        NextPlaces.Painted painted = (column, row) ->
                here.filter(h -> h.anyIn(column * pixels, row * pixels, pixels)).isPresent();
        return now.next(side, painted).stream()
                .map(s -> new News.Place(
                        new Rectangle(s.column() * pixels, s.row() * pixels, pixels, pixels),
                        s.wavering(),
                        classes.get(s.first()).name(),
                        classes.get(s.second()).name()))
                .toList();
    }
}
