package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.correct.Correcting;
import keentally.core.hand.Corrections;
import keentally.core.hand.HandWork;
import keentally.core.region.Objects;

/** Objects as they were corrected by hand on this very sample. */
record EditObjectsStep() implements Step {
    static final StepDescription DESCRIPTION = new StepDescription(
            "edit-objects",
            1,
            Flow.OBJECTS,
            Flow.OBJECTS,
            Set.of(Use.FIELD, Use.HAND_WORK),
            List.of(),
            v -> new EditObjectsStep());

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
        Objects objects = before.needObjects();
        if (!(site.hand().orElse(null) instanceof Corrections corrections)) {
            throw new StepFault(
                    "holds corrections by hand, and nobody has gone through the objects of this sample yet");
        }
        Correcting.Corrected corrected = Correcting.of(objects, corrections.list(), before.field(), site.station());
        long unfit = corrected.fits().stream().filter(f -> !f).count();
        Findings findings = GateStep.kept(objects, corrected.objects())
                .with("corrections", corrections.list().size() - unfit)
                .with("by-hand", corrected.touchedKept())
                .with("taken-away", corrected.touchedDropped());
        for (int i = 0; i < corrections.list().size(); i++) {
            findings = corrected.fits().get(i) ? findings : findings.with("unfit-" + (i + 1), 1);
        }
        return new Outcome(before.give(corrected.objects()), unfit > 0 ? findings.with("unfit", unfit) : findings);
    }
}
