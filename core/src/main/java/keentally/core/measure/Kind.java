package keentally.core.measure;

import keentally.core.quantity.LengthUnit;

/**
 * What a number worked out from measures is made of: how often lengths, values of the signal, and angles are multiplied into it.
 *
 * @param length 1 for a length, 2 for an area, −1 for one over a length
 * @param signal 1 for brightness
 * @param angle 1 for an angle
 */
record Kind(double length, double signal, double angle) {
    static final Kind PLAIN = new Kind(0, 0, 0);

    static Kind of(Dimension dimension) {
        return switch (dimension) {
            case LENGTH -> new Kind(1, 0, 0);
            case AREA -> new Kind(2, 0, 0);
            case SIGNAL -> new Kind(0, 1, 0);
            case ANGLE -> new Kind(0, 0, 1);
            case NONE, FLAG -> PLAIN;
        };
    }

    Kind times(Kind other) {
        return new Kind(length + other.length, signal + other.signal, angle + other.angle);
    }

    Kind over(Kind other) {
        return times(other.power(-1));
    }

    Kind power(double exponent) {
        return new Kind(length * exponent, signal * exponent, angle * exponent);
    }

    boolean isPlain() {
        return equals(PLAIN);
    }

    /** As in names of columns: {@code um2}, {@code per_um}, {@code deg}, or nothing. */
    String unitId(LengthUnit unit) {
        if (length != 0) {
            String power = Math.abs(length) == 1 ? "" : String.valueOf((int) Math.abs(length));
            return (length < 0 ? "per_" : "") + unit.id() + power;
        }
        return angle == 1 ? "deg" : "";
    }

    /** As on screen: µm², 1/µm, °, or nothing. */
    String unitSymbol(LengthUnit unit) {
        if (length != 0) {
            int power = (int) Math.abs(length);
            String raised = power == 1 ? "" : power == 2 ? "²" : power == 3 ? "³" : "^" + power;
            return (length < 0 ? "1/" : "") + unit.symbol() + raised;
        }
        return angle == 1 ? "°" : "";
    }

    /** In words, for complaints. */
    String said() {
        if (isPlain()) {
            return "a plain number";
        }
        if (equals(of(Dimension.LENGTH))) {
            return "a length";
        }
        if (equals(of(Dimension.AREA))) {
            return "an area";
        }
        if (equals(of(Dimension.ANGLE))) {
            return "an angle";
        }
        if (equals(of(Dimension.SIGNAL))) {
            return "brightness";
        }
        return "something of length to the power " + keentally.core.quantity.Amounts.text(length)
                + (signal == 0 ? "" : " and brightness to the power " + keentally.core.quantity.Amounts.text(signal));
    }
}
