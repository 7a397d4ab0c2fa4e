package keentally.core.refine;

/**
 * How pixels hold together.
 *
 * @param position how far a pixel looks for others that are alike, in px: one sigma
 * @param colour how much values may differ and still count as alike, on the 0 to 255 scale: one sigma
 * @param appearance how much near and alike pixels weigh against what was said of the pixel
 * @param smooth how far a pixel looks for others whatever their colour, in px: one sigma
 * @param smoothness how much these weigh
 * @param rounds how often all pixels are asked
 */
public record RefinePlan(
        double position, double colour, double appearance, double smooth, double smoothness, int rounds) {
    public RefinePlan {
        if (!(position > 0 && colour > 0 && smooth > 0)) {
            throw new IllegalArgumentException("widths must be above 0");
        }
    }
}
