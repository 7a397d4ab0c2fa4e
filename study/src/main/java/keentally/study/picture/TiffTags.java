package keentally.study.picture;

import java.util.Optional;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.study.picture.FileFacts.StatedScale;

/** The tags of a page of a TIFF file that matter here. Source: TIFF 6.0 (1992), section 8. */
final class TiffTags {
    private static final int NEW_SUBFILE = 254;
    private static final int BITS = 258;
    private static final int PHOTOMETRIC = 262;
    private static final int SEPARATED = 5;
    private static final int PREDICTOR = 317;
    private static final int DIFFERENCES = 2;
    private static final int DESCRIPTION = 270;
    private static final int ORIENTATION = 274;
    private static final int X_RESOLUTION = 282;
    private static final int Y_RESOLUTION = 283;
    private static final int UNIT = 296;
    private static final int PER_INCH = 2;
    private static final int PER_CENTIMETRE = 3;
    private static final double UM_PER_INCH = 25_400;
    private static final double UM_PER_CENTIMETRE = 10_000;
    private static final double SQUARE = 1e-3;

    private final TIFFDirectory directory;

    private TiffTags(TIFFDirectory directory) {
        this.directory = directory;
    }

    /** Empty where the reader does not hand tags out. */
    static Optional<TiffTags> of(IIOMetadata metadata) {
        try {
            return Optional.of(new TiffTags(TIFFDirectory.createFromMetadata(metadata)));
        } catch (IIOInvalidTreeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private Optional<Double> number(int tag) {
        TIFFField field = directory.getTIFFField(tag);
        try {
            return field == null || field.getCount() == 0 ? Optional.empty() : Optional.of(field.getAsDouble(0));
        } catch (ClassCastException | NumberFormatException | ArrayIndexOutOfBoundsException e) {
            return Optional.empty();
        }
    }

    int orientation() {
        return number(ORIENTATION).map(Double::intValue).orElse(Orientation.UPRIGHT);
    }

    /** Whether 0 is white. */
    boolean isWhiteZero() {
        return number(PHOTOMETRIC).map(n -> n.intValue() == 0).orElse(false);
    }

    /** Whether the Java platform's own reader cannot do it: printers' colours, and differences of more than 8 bits. */
    boolean needsOtherReader() {
        boolean printers =
                number(PHOTOMETRIC).map(n -> n.intValue() == SEPARATED).orElse(false);
        boolean differences =
                number(PREDICTOR).map(n -> n.intValue() == DIFFERENCES).orElse(false);
        boolean deep = number(BITS).map(n -> n.intValue() > 8).orElse(false);
        return printers || differences && deep;
    }

    /** Whether this page is only a small version of something else in the file. */
    boolean isPreview() {
        return number(NEW_SUBFILE).map(n -> (n.intValue() & 1) != 0).orElse(false);
    }

    String description() {
        TIFFField field = directory.getTIFFField(DESCRIPTION);
        return field == null || field.getCount() == 0 || field.getType() != 2 ? "" : field.getAsString(0);
    }

    /** Square pixels with a unit only. */
    Optional<StatedScale> resolution() {
        double x = number(X_RESOLUTION).orElse(0.0);
        double y = number(Y_RESOLUTION).orElse(0.0);
        int unit = number(UNIT).map(Double::intValue).orElse(PER_INCH);
        boolean square = Math.abs(x - y) <= SQUARE * x;
        if (!(x > 0) || !Double.isFinite(x) || !square || unit != PER_INCH && unit != PER_CENTIMETRE) {
            return Optional.empty();
        }
        double um = (unit == PER_INCH ? UM_PER_INCH : UM_PER_CENTIMETRE) / x;
        String where = Figures.number(x) + " pixels " + (unit == PER_INCH ? "an inch" : "a centimetre");
        return Optional.of(new StatedScale(new Scale(um, LengthUnit.UM), where));
    }
}
