/**
 * Numbers with units. A {@link keentally.core.quantity.Length} or {@link keentally.core.quantity.Area} is what a person
 * typed, in pixels or in a real unit; a {@link keentally.core.quantity.Scale} says how long a pixel is and turns one into
 * the other. Nothing here guesses: a real unit without a scale is a {@link
 * keentally.core.quantity.MissingScaleException}.
 */
package keentally.core.quantity;
