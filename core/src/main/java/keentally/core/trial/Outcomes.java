package keentally.core.trial;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.region.Objects;
import keentally.core.region.Regions;
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
     * alike. An object is known by its first pixel, so that one that was parted keeps the part that begins it.
     */
    public double differs(Outcomes other) {
        State a = judged;
        State b = other.judged;
        double field = b.field().pixels();
        if (a.objects().isPresent() && b.objects().isPresent()) {
            return 100 * unlike(a.needObjects(), b.needObjects()) / field;
        }
        if (a.mask().isPresent() && b.mask().isPresent()) {
            return 100 * unlike(a.needMask(), b.needMask()) / field;
        }
        return a.phases().isPresent() && b.phases().isPresent()
                ? 100 * unlike(a.needPhases(), b.needPhases()) / field
                : Double.NaN;
    }

    private static double unlike(Mask a, Mask b) {
        long count = 0;
        for (int i = 0; i < a.words().length; i++) {
            count += Long.bitCount(a.words()[i] ^ b.words()[i]);
        }
        return count;
    }

    private static double unlike(Objects a, Objects b) {
        int width = a.regions().width();
        int[] one = new int[width];
        int[] other = new int[width];
        int[] firstOfOne = firsts(a.regions());
        int[] firstOfOther = firsts(b.regions());
        long count = 0;
        for (int y = 0; y < a.regions().height(); y++) {
            owners(a, firstOfOne, y, one);
            owners(b, firstOfOther, y, other);
            for (int x = 0; x < width; x++) {
                count += one[x] != other[x] ? 1 : 0;
            }
        }
        return count;
    }

    /** The first pixel of each region, counted from 1. */
    private static int[] firsts(Regions regions) {
        int[] firsts = new int[regions.count()];
        for (int i = 0; i < firsts.length; i++) {
            int run = regions.firstRun(i);
            firsts[i] = regions.runY(run) * regions.width() + regions.runFrom(run) + 1;
        }
        return firsts;
    }

    /** Of each pixel of a row the first pixel of the kept object that it is in; 0 where it is in none. */
    private static void owners(Objects of, int[] firsts, int y, int[] into) {
        Arrays.fill(into, 0);
        of.regions().rows(y, y + 1, (owner, row, from, to) -> {
            if (of.isKept(owner)) {
                Arrays.fill(into, from, to, firsts[owner]);
            }
        });
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
