package keentally.core.view;

import java.util.Arrays;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/** Which region lies under each window pixel. */
final class RegionRaster {
    private final Viewport view;
    private final int width;
    private final int height;
    private final int[] raster;

    private RegionRaster(Viewport view) {
        this.view = view;
        this.width = view.width();
        this.height = view.height();
        this.raster = new int[width * height];
    }

    /** Regions counted from 1, 0 for none; those smaller than a window pixel still hold one. */
    static int[] of(Regions regions, Viewport view, Work work) {
        return new RegionRaster(view).raster(regions, work);
    }

    private int[] raster(Regions regions, Work work) {
        if (view.zoom() < 1) {
            work.bands(height, (first, end) -> reduced(regions, first, end));
            return raster;
        }
        work.bands(height, (first, end) -> {
            for (int j = first; j < end; j++) {
                int row = j;
                int y = (int) Math.floor(view.pictureY(j + 0.5));
                if (y >= 0 && y < regions.height()) {
                    regions.rows(y, y + 1, (region, ignored, from, to) -> fill(row, from, to, region));
                }
            }
        });
        return raster;
    }

    /** Window rows [first, end): each picture row belongs to the window row that holds its middle. */
    private void reduced(Regions regions, int first, int end) {
        int top = Math.clamp((int) Math.floor(view.pictureY(first)) - 1, 0, regions.height());
        int bottom = Math.clamp((int) Math.ceil(view.pictureY(end)) + 1, top, regions.height());
        regions.rows(top, bottom, (region, y, from, to) -> {
            int j = (int) Math.floor(view.windowY(y + 0.5));
            if (j >= first && j < end) {
                fill(j, from, to, region);
            }
        });
    }

    private void fill(int j, int from, int to, int region) {
        int left = Math.clamp(Math.round(view.windowX(from)), 0, width);
        int right = Math.clamp(Math.round(view.windowX(to)), Math.min(left + 1, width), width);
        if (view.windowX(to) > 0 && view.windowX(from) < width) {
            Arrays.fill(raster, j * width + left, j * width + right, region + 1);
        }
    }
}
