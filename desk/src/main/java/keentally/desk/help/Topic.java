package keentally.desk.help;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import keentally.core.measure.Measure;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.step.StepDescription;
import keentally.core.work.Cancel;
import keentally.desk.model.TrialRuns;
import keentally.study.caution.CautionKind;

/** What the help can tell of. */
public sealed interface Topic {
    /** A kind of station, with all its settings. */
    record OfStation(StepDescription step) implements Topic {}

    record OfMeasure(Measure measure) implements Topic {}

    record OfCaution(CautionKind kind) implements Topic {}

    /**
     * A number, and what it would be at neighbouring settings.
     *
     * @param name what it is a number of
     * @param told as it stands on the desk, with its unit
     * @param definition how it is worked out, sentence by sentence
     * @param upTo the station that gave it; all that come before it are its inputs
     * @param again the number of another run; empty where it makes no sense there
     */
    record OfNumber(String name, String told, List<String> definition, String upTo, Optional<Again> again)
            implements Topic {}

    /** Works a number out for another run of the method. */
    record Again(Reading reading, DoubleFunction<String> words) {}

    /** Away from the interface thread. */
    @FunctionalInterface
    interface Reading {
        OptionalDouble of(Run whole, TrialRuns trials, TrialRuns.TrialSample sample, Cancel cancel) throws RunFault;
    }
}
