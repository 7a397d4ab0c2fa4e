package keentally.core.picture;

/** The one check of sizes: at least one pixel, no more than an array holds, as many values as pixels. */
final class Sizes {
    private Sizes() {}

    static void check(int width, int height) {
        if (width < 1 || height < 1) {
            throw new IllegalArgumentException("a picture needs at least one pixel, was " + width + " × " + height);
        }
        if ((long) width * height > Integer.MAX_VALUE - 8) {
            throw new IllegalArgumentException(
                    "a picture of " + width + " × " + height + " pixels is larger than can be held");
        }
    }

    static void check(int width, int height, int values) {
        check(width, height);
        if (width * height != values) {
            throw new IllegalArgumentException(
                    width + " × " + height + " pixels need " + width * height + " values, were " + values);
        }
    }
}
