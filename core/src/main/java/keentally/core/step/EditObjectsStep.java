package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.correct.Correcting;
import keentally.core.hand.Corrections;
import keentally.core.hand.HandWork;
import keentally.core.region.ObjectSet;

/** Objects as they were corrected by hand on this very sample. */
public record EditObjectsStep() implements Step {
    public static final String ID = "edit-objects";
    static final StepDescription DESCRIPTION = new StepDescription(
            ID, 1, Flow.OBJECTS, Flow.OBJECTS, Set.of(Use.FIELD, Use.HAND_WORK), List.of(), v -> new EditObjectsStep());

    @Override
    public boolean byHand() {
        return true;
    }

    /** Whoever adds it goes through that sample. */
    @Override
    public Optional<HandWork> handToBegin() {
        return Optional.of(Corrections.NONE);
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ObjectSet objects = before.needObjects();
        if (!(site.hand().orElse(null) instanceof Corrections corrections)) {
            throw new StepFault(
                    "holds corrections by hand, and nobody has gone through the objects of this sample yet");
        }
        Correcting.Outcome corrected = Correcting.of(
                objects,
                corrections.list(),
                before.field(),
                site.station(),
                site.work().cancel());
        List<Integer> unfit = IntStream.range(0, corrections.list().size())
                .filter(i -> !corrected.fits().get(i))
                .boxed()
                .toList();
        Findings findings = GateStep.kept(objects, corrected.objects())
                .count(Findings.CORRECTIONS, corrections.list().size() - unfit.size())
                .count(Findings.BY_HAND, corrected.touchedKept())
                .count(Findings.TAKEN_AWAY, corrected.touchedDropped());
        return new Outcome(before.give(corrected.objects()), findings.unfit(unfit));
    }
}
