package keentally.core.run;

import java.util.List;

/**
 * One phase of a sample. Places are in pixels, brightness in the values of the signal; not-a-number where a phase is empty.
 *
 * @param number from 0
 * @param pixels how many of the field
 * @param percent of the field
 * @param x of the centroid
 * @param y of the centroid
 * @param sd over n
 * @param colour the mean of red, green and blue on the 0 to 255 scale; empty without colour, and of an empty phase
 */
public record PhaseReading(
        int number,
        String name,
        long pixels,
        double percent,
        double x,
        double y,
        double mean,
        double sd,
        List<Double> colour) {
    public PhaseReading {
        colour = List.copyOf(colour);
    }
}
