package keentally.core.view;

import keentally.core.region.Regions;

/** Which region lies under each window pixel: counted from 1, 0 for none; those smaller than a window pixel still hold one. */
final class RegionRaster implements Strip.Raster {
    private final Regions regions;
    private final Viewport view;
    private final int width;

    /** The window column that each border between picture columns is nearest to; −1 and more than all for those beside the window. */
    private final int[] nearest;

    private RegionRaster(Regions regions, Viewport view) {
        this.regions = regions;
        this.view = view;
        this.width = view.width();
        this.nearest = new int[regions.width() + 1];
        for (int x = 0; x < nearest.length; x++) {
            double at = view.windowX(x);
            nearest[x] = at <= 0 ? -1 : at >= width ? width + 1 : (int) Math.round(at);
        }
    }

    static RegionRaster of(Regions regions, Viewport view) {
        return new RegionRaster(regions, view);
    }

    @Override
    public int[] rows(int from, int to) {
        int[] raster = new int[width * (to - from)];
        if (view.zoom() < 1) {
            reduced(raster, from, to);
            return raster;
        }
        for (int j = from; j < to; j++) {
            int start = (j - from) * width;
            int y = (int) Math.floor(view.pictureY(j + 0.5));
            if (y >= 0 && y < regions.height()) {
                regions.rows(y, y + 1, (region, ignored, first, behind) -> fill(raster, start, first, behind, region));
            }
        }
        return raster;
    }

    /** Each picture row belongs to the window row that holds its middle. */
    private void reduced(int[] raster, int from, int to) {
        int top = Math.clamp((int) Math.floor(view.pictureY(from)) - 1, 0, regions.height());
        int bottom = Math.clamp((int) Math.ceil(view.pictureY(to)) + 1, top, regions.height());
        int[] windowRow = new int[bottom - top];
        for (int y = top; y < bottom; y++) {
            windowRow[y - top] = (int) Math.floor(view.windowY(y + 0.5));
        }
        regions.rows(top, bottom, (region, y, first, behind) -> {
            int j = windowRow[y - top];
            if (j >= from && j < to) {
                fill(raster, (j - from) * width, first, behind, region);
            }
        });
    }

    /** @param start of the window's row */
    private void fill(int[] raster, int start, int from, int to, int region) {
        int left = Math.max(nearest[from], 0);
        int right = Math.min(Math.max(nearest[to], left + 1), width);
        boolean seen = nearest[to] >= 0 && nearest[from] <= width;
        for (int at = start + left; seen && at < start + right; at++) {
            raster[at] = region + 1;
        }
    }
}
