package keentally.core.run;

/**
 * One phase of a sample. Places are in pixels, brightness in the values of the signal; not-a-number where a phase is empty.
 *
 * @param number from 0
 * @param pixels how many of the field
 * @param percent of the field
 * @param x of the centroid
 * @param y of the centroid
 * @param sd over n
 */
public record PhaseReading(
        int number, String name, long pixels, double percent, double x, double y, double mean, double sd) {}
