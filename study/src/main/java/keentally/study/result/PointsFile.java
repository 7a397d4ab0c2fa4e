package keentally.study.result;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.quantity.PixelSize;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;

/**
 * Places as CSV: {@code x_px,y_px}, and {@code x_UNIT,y_UNIT} where the sample has a scale; in pixels from the upper left corner of the
 * picture. What is read may have either pair of columns, or be a table of marks.
 */
public final class PointsFile {
    private PointsFile() {}

    public static void write(Path file, List<Point> places, PixelSize size) throws FileFault {
        WholeFile.write(file, text(places, size));
    }

    static String text(List<Point> places, PixelSize size) {
        boolean real = size.unit().isReal();
        List<String> heads = new ArrayList<>(List.of("x_px", "y_px"));
        if (real) {
            heads.addAll(List.of("x_" + size.unit().id(), "y_" + size.unit().id()));
        }
        StringBuilder text = new StringBuilder();
        try {
            Sheet sheet = Sheet.begin(text, heads);
            for (Point at : places) {
                List<String> row = new ArrayList<>(List.of(Sheet.number(at.x()), Sheet.number(at.y())));
                if (real) {
                    row.add(Sheet.number(size.length(at.x())));
                    row.add(Sheet.number(size.length(at.y())));
                }
                sheet.add(row);
            }
        } catch (IOException e) {
            throw new IllegalStateException("memory does not fail", e);
        }
        return text.toString();
    }

    /**
     * @param size of a pixel of the picture that they lie on, for columns in real units
     * @throws FileFault in a sentence, where it holds no places or one that lies beside the picture
     */
    public static List<Point> read(Path file, PixelSize size, int width, int height) throws FileFault {
        List<Point> places =
                MarksFile.read(file, size).stream().map(MarksFile.Entry::at).toList();
        long beside = places.stream()
                .filter(p -> p.x() < 0 || p.y() < 0 || p.x() > width || p.y() > height)
                .count();
        if (beside > 0) {
            throw new FileFault(
                    beside + " of " + places.size() + " places in " + file.getFileName() + " lie beside the picture of "
                            + width + " × " + height + " px: is it of another picture, or in another unit?");
        }
        return places;
    }
}
