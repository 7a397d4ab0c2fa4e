package keentally.core.colour;

import java.util.List;
import java.util.Locale;

/**
 * What dyes take away from red, green and blue light: optical densities, any length.
 *
 * <p>Source of the published ones: A. C. Ruifrok and D. A. Johnston (2001), "Quantification of histochemical staining by color
 * deconvolution", Analytical and Quantitative Cytology and Histology 23(4), 291–299: measured on slides with one stain each. They
 * hold for their slides and camera; vectors taken from pure places of one's own pictures are better.
 */
public enum Dyes {
    HAEMATOXYLIN_EOSIN(List.of(SourceVectors.HAEMATOXYLIN, SourceVectors.EOSIN)),
    HAEMATOXYLIN_DAB(List.of(SourceVectors.HAEMATOXYLIN, SourceVectors.DAB)),
    HAEMATOXYLIN_EOSIN_DAB(List.of(SourceVectors.HAEMATOXYLIN, SourceVectors.EOSIN, SourceVectors.DAB)),
    /** Vectors of one's own. */
    OWN(List.of());

    /** As the source gives them, before normalising. */
    private static final class SourceVectors {
        static final List<Double> HAEMATOXYLIN = List.of(0.18, 0.20, 0.08);
        static final List<Double> EOSIN = List.of(0.01, 0.13, 0.01);
        static final List<Double> DAB = List.of(0.10, 0.21, 0.29);
    }

    private final List<List<Double>> vectors;

    Dyes(List<List<Double>> vectors) {
        this.vectors = vectors;
    }

    /** What the dyes are called; none for {@link #OWN}. */
    public List<String> names() {
        return this == OWN ? List.of() : List.of(name().toLowerCase(Locale.ROOT).split("_"));
    }

    /** One a dye; none for {@link #OWN}. */
    public List<List<Double>> vectors() {
        return vectors;
    }
}
