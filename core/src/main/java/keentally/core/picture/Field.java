package keentally.core.picture;

import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.geometry.ShapeRow;

/**
 * The measured part of a picture. A pixel is in where its centre is in or on the shapes. What lies outside counts nowhere:
 * it is in no histogram, no mask and no share, and its edge is neutral.
 */
public final class Field {
    private final int width;
    private final int height;
    private final Optional<Mask> inside;
    private final long pixels;

    private Field(int width, int height, Optional<Mask> inside) {
        this.width = width;
        this.height = height;
        this.inside = inside;
        this.pixels = inside.map(Mask::count).orElse((long) width * height);
    }

    /** The whole picture. */
    public static Field whole(int width, int height) {
        Sizes.check(width, height);
        return new Field(width, height, Optional.empty());
    }

    /** The pixels of a mask; a full mask is the whole picture. */
    public static Field of(Mask mask) {
        boolean all = mask.count() == (long) mask.width() * mask.height();
        return new Field(mask.width(), mask.height(), all ? Optional.empty() : Optional.of(mask));
    }

    /**
     * The shapes that are added, all together, without those that are taken away; where none is added, everything without
     * them. The order of the parts makes no difference.
     *
     * @throws IllegalArgumentException where no pixel is left
     */
    public static Field of(int width, int height, List<Part> parts) {
        if (parts.isEmpty()) {
            return whole(width, height);
        }
        boolean adds = parts.stream().anyMatch(p -> !p.takenAway());
        Mask mask = adds ? Mask.empty(width, height) : Mask.full(width, height);
        for (Part part : parts) {
            mask = part.takenAway() ? mask : mask.or(within(part.shape(), width, height));
        }
        for (Part part : parts) {
            mask = part.takenAway() ? mask.minus(within(part.shape(), width, height)) : mask;
        }
        if (mask.count() == 0) {
            throw new IllegalArgumentException("the field holds no pixel of this picture of " + width + " × " + height);
        }
        return of(mask);
    }

    /** The pixels of a picture whose centres lie in or on a shape; none where it lies beside the picture. */
    public static Mask within(Shape shape, int width, int height) {
        Rectangle box = shape.bounds();
        int left = (int) Math.clamp(Math.floor(box.x()), 0, width);
        int right = (int) Math.clamp(Math.ceil(box.right()), 0, width);
        int top = (int) Math.clamp(Math.floor(box.y()), 0, height);
        int bottom = (int) Math.clamp(Math.ceil(box.bottom()), 0, height);
        int stride = Mask.stride(width);
        long[] words = new long[stride * height];
        for (int y = top; y < bottom; y++) {
            int row = y;
            ShapeRow.runs(shape, y + 0.5, left, right, (from, to) -> Mask.setRun(words, row * stride, from, to));
        }
        return Mask.of(width, height, words);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public boolean isWhole() {
        return inside.isEmpty();
    }

    /** The pixels inside, where that is not simply all of them. */
    public Optional<Mask> inside() {
        return inside;
    }

    /** The pixels inside, as a mask in any case. */
    public Mask mask() {
        return inside.orElseGet(() -> Mask.full(width, height));
    }

    /** Whether the pixel is inside; false for any outside the picture. */
    public boolean contains(int x, int y) {
        return x >= 0
                && y >= 0
                && x < width
                && y < height
                && inside.map(m -> m.at(x, y)).orElse(true);
    }

    /** Number of pixels inside. */
    public long pixels() {
        return pixels;
    }

    /** The pixels whose four or eight neighbours all lie inside as well; empty for a field one pixel thin. */
    public Mask inner(Neighbours neighbours) {
        Mask all = mask();
        int stride = all.stride();
        long[] in = all.words();
        long[] out = new long[in.length];
        for (int y = 1; y < height - 1; y++) {
            for (int i = y * stride; i < (y + 1) * stride; i++) {
                boolean first = i == y * stride;
                boolean last = i == (y + 1) * stride - 1;
                long kept = sides(in, i, first, last);
                kept &= neighbours == Neighbours.EIGHT
                        ? sides(in, i - stride, first, last) & sides(in, i + stride, first, last)
                        : in[i - stride] & in[i + stride];
                out[i] = kept;
            }
        }
        return Mask.of(width, height, out);
    }

    /** The pixels whose neighbours to the right and below both lie inside as well. */
    public Mask innerRightAndBelow() {
        Mask all = mask();
        int stride = all.stride();
        long[] in = all.words();
        long[] out = new long[in.length];
        for (int y = 0; y < height - 1; y++) {
            for (int i = y * stride; i < (y + 1) * stride; i++) {
                long fromRight = in[i] >>> 1 | (i == (y + 1) * stride - 1 ? 0 : in[i + 1] << 63);
                out[i] = in[i] & fromRight & in[i + stride];
            }
        }
        return Mask.of(width, height, out);
    }

    /** The bits of word {@code i} that are set together with the bits left and right of them. */
    private static long sides(long[] words, int i, boolean first, boolean last) {
        long word = words[i];
        long fromLeft = word << 1 | (first ? 0 : words[i - 1] >>> 63);
        long fromRight = word >>> 1 | (last ? 0 : words[i + 1] << 63);
        return word & fromLeft & fromRight;
    }

    /** The mask without what lies outside the field. */
    public Mask clip(Mask mask) {
        return inside.map(mask::and).orElse(mask);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Field f && f.width == width && f.height == height && f.inside.equals(inside);
    }

    @Override
    public int hashCode() {
        return 31 * width + 7 * height + Long.hashCode(pixels);
    }

    @Override
    public String toString() {
        return "Field[" + pixels + " of " + width + " × " + height + "]";
    }

    /** A shape that is added to the field or taken away from it. */
    public record Part(Shape shape, boolean takenAway) {}
}
