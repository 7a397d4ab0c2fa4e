package keentally.core.stats;

/** How numbers of a kind are averaged. */
public enum Averaging {
    /** As numbers on a line. */
    PLAIN(Double.POSITIVE_INFINITY),
    /** As directions of lines, in degrees: −90 and 90 are the same. */
    AXIAL(180),
    /** As angles, in degrees from 0 up to 360, such as hues: 0 and 360 are the same. */
    CIRCULAR(360);

    private final double turn;

    Averaging(double turn) {
        this.turn = turn;
    }

    /** After how many degrees they begin again; infinite for numbers on a line. */
    double turn() {
        return turn;
    }

    /** The same direction in the range that such numbers are told in: (−90, 90] for lines, [0, 360) for angles. */
    double told(double value) {
        return switch (this) {
            case PLAIN -> value;
            case AXIAL -> value - 180 * Math.ceil((value - 90) / 180);
            case CIRCULAR -> value - 360 * Math.floor(value / 360) + 0.0;
        };
    }

    /** From one to the other the short way round, at most half a turn. */
    double apart(double from, double to) {
        double off = to - from;
        return this == PLAIN ? off : off - turn * Math.rint(off / turn);
    }
}
