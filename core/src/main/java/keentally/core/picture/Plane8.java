package keentally.core.picture;

/** Values 0 to 255, one byte each. */
public final class Plane8 implements Plane {
    private final int width;
    private final int height;
    private final byte[] values;

    private Plane8(int width, int height, byte[] values) {
        this.width = width;
        this.height = height;
        this.values = values;
    }

    /** Takes the array over: {@code width * height} values, row by row. */
    public static Plane8 of(int width, int height, byte[] values) {
        Sizes.check(width, height, values.length);
        return new Plane8(width, height, values);
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
        return Depth.BITS_8;
    }

    @Override
    public float at(int x, int y) {
        return values[y * width + x] & 0xff;
    }

    @Override
    public void readRow(int y, int fromX, int toX, float[] into, int start) {
        int base = y * width;
        for (int x = fromX; x < toX; x++) {
            into[start + x - fromX] = values[base + x] & 0xff;
        }
    }

    /** The storage itself, row by row, for kernels; never written to. */
    public byte[] values() {
        return values;
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(values, bytes());
    }
}
