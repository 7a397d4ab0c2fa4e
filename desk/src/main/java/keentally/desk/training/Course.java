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
    private static final int QUICK_TREES = 12;

    private static final int QUICK_EXAMPLES = 4000;

    private static final long BETWEEN_NANOS = 400_000_000L;

    /** Of a square that is asked to be painted, in pixels at least. */
    private static final int SQUARE = 24;

    private final Asked asked;
    private final Inputs inputs;
    private Stage stage = Stage.PAINTED;
    private Optional<Learned> learned;
    private Optional<Prediction> prediction = Optional.empty();
    private Optional<ClassPicture> here = Optional.empty();
    private Lessons lessons;
    private Examples examples;
    private Learned.From from;
    private FeatureSet set;
    private News news = News.NONE;
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
        this.learned = Optional.empty();
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
                case COARSE -> stage = current().readMore(view, work) ? Stage.COARSE : Stage.IN_SIGHT;
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
        if (stage == Stage.REST && System.nanoTime() - told < BETWEEN_NANOS && fault.isEmpty()) {
            return; // the whole picture is handed out with every word
        }
        told = System.nanoTime();
        List<ClassLabel> classes =
                learned.map(l -> l.classifier().classes()).orElse(lessons == null ? List.of() : lessons.classes());
        Optional<PhaseMap> map = prediction.map(p -> named(p.seen(), classes));
        Optional<Mask> wrong = prediction.flatMap(p -> here.map(h -> wrong(p, h, classes)));
        news = new News(
                asked.sample,
                news.under(),
                news.painted(),
                news.strokes(),
                map,
                prediction.map(Prediction::part).orElse(0.0),
                learned,
                wrong,
                stage.ordinal() > Stage.COARSE.ordinal() && prediction.isPresent() ? next(classes) : news.next(),
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
        List<ClassLabel> classes = asked.plan.classes();
        if (!classes.isEmpty()) {
            here = Optional.of(
                    ClassPicture.of(under.field().width(), under.field().height(), strokes, classes, reach(under)));
        }
        news = new News(
                asked.sample,
                Optional.of(under),
                here.map(h -> named(h.drawn(PhaseMap.OUTSIDE), classes)),
                strokes.list().size(),
                Optional.empty(),
                0,
                Optional.empty(),
                Optional.empty(),
                List.of(),
                "");
        stage = Stage.QUICK;
        if (asked.strokes.values().stream()
                        .flatMap(s -> s.names().stream())
                        .distinct()
                        .count()
                < 2) {
            stage = Stage.DONE; // said by the panel: there is nothing to tell apart yet
        }
    }

    private double reach(State under) {
        return asked.plan.features(under.current().isColour()).reach();
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
            lessons = learned.get().lessons();
            predict(learned.get().classifier().learnt(), work);
            stage = Stage.COARSE;
            return;
        }
        examples = lessons.examples(asked.plan.examples(), 1, work);
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
        TreeSet<String> names = new TreeSet<>();
        asked.strokes.values().forEach(s -> names.addAll(s.names()));
        List<ClassLabel> classes = asked.plan.classes().stream()
                .filter(c -> names.contains(c.name()))
                .toList();
        Map<String, State> states = new TreeMap<>();
        for (String sample : asked.strokes.keySet()) {
            states.put(sample, state(sample, work));
        }
        boolean colour = states.values().iterator().next().current().isColour();
        set = asked.plan.features(colour);
        List<Lesson> all = new ArrayList<>();
        for (Map.Entry<String, State> one : states.entrySet()) {
            FeatureSet here = set.at(trainedAt(), Optional.ofNullable(asked.scales.get(one.getKey())));
            all.add(new Lesson(
                    inputs.of(one.getKey(), one.getValue(), here).features(),
                    ClassPicture.of(
                            one.getValue().field().width(),
                            one.getValue().field().height(),
                            asked.strokes.get(one.getKey()),
                            classes,
                            here.reach())));
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
        FeatureSet at = set.at(trainedAt(), Optional.ofNullable(asked.scales.get(asked.sample)));
        Inputs.Input input = inputs.of(asked.sample, under, at);
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
                lessons,
                examples,
                new Classifier(set, lessons.classes(), learnt, trainedAt()),
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
        if (now.scores().isEmpty() && isScored(now.examples())) {
            LearnerPlan plan =
                    asked.plan.learner() instanceof ForestPlan forest ? forest.of(now.trees()) : asked.plan.learner();
            learned = Optional.of(now.with(Scores.of(now.lessons(), now.examples(), plan, set, work, deadline())));
        }
        stage = Stage.REST;
    }

    /** Whether every class has an example that belongs to a group: one that lies in gaps alone can be learnt from, but not held out. */
    private static boolean isScored(Examples examples) {
        boolean[] grouped = new boolean[examples.classes()];
        for (int i = 0; i < examples.count(); i++) {
            grouped[examples.classOf()[i]] |= examples.groups()[i] >= 0;
        }
        for (boolean any : grouped) {
            if (!any) {
                return false;
            }
        }
        return true;
    }

    private static Mask wrong(Prediction predicted, ClassPicture painted, List<ClassLabel> classes) {
        byte[] wrong = new byte[painted.width() * painted.height()];
        Plane8 drawn = painted.drawn(PhaseMap.OUTSIDE);
        int[] number = painted.values().stream()
                .skip(1)
                .mapToInt(v -> classes.stream().map(ClassLabel::name).toList().indexOf(v.name()))
                .toArray();
        for (int i = 0; i < wrong.length; i++) {
            int said = drawn.values()[i] & 0xff;
            int taken = predicted.at(i % painted.width(), i / painted.width());
            wrong[i] = (byte) (said < number.length && taken != PhaseMap.OUTSIDE && number[said] != taken ? 1 : 0);
        }
        return Mask.from(wrong, painted.width(), painted.height());
    }

    private List<News.Place> next(List<ClassLabel> classes) {
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
