package keentally.core.view;

/** Small upright crosses at the middles of pixels, white with a dark rim; where they crowd, one stands for its neighbours. */
final class CrossPainter {
    private static final int ARM = 4;
    private static final int CROWD = 11;
    private static final int RIM = 0xff1e2730;
    private static final int CORE = 0xffffffff;

    private final int[] buffer;
    private final Viewport view;

    private CrossPainter(int[] buffer, Viewport view) {
        this.buffer = buffer;
        this.view = view;
    }

    static void paint(int[] buffer, Viewport view, Layer.Crosses crosses) {
        CrossPainter painter = new CrossPainter(buffer, view);
        int columns = view.width() / CROWD + 1;
        boolean[] taken = new boolean[columns * (view.height() / CROWD + 1)];
        for (int pixel : crosses.pixels()) {
            int x = (int) Math.floor(view.windowX(pixel % crosses.width() + 0.5));
            int y = (int) Math.floor(view.windowY(pixel / crosses.width() + 0.5));
            if (x < 0 || y < 0 || x >= view.width() || y >= view.height()) {
                continue;
            }
            int cell = y / CROWD * columns + x / CROWD;
            if (!taken[cell]) {
                taken[cell] = true;
                painter.cross(x, y);
            }
        }
    }

    private void cross(int x, int y) {
        for (int d = -ARM - 1; d <= ARM + 1; d++) {
            for (int side = -1; side <= 1; side++) {
                set(x + d, y + side, RIM);
                set(x + side, y + d, RIM);
            }
        }
        for (int d = -ARM; d <= ARM; d++) {
            set(x + d, y, CORE);
            set(x, y + d, CORE);
        }
    }

    private void set(int x, int y, int ink) {
        if (x >= 0 && y >= 0 && x < view.width() && y < view.height()) {
            buffer[y * view.width() + x] = ink;
        }
    }
}
