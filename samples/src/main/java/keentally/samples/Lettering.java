package keentally.samples;

import java.util.Map;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Rectangle;

/** Captions as instruments burn them into pictures: letters of five by seven squares, the same on every machine. */
final class Lettering {
    private static final Map<Character, String> LETTERS = Map.ofEntries(
            Map.entry('0', "###|#.#|#.#|#.#|#.#|#.#|###"),
            Map.entry('1', ".#.|##.|.#.|.#.|.#.|.#.|###"),
            Map.entry('2', "###|..#|..#|###|#..|#..|###"),
            Map.entry('3', "###|..#|..#|###|..#|..#|###"),
            Map.entry('4', "#.#|#.#|#.#|###|..#|..#|..#"),
            Map.entry('5', "###|#..|#..|###|..#|..#|###"),
            Map.entry('6', "###|#..|#..|###|#.#|#.#|###"),
            Map.entry('7', "###|..#|..#|.#.|.#.|.#.|.#."),
            Map.entry('8', "###|#.#|#.#|###|#.#|#.#|###"),
            Map.entry('9', "###|#.#|#.#|###|..#|..#|###"),
            Map.entry('.', ".|.|.|.|.|.|#"),
            Map.entry('k', "#..|#..|#.#|##.|##.|#.#|#.#"),
            Map.entry('m', ".....|.....|##.#.|#.#.#|#.#.#|#.#.#|#.#.#"),
            Map.entry('n', "...|...|##.|#.#|#.#|#.#|#.#"),
            Map.entry('u', "....|....|#..#|#..#|#..#|####|#..."),
            Map.entry('x', "...|...|#.#|#.#|.#.|#.#|#.#"),
            Map.entry('V', "#.#|#.#|#.#|#.#|#.#|.#.|.#."),
            Map.entry(' ', "..|..|..|..|..|..|.."));
    private static final int ROWS = 7;

    private Lettering() {}

    /** How wide a text is, in pixels, with squares of {@code square} pixels. */
    static double width(String text, double square) {
        double width = 0;
        for (char c : text.toCharArray()) {
            width += (rows(c)[0].length() + 1) * square;
        }
        return width - square;
    }

    static double height(double square) {
        return ROWS * square;
    }

    /** Draws a text with its upper left corner at (x, y). */
    static void draw(ShapeRenderer onto, String text, double x, double y, double square) {
        double left = x;
        for (char c : text.toCharArray()) {
            String[] rows = rows(c);
            for (int j = 0; j < ROWS; j++) {
                for (int i = 0; i < rows[j].length(); i++) {
                    if (rows[j].charAt(i) == '#') {
                        onto.add(new Rectangle(left + i * square, y + j * square, square, square));
                    }
                }
            }
            left += (rows[0].length() + 1) * square;
        }
    }

    private static String[] rows(char c) {
        String letter = LETTERS.get(c);
        if (letter == null) {
            throw new IllegalArgumentException("no letter is drawn for '" + c + "'");
        }
        return letter.split("\\|");
    }
}
