package keentally.core.classify;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * The features of single pixels of a picture, worked out by square tiles when they are first asked for and kept: a stroke more costs what lies round that stroke. Cost: 4 bytes
 * a feature and pixel that was asked for. Threads: one at a time asks.
 */
public final class PixelFeatures {
    private static final int TILE = 128;

    /** More would be pixels of strokes that are long gone. */
    private static final int MOST_KEPT = 200_000;

    private final FeatureRows rows;
    private final Map<Integer, float[]> known = new HashMap<>();

    private PixelFeatures(FeatureRows rows) {
        this.rows = rows;
    }

    /**
     * Of a picture.
     *
     * @param original whose depth tells what the greatest value is
     * @throws IllegalArgumentException where the features are of colours and there are none, or of one channel and there are several
     */
    public static PixelFeatures of(FeatureSet set, Picture picture, Picture original) {
        return new PixelFeatures(FeatureRows.of(set, picture, original)
                .orElseThrow(() -> new IllegalArgumentException("the features are of "
                        + (set.colour() ? "colours" : "one channel") + ", but the picture has "
                        + picture.channelNames())));
    }

    /** Row by row, for what is not asked by single pixels. */
    public FeatureRows rows() {
        return rows;
    }

    /** For each of some pixels, which are numbered row by row, its features. */
    synchronized List<float[]> at(List<Integer> pixels, Work work) {
        Map<Integer, List<Integer>> unknown = new TreeMap<>();
        if (known.size() > MOST_KEPT) {
            known.clear();
        }
        int across = (rows.width() + TILE - 1) / TILE;
        for (int pixel : pixels) {
            if (!known.containsKey(pixel)) {
                int tile = pixel / rows.width() / TILE * across + pixel % rows.width() / TILE;
                unknown.computeIfAbsent(tile, t -> new ArrayList<>()).add(pixel);
            }
        }
        List<Integer> tiles = List.copyOf(unknown.keySet());
        List<List<float[]>> read = work.map(
                tiles.size(), t -> tile(tiles.get(t) % across, tiles.get(t) / across, unknown.get(tiles.get(t))));
        for (int t = 0; t < tiles.size(); t++) {
            List<Integer> of = unknown.get(tiles.get(t));
            for (int i = 0; i < of.size(); i++) {
                known.put(of.get(i), read.get(t).get(i));
            }
        }
        return pixels.stream().map(known::get).toList();
    }

    /** Of as much of a tile as its pixels lie in. */
    private List<float[]> tile(int column, int row, List<Integer> pixels) {
        int width = rows.width();
        int left = (column + 1) * TILE;
        int right = column * TILE;
        int top = (row + 1) * TILE;
        int bottom = row * TILE;
        for (int pixel : pixels) {
            left = Math.min(left, pixel % width);
            right = Math.max(right, pixel % width + 1);
            top = Math.min(top, pixel / width);
            bottom = Math.max(bottom, pixel / width + 1);
        }
        float[][] features = rows.read(left, right, top, bottom);
        List<float[]> each = new ArrayList<>();
        for (int pixel : pixels) {
            int at = (pixel / width - top) * (right - left) + pixel % width - left;
            float[] of = new float[features.length];
            for (int f = 0; f < of.length; f++) {
                of[f] = features[f][at];
            }
            each.add(of);
        }
        return each;
    }
}
