package keentally.core.picture;

/** Values 0 to 65535, two bytes each. */
public final class Plane16 implements Plane {
    private final int width;
    private final int height;
    private final short[] values;

    private Plane16(int width, int height, short[] values) {
        this.width = width;
        this.height = height;
        this.values = values;
    }

    /** Takes the array over: {@code width * height} values, row by row. */
    public static Plane16 of(int width, int height, short[] values) {
        Sizes.check(width, height, values.length);
        return new Plane16(width, height, values);
    }

    @Override
    public int width() {
        return width;
    }

    @Override
    public int height() {
        return height;
    }

    @Override
    public Depth depth() {
        return Depth.BITS_16;
    }

    @Override
    public float at(int x, int y) {
        return values[y * width + x] & 0xffff;
    }

    @Override
    public void readRow(int y, int fromX, int toX, float[] into, int start) {
        int base = y * width;
        for (int x = fromX; x < toX; x++) {
            into[start + x - fromX] = values[base + x] & 0xffff;
        }
    }

    /** The storage itself, row by row, for kernels; never written to. */
    public short[] values() {
        return values;
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(values, bytes());
    }
}
