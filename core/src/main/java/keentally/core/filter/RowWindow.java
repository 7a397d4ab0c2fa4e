package keentally.core.filter;

import java.util.Arrays;
import keentally.core.picture.Border;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;

/**
 * Rows of a plane as filters read them, with {@code pad} more pixels at either end. Without a field what lies beyond the
 * border is the picture mirrored; with one, all that lies outside the field or the picture is {@code neutral}.
 */
final class RowWindow {
    private final Plane plane;
    private final int pad;
    private final Mask inside;
    private final float neutral;

    private RowWindow(Plane plane, int pad, Mask inside, float neutral) {
        this.plane = plane;
        this.pad = pad;
        this.inside = inside;
        this.neutral = neutral;
    }

    static RowWindow mirrored(Plane plane, int pad) {
        return new RowWindow(plane, pad, null, 0);
    }

    static RowWindow inside(Plane plane, int pad, Mask inside, float neutral) {
        return new RowWindow(plane, pad, inside, neutral);
    }

    /** Row {@code y}, which may lie any distance outside, into width + 2·pad places. */
    void read(int y, float[] into) {
        int width = plane.width();
        if (inside == null) {
            plane.readRow(Border.mirror(y, plane.height()), 0, width, into, pad);
            for (int i = 0; i < pad; i++) {
                into[i] = into[pad + Border.mirror(i - pad, width)];
                into[pad + width + i] = into[pad + Border.mirror(width + i, width)];
            }
            return;
        }
        Arrays.fill(into, neutral);
        if (y < 0 || y >= plane.height()) {
            return;
        }
        for (int from = inside.nextSet(y, 0); from < width; ) {
            int to = inside.nextClear(y, from);
            plane.readRow(y, from, to, into, pad + from);
            from = inside.nextSet(y, to);
        }
    }
}
