package keentally.core.hand;

/** One step's hand work on one sample. Positions are in pixels of the picture. */
public sealed interface HandWork permits Corrections, Painting, Seeds, Strokes {}
