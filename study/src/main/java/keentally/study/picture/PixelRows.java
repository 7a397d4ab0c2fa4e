package keentally.study.picture;

import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;

/**
 * A picture as rows of bytes, the highest byte of a value first, as PNG wants it and TIFF can have it.
 *
 * @param samples values a pixel: 1, or 3 for red, green and blue
 * @param bits of a value
 * @param isFloat whether values are floating point, not whole numbers
 */
record PixelRows(int width, int height, int samples, int bits, boolean isFloat, Row row) {
    /** Writes one row. */
    @FunctionalInterface
    interface Row {
        void read(int y, byte[] into);
    }

    static PixelRows of(Plane plane) {
        return of(List.of(plane), plane.depth());
    }

    /** One channel, or red, green and blue. */
    static PixelRows of(Picture picture) {
        List<Plane> planes = picture.channels().stream()
                .limit(picture.isColour() ? 3 : 1)
                .map(Channel::plane)
                .toList();
        return of(planes, picture.depth());
    }

    private static PixelRows of(List<Plane> planes, Depth depth) {
        int width = planes.getFirst().width();
        int height = planes.getFirst().height();
        int step = planes.size() * depth.bits() / 8;
        Row row = (y, into) -> {
            for (int c = 0; c < planes.size(); c++) {
                read(planes.get(c), y, into, c * depth.bits() / 8, step);
            }
        };
        return new PixelRows(width, height, planes.size(), depth.bits(), depth == Depth.FLOAT, row);
    }

    private static void read(Plane plane, int y, byte[] into, int first, int step) {
        int base = y * plane.width();
        int at = first;
        switch (plane) {
            case Plane8 p -> {
                for (int x = 0; x < p.width(); x++, at += step) {
                    into[at] = p.values()[base + x];
                }
            }
            case Plane16 p -> {
                for (int x = 0; x < p.width(); x++, at += step) {
                    into[at] = (byte) (p.values()[base + x] >> 8);
                    into[at + 1] = (byte) p.values()[base + x];
                }
            }
            case PlaneF p -> {
                for (int x = 0; x < p.width(); x++, at += step) {
                    put(Float.floatToRawIntBits(p.values()[base + x]), into, at);
                }
            }
        }
    }

    /** Colours 0xRRGGBB, row by row. */
    static PixelRows ofColours(int width, int height, int[] colours) {
        return new PixelRows(width, height, 3, 8, false, (y, into) -> {
            for (int x = 0; x < width; x++) {
                int colour = colours[y * width + x];
                into[3 * x] = (byte) (colour >> 16);
                into[3 * x + 1] = (byte) (colour >> 8);
                into[3 * x + 2] = (byte) colour;
            }
        });
    }

    /** Whole numbers of 32 bits, row by row. */
    static PixelRows ofNumbers(int width, int height, int[] values) {
        return new PixelRows(width, height, 1, 32, false, (y, into) -> {
            for (int x = 0; x < width; x++) {
                put(values[y * width + x], into, 4 * x);
            }
        });
    }

    private static void put(int value, byte[] into, int at) {
        into[at] = (byte) (value >> 24);
        into[at + 1] = (byte) (value >> 16);
        into[at + 2] = (byte) (value >> 8);
        into[at + 3] = (byte) value;
    }

    int pixelBytes() {
        return samples * bits / 8;
    }

    int rowBytes() {
        return width * pixelBytes();
    }

    /** Rows that are packed together: so many bytes that each band is worth a thread's while. */
    int bandRows() {
        return Math.clamp((1 << 20) / rowBytes(), 1, height);
    }

    int bands() {
        return (height + bandRows() - 1) / bandRows();
    }
}
