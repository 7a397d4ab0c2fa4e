package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.correct.PaintedMask;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;

/** A mask as a hand painted on it, on this very sample. */
record PaintStep() implements Step {
    static final StepDescription DESCRIPTION = new StepDescription(
            "paint", 1, Flow.MASK, Flow.MASK, Set.of(Use.FIELD, Use.HAND_WORK), List.of(), v -> new PaintStep());

    @Override
    public boolean byHand() {
        return true;
    }

    /** Whoever adds it looks at that sample. */
    @Override
    public Optional<HandWork> handToBegin() {
        return Optional.of(Painting.NONE);
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        if (!(site.hand().orElse(null) instanceof Painting painting)) {
            throw new StepFault("is painted by hand, and nobody has looked at the mask of this sample yet");
        }
        PaintedMask painted = PaintedMask.of(before.needMask(), painting.dabs(), before.field(), site.work());
        Findings findings = MaskChange.findings(before.needMask(), painted.mask());
        int unfit = 0;
        for (int i = 0; i < painting.dabs().size(); i++) {
            if (!painted.fits().get(i)) {
                unfit++;
                findings = findings.with("unfit-" + (i + 1), 1);
            }
        }
        findings = findings.with("corrections", painting.dabs().size() - unfit);
        return new Outcome(before.give(painted.mask()), unfit > 0 ? findings.with("unfit", unfit) : findings);
    }
}
