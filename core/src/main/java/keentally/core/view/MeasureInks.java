package keentally.core.view;

/** Colours for a number: from ink over teal and marigold to paper, ever lighter, so that they keep their order for everybody's eyes. */
public final class MeasureInks {
    private static final int[] STOPS = {0x1e2a38, 0x1f7a80, 0xe0a93a, 0xf4ecd8};

    private MeasureInks() {}

    /** @param share from 0, the least, to 1; what lies beyond has the colour of the end */
    public static int at(double share) {
        double place = Math.clamp(share, 0, 1) * (STOPS.length - 1);
        int below = Math.min(STOPS.length - 2, (int) place);
        return Inks.mix(STOPS[below], STOPS[below + 1], (int) Math.round(256 * (place - below)));
    }
}
