package keentally.desk.objects;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.region.ObjectSet;
import keentally.core.step.EditObjectsStep;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRun;

/** Corrections by hand from tables and line-ups: they go to the station for corrections at the method's end, which is added where it is not there. */
public final class ByHand {
    private static final StepDescription EDIT = Steps.find(EditObjectsStep.ID).orElseThrow();

    private final DeskModel desk;

    public ByHand(DeskModel desk) {
        this.desk = desk;
    }

    /** Regions of the final objects are no objects. */
    void drop(Collection<Integer> regions) {
        done(regions, Correction.Drop::new, "edit.did.drop", true);
    }

    /** Regions that were dropped are kept after all. */
    void restore(Collection<Integer> regions) {
        done(regions, Correction.Restore::new, "edit.did.restore", false);
    }

    /** Regions of the final objects are of classes, in one action. @param sorted by the name of the class; an empty name for of none */
    public void sort(Map<String, ? extends Collection<Integer>> sorted) {
        List<Correction> made = new ArrayList<>();
        int all = 0;
        for (Map.Entry<String, ? extends Collection<Integer>> one : sorted.entrySet()) {
            List<Point> on = places(one.getValue(), true);
            if (!on.isEmpty()) {
                made.add(new Correction.Sort(on, one.getKey()));
                all += on.size();
            }
        }
        add(made, Texts.of("edit.did.sorted", all));
    }

    private void done(
            Collection<Integer> regions, Function<List<Point>, Correction> made, String said, boolean ofKept) {
        List<Point> on = places(regions, ofKept);
        add(on.isEmpty() ? List.of() : List.of(made.apply(on)), Texts.of(said, on.size()));
    }

    private List<Point> places(Collection<Integer> regions, boolean ofKept) {
        Optional<ObjectSet> objects = desk.shown().get().flatMap(SampleRun::objects);
        return objects.stream()
                .flatMap(o -> regions.stream()
                        .filter(r -> o.isKept(r) == ofKept)
                        .sorted()
                        .map(r -> o.regions().inside(r)))
                .toList();
    }

    private void add(List<Correction> made, String said) {
        if (made.isEmpty()) {
            desk.say(Texts.of("edit.choose"));
            return;
        }
        Method method = desk.method();
        Optional<MethodStep> there = method.steps().stream()
                .filter(s -> !s.muted())
                .reduce((a, b) -> b)
                .filter(s -> s.description() == EDIT);
        Method next = there.isPresent() ? method : method.add(method.steps().size(), EDIT);
        String step =
                there.map(MethodStep::id).orElseGet(() -> next.steps().getLast().id());
        String sample = desk.sampleId().get();
        Corrections before = desk.study().get().hand(sample, desk.methodId()).get(step) instanceof Corrections c
                ? c
                : Corrections.NONE;
        Corrections all = before;
        for (Correction one : made) {
            all = all.and(one);
        }
        Corrections kept = all;
        desk.change(said, m -> next, s -> s.withHand(sample, desk.methodId(), step, Optional.of(kept)));
    }
}
