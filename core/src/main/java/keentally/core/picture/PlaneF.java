package keentally.core.picture;

/** Floating point values; not-a-number is allowed and belongs to no phase. */
public final class PlaneF implements Plane {
    private final int width;
    private final int height;
    private final float[] values;

    private PlaneF(int width, int height, float[] values) {
        this.width = width;
        this.height = height;
        this.values = values;
    }

    /** Takes the array over: {@code width * height} values, row by row. */
    public static PlaneF of(int width, int height, float[] values) {
        Sizes.check(width, height, values.length);
        return new PlaneF(width, height, values);
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
        return Depth.FLOAT;
    }

    @Override
    public float at(int x, int y) {
        return values[y * width + x];
    }

    @Override
    public void readRow(int y, int fromX, int toX, float[] into, int start) {
        System.arraycopy(values, y * width + fromX, into, start, toX - fromX);
    }

    /** The storage itself, row by row, for kernels; never written to. */
    public float[] values() {
        return values;
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(values, bytes());
    }
}
