package keentally.core.measure;

import java.util.ArrayList;
import java.util.List;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.LengthUnit;

/**
 * What a number worked out from others is made of: how often lengths, values of the signal, angles and masses are multiplied into it.
 *
 * @param length 1 for a length, 2 for an area, −1 for one over a length
 * @param signal 1 for brightness
 * @param angle 1 for an angle
 * @param mass 1 for a mass, in grams
 */
public record Kind(double length, double signal, double angle, double mass) {
    static final Kind PLAIN = new Kind(0, 0, 0, 0);
    static final Kind MASS = new Kind(0, 0, 0, 1);

    static Kind of(Dimension dimension) {
        return switch (dimension) {
            case LENGTH -> new Kind(1, 0, 0, 0);
            case AREA -> new Kind(2, 0, 0, 0);
            case SIGNAL -> new Kind(0, 1, 0, 0);
            case ANGLE -> new Kind(0, 0, 1, 0);
            case NONE, FLAG -> PLAIN;
        };
    }

    Kind times(Kind other) {
        return new Kind(length + other.length, signal + other.signal, angle + other.angle, mass + other.mass);
    }

    Kind over(Kind other) {
        return times(other.power(-1));
    }

    Kind power(double exponent) {
        return new Kind(length * exponent, signal * exponent, angle * exponent, mass * exponent);
    }

    boolean isPlain() {
        return equals(PLAIN);
    }

    /** @throws IllegalArgumentException where there is no unit that such a number could be shown in */
    void check(String formula) {
        if (length != Math.rint(length) || mass != Math.rint(mass)) {
            throw new IllegalArgumentException(
                    "\"" + formula + "\" is " + said() + ", which has no unit to be shown in");
        }
    }

    /** As in names of columns: {@code um2}, {@code per_um}, {@code g_per_mm2}, {@code deg}, or nothing. */
    public String unitId(LengthUnit unit) {
        List<String> tops = new ArrayList<>();
        List<String> bottoms = new ArrayList<>();
        add(mass, "g", true, tops, bottoms);
        add(length, unit.id(), true, tops, bottoms);
        if (tops.isEmpty() && bottoms.isEmpty()) {
            return angle == 1 ? "deg" : "";
        }
        String per = bottoms.isEmpty() ? "" : "per_" + String.join("_", bottoms);
        return String.join("_", tops) + (tops.isEmpty() || bottoms.isEmpty() ? "" : "_") + per;
    }

    /** As on screen: µm², 1/µm, g/mm², °, or nothing. */
    public String unitSymbol(LengthUnit unit) {
        List<String> tops = new ArrayList<>();
        List<String> bottoms = new ArrayList<>();
        add(mass, "g", false, tops, bottoms);
        add(length, unit.symbol(), false, tops, bottoms);
        if (tops.isEmpty() && bottoms.isEmpty()) {
            return angle == 1 ? "°" : "";
        }
        String per = bottoms.isEmpty() ? "" : "/" + String.join("/", bottoms);
        return (tops.isEmpty() ? "1" : String.join("·", tops)) + per;
    }

    private static void add(double power, String unit, boolean plain, List<String> tops, List<String> bottoms) {
        if (power != 0) {
            (power > 0 ? tops : bottoms).add(unit + raised((int) Math.abs(power), plain));
        }
    }

    private static String raised(int power, boolean plain) {
        if (power == 1) {
            return "";
        }
        return plain ? String.valueOf(power) : power == 2 ? "²" : power == 3 ? "³" : "^" + power;
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
        if (equals(MASS)) {
            return "a mass";
        }
        List<String> parts = new ArrayList<>();
        part(length, "length", parts);
        part(signal, "brightness", parts);
        part(angle, "an angle", parts);
        part(mass, "mass", parts);
        return "something of " + String.join(" and ", parts);
    }

    private static void part(double power, String what, List<String> parts) {
        if (power != 0) {
            parts.add(what + " to the power " + Amounts.text(power));
        }
    }
}
