package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import keentally.core.correct.PaintedMask;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;

/** A mask as a hand painted on it, on this very sample. */
public record PaintStep() implements Step {
    public static final String ID = "paint";
    static final StepDescription DESCRIPTION = new StepDescription(
            ID, 1, Flow.MASK, Flow.MASK, Set.of(Use.FIELD, Use.HAND_WORK), List.of(), v -> new PaintStep());

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
        List<Integer> unfit = IntStream.range(0, painting.dabs().size())
                .filter(i -> !painted.fits().get(i))
                .boxed()
                .toList();
        return new Outcome(
                before.give(painted.mask()),
                findings.count(Findings.CORRECTIONS, painting.dabs().size() - unfit.size())
                        .unfit(unfit));
    }
}
