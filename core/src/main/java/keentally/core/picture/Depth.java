package keentally.core.picture;

/** How a plane stores its values. */
public enum Depth {
    /** Whole numbers 0 to 255. */
    BITS_8(8, 255),
    /** Whole numbers 0 to 65535. */
    BITS_16(16, 65535),
    /** 32-bit floating point, any range. */
    FLOAT(32, 1);

    private final int bits;
    private final int most;

    Depth(int bits, int most) {
        this.bits = bits;
        this.most = most;
    }

    public int bits() {
        return bits;
    }

    public boolean isWhole() {
        return this != FLOAT;
    }

    /** The highest value that can be stored; for {@link #FLOAT} the usual white, 1. */
    public int most() {
        return most;
    }
}
