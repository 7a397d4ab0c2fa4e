package keentally.core.morphology;

import java.util.Arrays;
import keentally.core.distance.SquaredDistance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.work.Work;

/**
 * Erosion, dilation, opening and closing of a mask with an {@link Element}.
 *
 * <p>Definition: dilation sets a pixel of the field where the element laid on it meets the mask; erosion keeps a pixel of the mask where
 * the element laid on it meets no background. Background is what of the field is not in the mask: outside the field there is neither
 * mask nor background, so its edge neither erodes nor dilates. Opening is erosion then dilation, closing the other way round.
 *
 * <p>Edge cases: a radius below 1 changes nothing; a full mask stays full; an element larger than the picture is as good as one of its
 * size. Cost: small disks and squares by shifted words, some for each of their rows; disks of a radius above 16 px by the exact distance,
 * whatever their radius; lines by one shift for each of their places.
 */
public final class Probe {
    private static final double BY_SHIFTS = 16;

    private final Element element;
    private final Field field;
    private final Work work;

    private Probe(Element element, Field field, Work work) {
        this.element = element;
        this.field = field;
        this.work = work;
    }

    /** What opens and closes masks of the field's size by an element. */
    public static Probe of(Element element, Field field, Work work) {
        return new Probe(element, field, work);
    }

    /** @param mask within the field */
    public Mask dilate(Mask mask) {
        return field.clip(reached(mask));
    }

    /** @param mask within the field */
    public Mask erode(Mask mask) {
        return mask.minus(reached(field.mask().minus(mask)));
    }

    /** The parts of the mask that the element fits into; nothing outside the field. */
    public Mask open(Mask mask) {
        return dilate(erode(mask));
    }

    /** The mask with the gaps that the element does not fit into. */
    public Mask close(Mask mask) {
        return erode(dilate(mask));
    }

    /** The pixels on which the element meets the mask. */
    private Mask reached(Mask mask) {
        return switch (element) {
            case Element.Disk disk when disk.radius() > BY_SHIFTS -> near(mask, disk.radius());
            case Element.Disk disk -> disk(mask, disk.radius());
            case Element.Square square -> square(mask, (int) Math.min(square.radius(), Integer.MAX_VALUE / 4));
            case Element.Line line -> line(mask, line.places());
        };
    }

    private Mask near(Mask mask, double radius) {
        int[] squares = SquaredDistance.to(mask, work);
        int width = mask.width();
        int stride = mask.stride();
        long[] out = new long[mask.words().length];
        double most = Math.min(radius * radius, SquaredDistance.NONE - 1);
        work.bands(mask.height(), (top, bottom) -> {
            for (int y = top; y < bottom; y++) {
                for (int x = 0; x < width; x++) {
                    if (squares[y * width + x] <= most) {
                        out[y * stride + (x >>> 6)] |= 1L << x;
                    }
                }
            }
        });
        return Mask.of(width, mask.height(), out);
    }

    /** From the disk's outermost rows inwards, its rows only get wider. */
    private Mask disk(Mask mask, double radius) {
        int rows = (int) Math.floor(radius);
        Wide wide = new Wide(mask);
        long[] out = new long[mask.words().length];
        for (int dy = rows; dy >= 0; dy--) {
            wide.to((int) Math.floor(Math.sqrt(radius * radius - (double) dy * dy) + 1e-9));
            wide.or(out, dy);
        }
        return Mask.of(mask.width(), mask.height(), out);
    }

    private Mask square(Mask mask, int radius) {
        Wide wide = new Wide(mask);
        wide.to(Math.min(radius, mask.width()));
        long[] rows = wide.words;
        int stride = mask.stride();
        int height = mask.height();
        int reach = Math.min(radius, height);
        int done = 0;
        while (done < reach) {
            int step = Math.min(reach - done, 2 * done + 1);
            long[] taller = rows.clone();
            long[] before = rows;
            work.bands(height, (top, bottom) -> {
                for (int y = top; y < bottom; y++) {
                    orRow(before, Math.max(0, y - step), taller, y, stride, height);
                    orRow(before, Math.min(height - 1, y + step), taller, y, stride, height);
                }
            });
            rows = taller;
            done += step;
        }
        return Mask.of(mask.width(), height, rows);
    }

