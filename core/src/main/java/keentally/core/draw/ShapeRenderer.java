package keentally.core.draw;

import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.PlaneF;

/**
 * Draws shapes into a plane by the exact share of each pixel that they cover, so that the true outline runs where the value
 * is half way between inside and outside. Shapes that overlap are united by the larger share. Cost: the area of the shapes'
 * bounds; 4 bytes a pixel.
 */
public final class ShapeRenderer {
    private final int width;
    private final int height;
    private final float[] coverage;

    /** Draws on an empty ground of so many px. */
    public ShapeRenderer(int width, int height) {
        this.width = width;
        this.height = height;
        this.coverage = new float[width * height];
    }

    /** Adds a shape; parts beyond the border are cut off. */
    public ShapeRenderer add(Shape shape) {
        Rectangle box = shape.bounds();
        int left = (int) Math.max(0, Math.floor(box.x()));
        int bottom = (int) Math.min(height, Math.ceil(box.bottom()));
        double[] row = new double[(int) Math.max(0, Math.min(width, Math.ceil(box.right())) - left)];
        for (int y = (int) Math.max(0, Math.floor(box.y())); y < bottom; y++) {
            shape.cover(left, y, row);
            for (int x = 0; x < row.length; x++) {
                int i = y * width + left + x;
                coverage[i] = Math.max(coverage[i], (float) row[x]);
            }
        }
        return this;
    }

    /** Shares from 0 to 1; a copy. */
    public PlaneF coverage() {
        return PlaneF.of(width, height, coverage.clone());
    }

    /** Values running from {@code outside} to {@code inside} with the share; a copy. */
    public PlaneF plane(float outside, float inside) {
        float[] values = new float[coverage.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = outside + (inside - outside) * coverage[i];
        }
        return PlaneF.of(width, height, values);
    }
}
