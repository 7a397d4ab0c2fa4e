package keentally.core.setting;

/** Numbers in trees: whole ones as long, so that 3 is written 3 and not 3.0. */
final class Trees {
    private static final double MOST_EXACT = 1L << 53;

    private Trees() {}

    static Number number(double value) {
        if (value == Math.rint(value) && Math.abs(value) <= MOST_EXACT) {
            return (long) value;
        }
        return value;
    }
}
