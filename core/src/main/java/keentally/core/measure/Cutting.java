package keentally.core.measure;

import keentally.core.distance.SquaredDistance;
import keentally.core.morphology.FillHoles;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/** One object cut out of the picture with the field around it, for measures that need pixels beside one another. */
final class Cutting {
    private final Regions regions;
    private final int region;
    private final Field field;
    private final int left;
    private final int top;
    private final int right;
    private final int bottom;

    /** @param box left, top, behind the right and behind the bottom of the object */
    Cutting(Regions regions, int region, Field field, int[] box) {
        this.regions = regions;
        this.region = region;
        this.field = field;
        this.left = box[0];
        this.top = box[1];
        this.right = box[2];
        this.bottom = box[3];
    }

    private Mask object(int x0, int y0, int x1, int y1) {
        int stride = Mask.stride(x1 - x0);
        long[] words = new long[stride * (y1 - y0)];
        regions.runs(region, (y, from, to) -> Mask.setRun(words, (y - y0) * stride, from - x0, to - x0));
        return Mask.of(x1 - x0, y1 - y0, words);
    }

    private Mask field(int x0, int y0, int x1, int y1) {
        return field.isWhole() ? Mask.full(x1 - x0, y1 - y0) : field.mask().crop(x0, y0, x1, y1);
    }

    /** The object with its holes filled, and their number. */
    FillHoles.Outcome filled() {
        return FillHoles.of(
                object(left, top, right, bottom),
                Field.of(field(left, top, right, bottom)),
                Double.POSITIVE_INFINITY,
                Work.alone());
    }

    /**
     * The greatest distance from one of its pixels to the nearest background centre in the field; not-a-number where there is none. Where
     * a ring of field lies round the object, nothing beyond it is nearer than the ring; else what is farther away than the margin cannot
     * be nearer than what was found within it.
     */
    double depth() {
        for (int margin = 1; ; margin *= 2) {
            int x0 = Math.max(0, left - margin);
            int y0 = Math.max(0, top - margin);
            int x1 = Math.min(regions.width(), right + margin);
            int y1 = Math.min(regions.height(), bottom + margin);
            Mask object = object(x0, y0, x1, y1);
            Mask inField = field(x0, y0, x1, y1);
            double found = depth(object, inField.minus(object));
            boolean all = x0 == 0 && y0 == 0 && x1 == regions.width() && y1 == regions.height();
            boolean ringed = x0 < left && y0 < top && x1 > right && y1 > bottom;
            boolean shut = ringed && inField.count() == (long) (x1 - x0) * (y1 - y0);
            if (shut || found <= margin || all) {
                return found;
            }
        }
    }

    private static double depth(Mask object, Mask background) {
        int most = SquaredDistance.greatest(background, object);
        return most == SquaredDistance.NONE ? Double.NaN : Math.sqrt(most);
    }

    /**
     * Links of its skeleton: 1 to a neighbour in the row or column, √2 to one across a corner, unless two steps along a row and a column
     * lead there too.
     */
    double skeletonLength() {
        Mask lines = Skeleton.of(object(left, top, right, bottom), Work.alone());
        long straight = 0;
        long across = 0;
        for (int y = 0; y < lines.height(); y++) {
            for (int x = lines.nextSet(y, 0); x < lines.width(); x = lines.nextSet(y, x + 1)) {
                boolean east = has(lines, x + 1, y);
                boolean south = has(lines, x, y + 1);
                straight += (east ? 1 : 0) + (south ? 1 : 0);
                across += !east && !south && has(lines, x + 1, y + 1) ? 1 : 0;
                across += !south && !has(lines, x - 1, y) && has(lines, x - 1, y + 1) ? 1 : 0;
            }
        }
        return straight + across * Math.sqrt(2);
    }

    private static boolean has(Mask mask, int x, int y) {
        return x >= 0 && x < mask.width() && y < mask.height() && mask.at(x, y);
    }
}
