package keentally.core.refine;

import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;

/**
 * Pulls regions to the edges that a picture shows, by a {@link MeanField} over colours or one channel.
 *
 * <p>Definition: of each pixel of the field the class with the greatest part after all rounds; of equals the first. Pictures above two megapixels are worked
 * out in strips of whole rows, each with a margin of three position sigmas, at most 256 rows, so that memory stays the same however large they are; what lies
 * beyond the margin has no say. Edge cases: pixels outside the field take no part and have no class; a value that is no number counts as 0. Cost: about
 * 150 bytes a pixel of a strip for two classes. Threads: the same bytes with any number.
 */
public final class EdgeRefiner {
    private static final int STRIP = 2_000_000;
    private static final int LEAST_ROWS = 64;
    private static final int MOST_MARGIN = 256;

    private final ByteRows rows;
    private final Field field;
    private final Belief belief;
    private final RefinePlan plan;
    private final Work work;

    private EdgeRefiner(ByteRows rows, Field field, Belief belief, RefinePlan plan, Work work) {
        this.rows = rows;
        this.field = field;
        this.belief = belief;
        this.plan = plan;
        this.work = work;
    }

    /**
     * The class of each pixel.
     *
     * @param original whose depth tells what the greatest value is
     * @return a byte a pixel, 255 outside the field; empty where the picture has neither colours nor one channel
     */
    public static Optional<Plane8> refined(
            Picture picture, Picture original, Field field, Belief belief, RefinePlan plan, Work work) {
        return ByteRows.of(picture, original).map(rows -> new EdgeRefiner(rows, field, belief, plan, work).refined());
    }

    private Plane8 refined() {
        int width = field.width();
        int height = field.height();
        byte[] out = new byte[width * height];
        int margin = (int) Math.min(MOST_MARGIN, Math.ceil(3 * plan.position()));
        int rows = (long) width * height <= STRIP ? height : Math.max(LEAST_ROWS, STRIP / width - 2 * margin);
        for (int y = 0; y < height; y += rows) {
            int to = Math.min(height, y + rows);
            strip(Math.max(0, y - margin), y, to, Math.min(height, to + margin), out);
        }
        return Plane8.of(width, height, out);
    }

    /** Rows [from, to), with what lies around them from {@code top} to {@code bottom}. */
    private void strip(int top, int from, int to, int bottom, byte[] out) {
        int width = field.width();
        int classes = belief.classes();
        float[][] parts = settled(top, bottom);
        work.bands(to - from, (a, b) -> {
            for (int y = from + a; y < from + b; y++) {
                for (int x = 0; x < width; x++) {
                    int at = (y - top) * width + x;
                    int best = 0;
                    for (int c = 1; c < classes; c++) {
                        best = parts[c][at] > parts[best][at] ? c : best;
                    }
                    out[y * width + x] = (byte) (field.contains(x, y) ? best : PhaseMap.OUTSIDE);
                }
            }
        });
    }

    private float[][] settled(int top, int bottom) {
        int width = field.width();
        int pixels = width * (bottom - top);
        int classes = belief.classes();
        float[][] features = new float[2 + rows.channels()][pixels];
        float[] counts = new float[pixels];
        float[][] costs = new float[classes][pixels];
        work.bands(bottom - top, (from, to) -> {
            double[] likely = new double[classes];
            float[][] row = rows.room();
            for (int y = from; y < to; y++) {
                rows.read(top + y, row);
                for (int x = 0; x < width; x++) {
                    int i = y * width + x;
                    features[0][i] = (float) (x / plan.position());
                    features[1][i] = (float) (y / plan.position());
                    for (int f = 2; f < features.length; f++) {
                        features[f][i] = (float) (row[f - 2][x] / plan.colour());
                    }
                    if (field.contains(x, top + y)) {
                        counts[i] = 1;
                        belief.read(x, top + y, likely);
                        for (int c = 0; c < classes; c++) {
                            costs[c][i] = (float) -StrictMath.log(likely[c]);
                        }
                    }
                }
            }
        });
        return new MeanField(width, bottom - top, features, counts, costs, plan, work).settled();
    }
}