    private Mask line(Mask mask, int[][] places) {
        int stride = mask.stride();
        int height = mask.height();
        long last = lastBits(mask.width());
        long[] words = mask.words();
        long[] out = new long[words.length];
        work.bands(height, (top, bottom) -> {
            for (int y = top; y < bottom; y++) {
                for (int[] place : places) {
                    int from = y + place[1];
                    if (from >= 0 && from < height && Math.abs(place[0]) < mask.width()) {
                        orShifted(words, from * stride, out, y * stride, stride, -place[0], last);
                    }
                }
            }
        });
        return Mask.of(mask.width(), height, out);
    }

    private static void orRow(long[] from, int fromRow, long[] to, int toRow, int stride, int height) {
        if (fromRow < 0 || fromRow >= height) {
            return;
        }
        for (int i = 0; i < stride; i++) {
            to[toRow * stride + i] |= from[fromRow * stride + i];
        }
    }

    /** The bits of a row's last word that are pixels. */
    private static long lastBits(int width) {
        return -1L >>> -width;
    }

    /** Adds a row moved by {@code by} pixels to the right. */
    private static void orShifted(long[] from, int fromRow, long[] to, int toRow, int stride, int by, long lastBits) {
        int words = Math.floorDiv(by, 64);
        int bits = Math.floorMod(by, 64);
        for (int i = Math.max(0, words); i < Math.min(stride, stride + words + 1); i++) {
            int at = i - words;
            long shifted = at < stride ? from[fromRow + at] << bits : 0;
            if (bits != 0 && at > 0) {
                shifted |= from[fromRow + at - 1] >>> -bits;
            }
            to[toRow + i] |= shifted;
        }
        to[toRow + stride - 1] &= lastBits;
    }

    /** A mask whose rows are widened step by step. */
    private final class Wide {
        private final int width;
        private final int height;
        private final int stride;
        private long[] words;
        private int reach;

        Wide(Mask mask) {
            this.width = mask.width();
            this.height = mask.height();
            this.stride = mask.stride();
            this.words = mask.words();
        }

        /** To {@code wanted} pixels on both sides of every set one. */
        void to(int wanted) {
            int most = Math.min(wanted, width);
            long last = lastBits(width);
            while (reach < most) {
                int step = Math.min(most - reach, 2 * reach + 1);
                long[] before = words;
                long[] wider = Arrays.copyOf(before, before.length);
                work.bands(height, (top, bottom) -> {
                    for (int y = top; y < bottom; y++) {
                        orShifted(before, y * stride, wider, y * stride, stride, step, last);
                        orShifted(before, y * stride, wider, y * stride, stride, -step, last);
                        fromBorders(before, wider, y * stride, step);
                    }
                });
                words = wider;
                reach += step;
            }
        }

        /** What would come from beyond the picture is what its outermost pixels have. */
        private void fromBorders(long[] before, long[] wider, int row, int step) {
            if ((before[row] & 1) != 0) {
                Mask.setRun(wider, row, 0, Math.min(width, step));
            }
            if ((before[row + (width - 1 >>> 6)] >>> width - 1 & 1) != 0) {
                Mask.setRun(wider, row, Math.max(0, width - step), width);
            }
        }

        /** Adds this, moved up and moved down by some rows. */
        void or(long[] out, int rows) {
            long[] now = words;
            work.bands(height, (top, bottom) -> {
                for (int y = top; y < bottom; y++) {
                    orRow(now, y - rows, out, y, stride, height);
                    if (rows != 0) {
                        orRow(now, y + rows, out, y, stride, height);
                    }
                }
            });
        }
    }
}
