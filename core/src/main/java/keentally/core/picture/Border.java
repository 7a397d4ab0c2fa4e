package keentally.core.picture;

/** What filters read beyond the picture's border: the picture mirrored at it, the border pixel twice (…, 1, 0 | 0, 1, …). */
public final class Border {
    private Border() {}

    /** The index in [0, length) that stands for {@code index}, which may lie any distance outside. */
    public static int mirror(int index, int length) {
        int period = 2 * length;
        int i = Math.floorMod(index, period);
        return i < length ? i : period - 1 - i;
    }
}
