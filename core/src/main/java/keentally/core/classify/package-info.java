/**
 * Learning by examples: what a pixel's surroundings look like in numbers ({@link keentally.core.classify.FeatureSet}, read by bands of rows),
 * a forest that tells classes apart by them ({@link keentally.core.classify.Forest}), and scores that can be believed ({@link
 * keentally.core.classify.Confusion}), from places that were held out as wholes. Knows pictures and threads, no steps and no files.
 */
package keentally.core.classify;
