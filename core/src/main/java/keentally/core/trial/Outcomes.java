package keentally.core.trial;

import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.agree.ObjectFates;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.run.Run;
import keentally.core.step.Findings;
import keentally.core.step.Flow;
import keentally.core.step.State;

/**
 * What an alternative gave.
 *
 * @param state after the step that is tried
 * @param judged what the numbers are of: that state where it parts the picture, else the end of the method
 * @param share per cent of the field that the mask covers; not-a-number without one
 * @param explained per cent of the variance that the step's phases explain; not-a-number without any
 * @param count of objects at the method's end, where there is one
 */
public record Outcomes(State state, State judged, double share, double explained, OptionalDouble count) {

    /**
     * @param stepId the step that is tried
     * @param end the state at the method's end, where it could be reached, with its objects labelled
     */
    public static Outcomes of(Run run, String stepId, Optional<State> end) {
        Run.Station station = run.station(stepId).orElseThrow();
        State state = station.after();
        State judged = state.seen() == Flow.PICTURE ? end.orElse(state) : state;
        double share = judged.seen() == Flow.PICTURE
                ? Double.NaN
                : judged.mask()
                        .map(m -> 100.0 * m.count() / judged.field().pixels())
                        .orElse(Double.NaN);
        OptionalDouble count = end.flatMap(State::objects)
                .map(o -> OptionalDouble.of(o.count()))
                .orElse(OptionalDouble.empty());
        double explained = station.findings().find(Findings.EXPLAINED).orElse(Double.NaN);
        return new Outcomes(state, judged, share, explained, count);
    }

    /**
     * Per cent of the field's pixels that are on another side, in another phase, or in another object; not-a-number where these are not
     * alike. Two objects are the same where each is what the other has most in common with.
     */
    public double differs(Outcomes other) {
        State a = judged;
        State b = other.judged;
        double field = b.field().pixels();
        if (a.objects().isPresent() && b.objects().isPresent()) {
            return 100 * SameObjects.unlike(a.needObjects(), b.needObjects()) / field;
        }
        if (a.mask().isPresent() && b.mask().isPresent()) {
            return 100 * unlike(a.needMask(), b.needMask()) / field;
        }
        return a.phases().isPresent() && b.phases().isPresent()
                ? 100 * unlike(a.needPhases(), b.needPhases()) / field
                : Double.NaN;
    }

    /** What became of another alternative's objects in this one; empty where one of them tells no objects apart. */
    public Optional<ObjectFates> fates(Outcomes from) {
        return judged.objects().isPresent() && from.judged.objects().isPresent()
                ? Optional.of(ObjectFates.of(from.judged.needObjects(), judged.needObjects()))
                : Optional.empty();
    }

    private static double unlike(Mask a, Mask b) {
        long count = 0;
        for (int i = 0; i < a.words().length; i++) {
            count += Long.bitCount(a.words()[i] ^ b.words()[i]);
        }
        return count;
    }

    private static double unlike(PhaseMap a, PhaseMap b) {
        byte[] one = a.map().values();
        byte[] other = b.map().values();
        long count = 0;
        for (int i = 0; i < one.length; i++) {
            count += one[i] != other[i] ? 1 : 0;
        }
        return count;
    }
}
