/**
 * Regions pulled to the edges that a picture shows: a {@link keentally.core.refine.PixelField} weighs what was said of each pixel against what is said
 * of pixels near it and alike, wherever they lie. Come in at {@link keentally.core.refine.EdgeRefiner}; this package knows pictures, and no steps.
 */
package keentally.core.refine;
