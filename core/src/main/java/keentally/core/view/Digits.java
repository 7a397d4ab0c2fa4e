package keentally.core.view;

/** Our own small figures, five by seven, drawn pixel for pixel the same on every machine, with a dark rim to be read on any ground. */
final class Digits {
    static final int HEIGHT = 7;
    private static final int WIDTH = 5;
    static final int ADVANCE = 6;
    /** The ten figures, a point and a minus side by side. */
    private static final String[] ROWS = {
        " ###   #   ### ####    # ##### ### ##### ###  ###           ",
        "#   # ##  #   #    #  ## #    #        ##   ##   #          ",
        "#  ### #      #    # # # #    #       # #   ##   #          ",
        "# # #  #     #  ### #  # #### ####    #  ###  ####      ### ",
        "##  #  #    #      ######    ##   #  #  #   #    #          ",
        "#   #  #   #       #   #     ##   #  #  #   #    #  ##      ",
        " ### ##############    # ####  ###   #   ###  ###   ##      ",
    };

    private static final String SIGNS = "0123456789.-";
    private static final int RIM = 0xff101418;
    private static final int INK = 0xffffffff;

    private Digits() {}

    static int width(String text) {
        return text.length() * ADVANCE - 1;
    }

    static int width(int number) {
        return width(String.valueOf(number));
    }

    /** Draws a number with its upper left corner at (x, y), cut off at the edges of the buffer. */
    static void draw(int[] buffer, int width, int height, int x, int y, int number) {
        draw(buffer, width, height, x, y, String.valueOf(number));
    }

    /** Figures, points and minuses. */
    static void draw(int[] buffer, int width, int height, int x, int y, String text) {
        for (int pass = 0; pass < 2; pass++) {
            for (int i = 0; i < text.length(); i++) {
                draw(buffer, width, height, x + i * ADVANCE, y, SIGNS.indexOf(text.charAt(i)), pass == 0);
            }
        }
    }

    private static void draw(int[] buffer, int width, int height, int x, int y, int digit, boolean rim) {
        for (int row = 0; row < HEIGHT; row++) {
            for (int column = 0; column < WIDTH; column++) {
                if (isSet(digit, row, column)) {
                    int reach = rim ? 1 : 0;
                    for (int dy = -reach; dy <= reach; dy++) {
                        for (int dx = -reach; dx <= reach; dx++) {
                            set(buffer, width, height, x + column + dx, y + row + dy, rim ? RIM : INK);
                        }
                    }
                }
            }
        }
    }

    private static boolean isSet(int digit, int row, int column) {
        return ROWS[row].charAt(digit * WIDTH + column) == '#';
    }

    private static void set(int[] buffer, int width, int height, int x, int y, int colour) {
        if (x >= 0 && y >= 0 && x < width && y < height) {
            buffer[y * width + x] = colour;
        }
    }
}
