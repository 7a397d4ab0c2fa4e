package keentally.core.measure;

import keentally.core.quantity.LengthUnit;

/** What kind of number a measure is, and so what its unit looks like. */
public enum Dimension {
    NONE(0),
    LENGTH(1),
    AREA(2),
    ANGLE(0),
    /** In the values of the signal. */
    SIGNAL(0),
    /** Yes or no, 1 or 0. */
    FLAG(0);

    private final int lengths;

    Dimension(int lengths) {
        this.lengths = lengths;
    }

    /** How often lengths are multiplied into it. */
    public int lengths() {
        return lengths;
    }

    /** As in column names: {@code um}, {@code um2}, {@code deg} or nothing. */
    public String unitId(LengthUnit unit) {
        return switch (this) {
            case LENGTH -> unit.id();
            case AREA -> unit.id() + "2";
            case ANGLE -> "deg";
            case NONE, SIGNAL, FLAG -> "";
        };
    }

    /** As on screen: µm, µm², ° or nothing. */
    public String unitSymbol(LengthUnit unit) {
        return switch (this) {
            case LENGTH -> unit.symbol();
            case AREA -> unit.symbol() + "²";
            case ANGLE -> "°";
            case NONE, SIGNAL, FLAG -> "";
        };
    }
}
