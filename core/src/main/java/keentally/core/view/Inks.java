package keentally.core.view;

import java.util.List;

/** The colours of the stage. Objects' colours are of middle lightness, to be seen on dark and on bright, and told apart by the colour-blind. */
public final class Inks {
    /** Around the picture. */
    public static final int SURROUND = 0xff6f7173;

    /** The tint of a mask. */
    public static final int MASK = 0xff35b8c2;

    /** What a station added to a mask, and the lines of its hatch. */
    public static final int ADDED = 0xff2f6db5;

    static final int ADDED_LINE = 0xff9cc3ee;

    /** The dots where a station took something away. */
    public static final int REMOVED = 0xffe0a93a;

    /** Lines round what was painted, and through what is wrong: pale, and dark beside it. */
    static final int RIM = 0xfff4efe4;

    static final int RIM_SHADE = 0xff20262d;

    /** Of an outline that belongs to another mask. */
    static final int OTHER = 0xffc77bb9;

    public static final int SELECTED = 0xffa63c96;

    /** Outlines of what was dropped. */
    public static final int GHOST = 0xff8e9196;

    public static final List<Integer> OBJECTS =
            List.of(0xff1a8fd1, 0xffe0662b, 0xff14a37f, 0xffb65fc0, 0xffc08a10, 0xff5b6ee1);

    private Inks() {}

    /** {@code over} laid on {@code under} with an opacity of 0 to 256. */
    static int mix(int under, int over, int opacity) {
        int keep = 256 - opacity;
        int redBlue = ((under & 0xff00ff) * keep + (over & 0xff00ff) * opacity) >>> 8 & 0xff00ff;
        int green = ((under & 0x00ff00) * keep + (over & 0x00ff00) * opacity) >>> 8 & 0x00ff00;
        return 0xff000000 | redBlue | green;
    }
}
