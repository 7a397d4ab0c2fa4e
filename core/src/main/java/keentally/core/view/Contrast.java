package keentally.core.view;

/**
 * What is seen black and white, as shares of what is shown without it; so it means the same for every channel.
 *
 * @param black from 0, below {@code white}
 * @param white up to 1
 */
public record Contrast(double black, double white) {
    public static final Contrast AS_IT_IS = new Contrast(0, 1);

    public Contrast {
        if (!(black >= 0 && black < white && white <= 1)) {
            throw new IllegalArgumentException(
                    "contrast runs from at least 0 to at most 1, was " + black + " to " + white);
        }
    }

    Tone of(Tone shown) {
        double range = shown.white() - shown.black();
        return new Tone(shown.black() + black * range, shown.black() + white * range);
    }
}
