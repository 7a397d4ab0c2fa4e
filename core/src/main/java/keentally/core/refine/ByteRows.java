package keentally.core.refine;

import java.util.Optional;
import keentally.core.colour.ColourRows;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;

/** A picture's colours, or its one channel, row by row on the 0 to 255 scale whatever its depth; 0 where a value is no number. */
final class ByteRows {
    private static final double BYTE_SCALE = 255;

    private final Optional<ColourRows> colours;
    private final Optional<Plane> grey;
    private final double scale;
    private final int width;

    private ByteRows(Optional<ColourRows> colours, Optional<Plane> grey, double scale, int width) {
        this.colours = colours;
        this.grey = grey;
        this.scale = scale;
        this.width = width;
    }

    /**
     * Empty where there are neither colours nor one channel.
     *
     * @param original whose depth tells what the greatest value is
     */
    static Optional<ByteRows> of(Picture picture, Picture original) {
        Optional<ColourRows> colours = ColourRows.of(picture, original);
        Optional<Plane> grey = colours.isPresent() ? Optional.empty() : picture.single();
        double most = (picture.depth().isWhole() ? picture.depth() : original.depth()).most();
        return colours.isEmpty() && grey.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new ByteRows(colours, grey, colours.isPresent() ? 1 : BYTE_SCALE / most, picture.width()));
    }

    int channels() {
        return colours.isPresent() ? 3 : 1;
    }

    /** Room for a row of each channel; three, whatever they are. */
    float[][] room() {
        return new float[3][width];
    }

    void read(int y, float[][] row) {
        if (colours.isPresent()) {
            colours.get().read(y, row[0], row[1], row[2]);
        } else {
            grey.orElseThrow().readRow(y, 0, width, row[0], 0);
        }
        for (int c = 0; c < channels(); c++) {
            for (int x = 0; x < width; x++) {
                row[c][x] = Float.isNaN(row[c][x]) ? 0 : (float) (row[c][x] * scale);
            }
        }
    }
}
