package keentally.core.step;

import java.util.List;
import java.util.Set;

/** Closes the part that was opened last: outside is what was before it, inside what the steps made of it. */
public record RejoinStep() implements Step {
    public static final String ID = "rejoin";

    static final StepDescription DESCRIPTION =
            new StepDescription(ID, 1, Flow.PICTURE, Flow.PICTURE, Set.of(Use.FIELD), List.of(), v -> new RejoinStep());

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double part = before.field().pixels();
        State joined = Rejoining.of(before, site.work());
        return new Outcome(
                joined,
                Findings.NONE
                        .area("part-px2", part)
                        .percent("part-percent", 100 * part / joined.field().pixels()));
    }
}
