package keentally.desk.help;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.step.StepDescription;
import keentally.core.work.Cancel;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.caution.CautionKind;
import keentally.study.document.Study;

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
     * @param whose of which sample and method
     * @param upTo the station that gave it, all that come before it being its inputs; empty where the whole method did
     * @param again the number of another run; empty where it makes no sense there
     */
    record OfNumber(String name, String told, List<String> definition, Whose whose, String upTo, Optional<Again> again)
            implements Topic {}

    /**
     * A number that other numbers were put together for, or that a person made.
     *
     * @param name what it is a number of
     * @param told as it stands on the desk, with its unit
     * @param definition how it is worked out, sentence by sentence
     * @param from what went into it
     */
    record OfSeveral(String name, String told, List<String> definition, List<Source> from) implements Topic {}

    /**
     * What went into a number.
     *
     * @param sample where one is led to
     * @param named as people know it
     * @param told what it gave, with its unit; empty where that is no number
     * @param why of that number, which comes before being led to the sample; asked when somebody wants to know
     */
    record Source(String sample, String named, String told, Supplier<Optional<Topic>> why) {
        /** What is no number itself. */
        public static Source of(String sample, String named, String told) {
            return new Source(sample, named, told, Optional::empty);
        }
    }

    /**
     * The sample and the method that a number comes from.
     *
     * @param methodId of the study, whose work by hand goes with it
     * @param method as it goes on that sample; may be one that is only tried
     * @param fenced reads the sample where it is fenced otherwise than in the study
     */
    record Whose(String sample, String methodId, Method method, Optional<TrialRuns.Reading> fenced) {
        /** What is on the stage. */
        public static Whose shown(DeskModel desk) {
            return new Whose(desk.sampleId().get(), desk.methodId(), desk.method(), Optional.empty());
        }

        /** A sample of the study with the method that it has there. */
        public static Whose of(Study study, String sample) {
            return of(study, sample, study.sample(sample).orElseThrow().method());
        }

        /** A sample of the study with any of its methods. */
        public static Whose of(Study study, String sample, String methodId) {
            return new Whose(sample, methodId, study.methodOn(sample, methodId), Optional.empty());
        }

        /** Another method tried in the place of that one. */
        public Whose tried(Method other) {
            return new Whose(sample, methodId, other, fenced);
        }

        /** The sample fenced otherwise. */
        public Whose on(TrialRuns.Reading reading) {
            return new Whose(sample, methodId, method, Optional.of(reading));
        }

        /** Whether the sample has these stations, so that one can be led there. */
        boolean stands(Study study) {
            return study.sample(sample).filter(s -> s.method().equals(methodId)).isPresent()
                    && ids(study.methodOn(sample, methodId)).equals(ids(method));
        }

        private static List<String> ids(Method method) {
            return method.steps().stream().map(MethodStep::id).toList();
        }
    }

    /** Works a number out for another run of the method. */
    record Again(Reading reading, DoubleFunction<String> words) {}

    /** Away from the interface thread. */
    @FunctionalInterface
    interface Reading {
        OptionalDouble of(Run whole, TrialRuns trials, TrialRuns.TrialSample sample, Cancel cancel) throws RunFault;
    }
}
