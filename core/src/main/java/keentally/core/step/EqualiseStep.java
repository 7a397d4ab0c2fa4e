package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.Equalise;

/** Spreads the values of every channel evenly over the range. */
record EqualiseStep() implements Step {
    static final StepDescription DESCRIPTION = new StepDescription(
            "equalise", 1, Flow.PICTURE, Flow.PICTURE, Set.of(Use.FIELD), List.of(), v -> new EqualiseStep());

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double most = before.original().depth().most();
        return new Outcome(
                before.give(EachChannel.of(before.current(), p -> Equalise.of(p, before.field(), most, site.work()))),
                Findings.NONE);
    }
}
