package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.EachValue;
import keentally.core.picture.Depth;
import keentally.core.picture.Plane;
import keentally.core.stats.Histogram;

/**
 * Dark becomes bright: the greatest value that the sample's depth can hold, less the value; in floating point, the field's least
 * and greatest value change places.
 */
record InvertStep() implements Step {
    static final StepDescription DESCRIPTION = new StepDescription(
            "invert", 1, Flow.PICTURE, Flow.PICTURE, Set.of(Use.FIELD), List.of(), v -> new InvertStep());

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        return new Outcome(
                before.give(EachChannel.of(before.current(), plane -> inverted(plane, before, site))), Findings.NONE);
    }

    private static Plane inverted(Plane plane, State before, Site site) {
        Depth depth = before.original().depth();
        float ends = depth.isWhole() ? depth.most() : ends(Histogram.of(plane, before.field(), site.work()));
        return EachValue.of(plane, v -> ends - v, site.work());
    }

    private static float ends(Histogram h) {
        return (float) (h.lowest() + h.upperEdge(h.lastOccupied()));
    }
}
