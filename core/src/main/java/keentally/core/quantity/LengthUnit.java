package keentally.core.quantity;

import java.util.Optional;

/** The units a length is told in: pixels, or one of four real ones. */
public enum LengthUnit {
    PX("px", "px", Double.NaN),
    NM("nm", "nm", 1e-3),
    UM("um", "µm", 1),
    MM("mm", "mm", 1e3),
    CM("cm", "cm", 1e4);

    private final String id;
    private final String symbol;
    private final double micrometres;

    LengthUnit(String id, String symbol, double micrometres) {
        this.id = id;
        this.symbol = symbol;
        this.micrometres = micrometres;
    }

    /** As written in files and column names: {@code um}. */
    public String id() {
        return id;
    }

    /** As shown to people: {@code µm}. */
    public String symbol() {
        return symbol;
    }

    public boolean isReal() {
        return this != PX;
    }

    /** Length of one of this unit in micrometres; not for pixels. */
    public double micrometres() {
        if (!isReal()) {
            throw new IllegalArgumentException("a pixel has no length in micrometres without a scale");
        }
        return micrometres;
    }

    /** The unit by its id or symbol; both micro signs of Unicode are understood. */
    public static Optional<LengthUnit> find(String text) {
        String plain = text.strip().replace('\u00b5', 'u').replace('\u03bc', 'u');
        for (LengthUnit unit : values()) {
            if (unit.id.equals(plain)) {
                return Optional.of(unit);
            }
        }
        return Optional.empty();
    }
}
