package keentally.core.step;

import java.util.List;
import java.util.Set;

/** Chooses what was not chosen, within the field. */
public record InvertMaskStep() implements Step {
    public static final String ID = "invert-mask";

    static final StepDescription DESCRIPTION =
            new StepDescription(ID, 1, Flow.MASK, Flow.MASK, Set.of(Use.FIELD), List.of(), v -> new InvertMaskStep());

    @Override
    public Outcome apply(State before, Site site) {
        var inverted = before.field().mask().minus(before.needMask());
        double percent = 100.0 * inverted.count() / before.field().pixels();
        return new Outcome(
                before.give(inverted),
                MaskChange.findings(before.needMask(), inverted).percent(Findings.CHOSEN, percent));
    }
}
