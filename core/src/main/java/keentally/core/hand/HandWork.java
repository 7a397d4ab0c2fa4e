package keentally.core.hand;

import java.util.List;

/** One step's hand work on one sample: what was done, in its order. Positions are in pixels of the picture. */
public sealed interface HandWork permits Corrections, Painting, Seeds, Strokes {
    /** Each thing that was done, in its order. */
    List<?> parts();
}
