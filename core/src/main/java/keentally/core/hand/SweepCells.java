package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;

/**
 * The field in square cells, so that nothing is skipped and nothing counted twice: row by row, every other row backwards, so that the next
 * cell is always beside the last. Cells without a pixel of the field are left out.
 *
 * <p>What lies on a border is counted in one cell alone: a place belongs to the cell whose left and upper border it is on or behind, and
 * whose right and lower border it is before.
 */
public record SweepCells(List<Rectangle> cells) {
    public SweepCells {
        cells = List.copyOf(cells);
    }

    /**
     * @param side of a cell, in pixels, at least 1
     * @throws IllegalArgumentException where there would be more than 100,000 of them
     */
    public static SweepCells of(Field field, double side) {
        int width = field.width();
        int height = field.height();
        if (!(side >= 1) || Math.ceil(width / side) * Math.ceil(height / side) > 100_000) {
            throw new IllegalArgumentException("cells must be larger");
        }
        Mask inside = field.mask();
        List<Rectangle> cells = new ArrayList<>();
        int columns = (int) Math.ceil(width / side);
        int rows = (int) Math.ceil(height / side);
        for (int row = 0; row < rows; row++) {
            for (int i = 0; i < columns; i++) {
                int column = row % 2 == 0 ? i : columns - 1 - i;
                double x = column * side;
                double y = row * side;
                Rectangle cell = new Rectangle(x, y, Math.min(side, width - x), Math.min(side, height - y));
                if (has(inside, cell)) {
                    cells.add(cell);
                }
            }
        }
        return new SweepCells(cells);
    }

    private static boolean has(Mask inside, Rectangle cell) {
        int left = (int) Math.floor(cell.x());
        int right = Math.min(inside.width(), (int) Math.ceil(cell.right()));
        int bottom = Math.min(inside.height(), (int) Math.ceil(cell.bottom()));
        for (int y = (int) Math.floor(cell.y()); y < bottom; y++) {
            if (inside.nextSet(y, left) < right) {
                return true;
            }
        }
        return false;
    }
}
