package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;

/** The units a length is told in: pixels, or one of four real ones. */
public enum LengthUnit {
    PX("px", "px", Integer.MIN_VALUE),
    NM("nm", "nm", -3),
    UM("um", "µm", 0),
    MM("mm", "mm", 3),
    CM("cm", "cm", 4);

    private final String id;
    private final String symbol;

    /** Which power of ten it is, in micrometres. */
    private final int ten;

    LengthUnit(String id, String symbol, int ten) {
        this.id = id;
        this.symbol = symbol;
        this.ten = ten;
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

    /** So many of this unit in another one, to the last decimal; neither may be pixels. */
    public BigDecimal to(LengthUnit other, BigDecimal amount) {
        if (!isReal() || !other.isReal()) {
            throw new IllegalArgumentException("a pixel has no length without a scale");
        }
        return amount.scaleByPowerOfTen(ten - other.ten);
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
