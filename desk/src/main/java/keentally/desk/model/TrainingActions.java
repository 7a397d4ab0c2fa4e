package keentally.desk.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.TrainingPlan;
import keentally.core.colour.Rgb;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.setting.Reference;
import keentally.core.step.ClassifyStep;
import keentally.desk.look.Texts;
import keentally.study.document.Study;

/** What a station of the method in use is taught: classes, strokes on samples, how it learns, and the model that comes of it. */
public final class TrainingActions {
    private final DeskModel desk;
    private final String methodId;
    private final String stepId;

    /** For a station of the method in use. */
    public TrainingActions(DeskModel desk, String stepId) {
        this.desk = desk;
        this.methodId = desk.methodId();
        this.stepId = stepId;
    }

    /** Whether the station is gone from the desk, or is none that learns. */
    public boolean isStale() {
        return !desk.methodId().equals(methodId)
                || desk.method()
                        .step(stepId)
                        .filter(s -> s.description().id().equals(ClassifyStep.ID))
                        .isEmpty();
    }

    public String stepId() {
        return stepId;
    }

    public TrainingPlan plan() {
        return desk.study().get().training(methodId, stepId);
    }

    /** What is painted on every sample that anything is painted on. */
    public Map<String, ClassStrokes> strokes() {
        return strokes(desk.study().get());
    }

    private Map<String, ClassStrokes> strokes(Study study) {
        Map<String, ClassStrokes> strokes = new TreeMap<>();
        study.handFor(methodId, stepId).forEach((sample, work) -> {
            if (work instanceof ClassStrokes painted && !painted.list().isEmpty()) {
                strokes.put(sample, painted);
            }
        });
        return strokes;
    }

    /** What is painted on the sample on the stage. */
    public ClassStrokes here() {
        return strokes().getOrDefault(desk.sampleId().get(), ClassStrokes.NONE);
    }

    private void act(String title, UnaryOperator<Study> how) {
        if (!isStale()) {
            desk.act(title, how);
        }
    }

    private Study with(Study study, String sample, ClassStrokes strokes) {
        return study.withHand(
                sample, methodId, stepId, strokes.list().isEmpty() ? Optional.empty() : Optional.of(strokes));
    }

    private Study with(Study study, TrainingPlan plan) {
        return study.withTraining(methodId, stepId, plan);
    }

    /** Paints on the sample on the stage. */
    public void paint(ClassStroke.Brush stroke) {
        String sample = desk.sampleId().get();
        if (!sample.isEmpty()) {
            String title = stroke.as().isEmpty()
                    ? Texts.of("action.training.rub")
                    : Texts.of("action.training.paint", stroke.as());
            act(
                    title,
                    s -> with(
                            s,
                            sample,
                            strokes(s).getOrDefault(sample, ClassStrokes.NONE).and(stroke)));
        }
    }

    /** Takes everything off the sample on the stage. */
    public void clear() {
        String sample = desk.sampleId().get();
        act(Texts.of("action.training.clear"), s -> with(s, sample, ClassStrokes.NONE));
    }

    /** Takes in a painted picture of a sample; classes that are new are added, in the colours it has. */
    public void bring(String sample, ClassStroke.Painted painted, List<ClassLabel> labels) {
        TrainingPlan more = planned(labels);
        act(Texts.of("action.training.bring", painted.origin()), s -> {
            Study painting = with(
                    s,
                    sample,
                    strokes(s).getOrDefault(sample, ClassStrokes.NONE).and(painted));
            return with(painting, more);
        });
    }

    /** With these classes too. @throws IllegalArgumentException in a sentence, where there cannot be so many */
    public TrainingPlan planned(List<ClassLabel> labels) {
        TrainingPlan plan = plan();
        for (ClassLabel label : labels) {
            if (plan.find(label.name()).isEmpty()) {
                plan = plan.and(label);
            }
        }
        return plan;
    }

    /** @throws IllegalArgumentException in a sentence, where there cannot be one more */
    public void addClass(String name) {
        checkName(name, "");
        TrainingPlan more = plan().and(name.strip());
        act(Texts.of("action.training.class", name.strip()), s -> with(s, more));
    }

    private void checkName(String name, String but) {
        if (name.isBlank()) {
            throw new IllegalArgumentException(Texts.of("training.no-name"));
        }
        if (!name.strip().equals(but) && plan().find(name.strip()).isPresent()) {
            throw new IllegalArgumentException(Texts.of("training.twice", name.strip()));
        }
    }

    /** Calls a class otherwise, on every sample. @throws IllegalArgumentException in a sentence, where another is called so */
    public void rename(String before, String after) {
        String name = after.strip();
        checkName(name, before);
        if (!name.equals(before)) {
            everywhere(
                    Texts.of("action.training.rename", before),
                    plan().classes().stream()
                            .map(c -> c.name().equals(before) ? new ClassLabel(name, c.colour()) : c)
                            .toList(),
                    n -> n.equals(before) ? name : n);
        }
    }

    public void colour(String name, Rgb colour) {
        List<ClassLabel> classes = plan().classes().stream()
                .map(c -> c.name().equals(name) ? new ClassLabel(name, colour) : c)
                .toList();
        act(Texts.of("action.training.colour", name), s -> with(s, plan().with(classes)));
    }

    /** Takes a class out, and all that is painted as it, on every sample. */
    public void removeClass(String name) {
        everywhere(
                Texts.of("action.training.remove-class", name),
                plan().classes().stream().filter(c -> !c.name().equals(name)).toList(),
                n -> n.equals(name) ? "" : n);
    }

    private void everywhere(String title, List<ClassLabel> classes, UnaryOperator<String> renamed) {
        act(title, s -> {
            Study next = with(s, plan().with(classes));
            for (Map.Entry<String, ClassStrokes> one : strokes(s).entrySet()) {
                next = with(next, one.getKey(), one.getValue().renamed(renamed));
            }
            return next;
        });
    }

    /** Learns otherwise. */
    public void plan(String title, TrainingPlan plan) {
        if (!plan.equals(plan())) {
            act(title, s -> with(s, plan));
        }
    }

    /** Makes a model the station's, kept inside the method. */
    public boolean take(Reference model) {
        return !isStale()
                && desk.change(
                        Texts.of("action.training.take"),
                        m -> m.with(
                                stepId, m.step(stepId).orElseThrow().values().with(ClassifyStep.MODEL, model)));
    }

    /** What an action on how it learns is called. @param key of the name of what was changed */
    public static String title(String key) {
        return Texts.of("action.training.plan", Texts.of(key));
    }

    /** How many strokes, or painted pictures, there are of a class on all samples. */
    public int strokesOf(String name) {
        return new ArrayList<>(strokes().values())
                .stream().mapToInt(s -> s.count(name)).sum();
    }
}
