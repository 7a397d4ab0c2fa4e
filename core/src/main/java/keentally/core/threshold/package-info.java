/** Cuts: {@link keentally.core.threshold.Cut} turns a plane into a mask by its values; {@code rule} finds where to cut. */
package keentally.core.threshold;
