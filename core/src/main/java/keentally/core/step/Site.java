package keentally.core.step;

import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.work.Work;

/**
 * Where and with what a step is done.
 *
 * @param station the id of the step in its method
 * @param signal the channel that the method takes brightness from
 * @param hand what was done by hand on this sample under this station
 * @param references where the pictures are that the step may refer to
 */
public record Site(String station, String signal, Optional<HandWork> hand, References references, Work work) {
    /** Where nothing was done by hand and nothing is referred to. */
    public static Site of(String station, String signal, Work work) {
        return new Site(station, signal, Optional.empty(), References.NONE, work);
    }
}
