package keentally.core.view;

import keentally.core.region.Regions;
import keentally.core.work.Work;

/** Which region lies under each window pixel. */
final class RegionRaster {
    private final Viewport view;
    private final int width;
    private final int height;
    private final int[] raster;

    /** The window column that each border between picture columns is nearest to; −1 and more than all for those beside the window. */
    private final int[] nearest;

    private RegionRaster(Viewport view, int pictureWidth) {
        this.view = view;
        this.width = view.width();
        this.height = view.height();
        this.raster = new int[width * height];
        this.nearest = new int[pictureWidth + 1];
        for (int x = 0; x <= pictureWidth; x++) {
            double at = view.windowX(x);
            nearest[x] = at <= 0 ? -1 : at >= width ? width + 1 : (int) Math.round(at);
        }
    }

    /** Regions counted from 1, 0 for none; those smaller than a window pixel still hold one. */
    static int[] of(Regions regions, Viewport view, Work work) {
        return new RegionRaster(view, regions.width()).raster(regions, work);
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
        int[] windowRow = new int[bottom - top];
        for (int y = top; y < bottom; y++) {
            windowRow[y - top] = (int) Math.floor(view.windowY(y + 0.5));
        }
        regions.rows(top, bottom, (region, y, from, to) -> {
            int j = windowRow[y - top];
            if (j >= first && j < end) {
                fill(j, from, to, region);
            }
        });
    }

    private void fill(int j, int from, int to, int region) {
        int left = Math.max(nearest[from], 0);
        int right = Math.min(Math.max(nearest[to], left + 1), width);
        boolean seen = nearest[to] >= 0 && nearest[from] <= width;
        for (int at = j * width + left; seen && at < j * width + right; at++) {
            raster[at] = region + 1;
        }
    }
}
