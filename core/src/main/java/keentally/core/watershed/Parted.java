package keentally.core.watershed;

import keentally.core.region.Regions;

/**
 * What floods have parted.
 *
 * @param regions one from each marker, in reading order of the pieces that they lie in
 * @param markers where each region began: row times the picture's width, and column
 */
public record Parted(Regions regions, int[] markers) {}
