package keentally.core.hand;

import java.util.List;

/** Hand work on one sample, one step's or one counter's: what was done, in its order. Positions are in pixels of the picture. */
public sealed interface HandWork permits Brought, ClassStrokes, Corrections, Marks, Painting, Seeds, Strokes {
    /** Each thing that was done, in its order. */
    List<?> parts();
}
