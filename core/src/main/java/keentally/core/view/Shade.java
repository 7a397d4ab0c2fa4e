package keentally.core.view;

/**
 * How one plane is seen: which of its values are black and white, and in what colour white is.
 *
 * @param red share of red in its white, 0 to 1
 */
public record Shade(Tone tone, double red, double green, double blue) {
    /** For the channels of a sample put together from several grey pictures; to be told apart by anybody, and adding up. */
    private static final int[] OWN = {0x4aa8ff, 0xffb03a, 0xe06fb0, 0x9be3c0, 0xc9b8ff, 0xff8f70};

    static Shade grey(Tone tone) {
        return new Shade(tone, 1, 1, 1);
    }

    /** The colour of the channel at a place in its sample, from 0. */
    static Shade own(int place, Tone tone) {
        int colour = OWN[place % OWN.length];
        return new Shade(tone, (colour >> 16) / 255.0, (colour >> 8 & 255) / 255.0, (colour & 255) / 255.0);
    }

    Shade with(Tone other) {
        return new Shade(other, red, green, blue);
    }

    boolean isGrey() {
        return red == 1 && green == 1 && blue == 1;
    }
}
