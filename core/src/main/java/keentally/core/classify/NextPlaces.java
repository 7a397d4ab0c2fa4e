package keentally.core.classify;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where one more stroke would help most: squares in which a learner wavers between two classes.
 *
 * <p>Definition: a place wavers by one less the difference between its two greatest chances. Squares are taken by the mean over their places, the greatest first, each at least two squares away from those
 * before it and from what is painted. Edge cases: squares that waver less than a fiftieth are left alone.
 */
public final class NextPlaces {
    private static final double LEAST = 0.02;
    private static final int MOST = 12;

    private NextPlaces() {}

    /**
     * A square.
     *
     * @param column in squares
     * @param row in squares
     * @param wavering from 0 to 1
     * @param first the class that is likeliest there
     * @param second the one that comes next
     */
    public record Square(int column, int row, double wavering, int first, int second) {}

    /** Whether anything is painted in a square. */
    public interface Painted {
        boolean in(int column, int row);
    }

    /**
     * The squares, the one that wavers most first.
     *
     * @param sure for each place its classes one after the other; not-a-number where nothing is known
     * @param side of a square, in places
     */
    public static List<Square> of(float[] sure, int classes, int across, int side, Painted painted) {
        int down = sure.length / classes / across;
        int columns = across / side;
        int rows = down / side;
        List<Square> all = new ArrayList<>();
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                Square square = square(sure, classes, across, side, column, row);
                if (square.wavering() >= LEAST) {
                    all.add(square);
                }
            }
        }
        all.sort(Comparator.comparingDouble(Square::wavering).reversed());
        List<Square> taken = new ArrayList<>();
        for (Square square : all) {
            if (taken.size() < MOST
                    && taken.stream().noneMatch(t -> isNear(t, square))
                    && !anyPainted(painted, square, columns, rows)) {
                taken.add(square);
            }
        }
        return List.copyOf(taken);
    }

    private static boolean isNear(Square a, Square b) {
        return Math.max(Math.abs(a.column() - b.column()), Math.abs(a.row() - b.row())) <= 2;
    }

    private static boolean anyPainted(Painted painted, Square square, int columns, int rows) {
        for (int row = Math.max(0, square.row() - 1); row <= Math.min(rows - 1, square.row() + 1); row++) {
            for (int c = Math.max(0, square.column() - 1); c <= Math.min(columns - 1, square.column() + 1); c++) {
                if (painted.in(c, row)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static Square square(float[] sure, int classes, int across, int side, int column, int row) {
        double[] sums = new double[classes];
        double wavering = 0;
        for (int y = row * side; y < (row + 1) * side; y++) {
            for (int x = column * side; x < (column + 1) * side; x++) {
                int at = (y * across + x) * classes;
                double most = 0;
                double next = 0;
                for (int c = 0; c < classes; c++) {
                    double now = sure[at + c];
                    sums[c] += now;
                    next = Math.max(next, Math.min(most, now));
                    most = Math.max(most, now);
                }
                wavering += Float.isNaN(sure[at]) ? 0 : 1 - (most - next);
            }
        }
        int first = 0;
        for (int c = 1; c < classes; c++) {
            first = sums[c] > sums[first] ? c : first;
        }
        int second = first == 0 ? 1 : 0;
        for (int c = 0; c < classes; c++) {
            second = c != first && sums[c] > sums[second] ? c : second;
        }
        return new Square(column, row, wavering / (side * side), first, second);
    }
}
