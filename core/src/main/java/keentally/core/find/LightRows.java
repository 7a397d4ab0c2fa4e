package keentally.core.find;

import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;

/**
 * How light a picture is, row by row: its first three channels together, from 0 to 1 over all values of 8 bits; over those that occur for
 * deeper pictures, which seldom use all of theirs. What is no number is black. Nothing is kept but what each sum of bytes comes to.
 */
final class LightRows {
    private final int width;
    private final List<Plane> planes;
    private final float black;
    private final float range;

    /** By the sum of the channels, where these are bytes; else empty. */
    private final float[] levels;

    private LightRows(List<Plane> planes, float black, float range) {
        this.width = planes.getFirst().width();
        this.planes = planes;
        this.black = black;
        this.range = range;
        boolean bytes = planes.stream().allMatch(p -> p instanceof Plane8);
        this.levels = new float[bytes ? planes.size() * 255 + 1 : 0];
        for (int sum = 0; sum < levels.length; sum++) {
            levels[sum] = (sum - black) / range;
        }
    }

    static LightRows of(Picture picture, Work work) {
        List<Plane> planes =
                picture.channels().stream().limit(3).map(Channel::plane).toList();
        if (picture.depth() == Depth.BITS_8) {
            return new LightRows(
                    planes, 0, planes.size() * (float) picture.depth().most());
        }
        LightRows sums = new LightRows(planes, 0, 1);
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (float[] ends : work.map(picture.height(), sums::ends)) {
            least = Math.min(least, ends[0]);
            most = Math.max(most, ends[1]);
        }
        return new LightRows(planes, least, most > least ? most - least : 1);
    }

    private float[] ends(int y) {
        float[] row = row(y);
        float[] ends = {row[0], row[0]};
        for (float value : row) {
            ends[0] = Math.min(ends[0], value);
            ends[1] = Math.max(ends[1], value);
        }
        return ends;
    }

    /** Row {@code y}, for the caller alone. */
    float[] row(int y) {
        float[] into = new float[width];
        if (levels.length > 0) {
            bytes(y, into);
            return into;
        }
        float[] row = new float[width];
        for (Plane plane : planes) {
            plane.readRow(y, 0, width, row, 0);
            for (int x = 0; x < width; x++) {
                into[x] += Float.isFinite(row[x]) ? row[x] : 0;
            }
        }
        for (int x = 0; x < width; x++) {
            into[x] = (into[x] - black) / range;
        }
        return into;
    }

    private void bytes(int y, float[] into) {
        int row = y * width;
        byte[] first = values(0);
        byte[] second = values(1);
        byte[] third = values(2);
        for (int x = 0; x < width; x++) {
            into[x] = levels[
                    switch (planes.size()) {
                        case 1 -> first[row + x] & 0xff;
                        case 2 -> (first[row + x] & 0xff) + (second[row + x] & 0xff);
                        default -> (first[row + x] & 0xff) + (second[row + x] & 0xff) + (third[row + x] & 0xff);
                    }];
        }
    }

    private byte[] values(int plane) {
        return plane < planes.size() ? ((Plane8) planes.get(plane)).values() : new byte[0];
    }
}
