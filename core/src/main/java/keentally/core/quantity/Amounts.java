package keentally.core.quantity;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.reader.Reader;

/** Numbers as text, one way for everything we write: the shortest decimals that read back the same. */
public final class Amounts {
    private static final Pattern WITH_UNIT =
            Pattern.compile("\\s*([+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d{1,3})?)\\s*(\\S*)\\s*");
    private static final double LEAST_PLAIN = 1e-6;
    private static final double MOST_PLAIN = 1e15;

    private static final Pattern COMMAS = Pattern.compile("^(-?[1-9]\\d{0,2}(?:,\\d{3})+)(?![\\d,])");
    private static final Pattern POINTS = Pattern.compile("^(-?[1-9]\\d{0,2}(?:\\.\\d{3})+)(?=,)");
    private static final Pattern BLANK_WITHIN = Pattern.compile("(?<=\\d)[\u00a0\u202f](?=\\d)");
    private static final Pattern DECIMAL_COMMA = Pattern.compile("^([+-]?\\d*),(\\d+)(?![\\d,.])");

    private Amounts() {}

    /**
     * What a person typed, with or without a unit behind it, as it is written here: what parts thousands goes, as this reader is shown them, and
     * any other single comma is a decimal one, so that 0,5 is a half; 1,500 is fifteen hundred where commas part thousands, else one and a half.
     */
    public static String typed(String text) {
        String stripped = BLANK_WITHIN.matcher(text.strip()).replaceAll("");
        String whole = (Reader.decimalComma() ? POINTS : COMMAS)
                .matcher(stripped)
                .replaceFirst(m -> m.group(1).replaceAll("[.,]", ""));
        return Reader.decimalComma() || whole.equals(stripped)
                ? DECIMAL_COMMA.matcher(whole).replaceFirst("$1.$2")
                : whole;
    }

    /**
     * The number that a person typed, as {@link #typed} reads it.
     *
     * @throws NumberFormatException where it is none
     */
    public static double number(String text) {
        return Double.parseDouble(typed(text));
    }

    /** Whole numbers without ".0", others plain decimals from 1e-6 to 1e15, beyond that with an exponent. */
    public static String text(double value) {
        if (value == 0) {
            return "0";
        }
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("only finite numbers have a text, was " + value);
        }
        double size = Math.abs(value);
        String shortest = Double.toString(value);
        if (size < LEAST_PLAIN || size >= MOST_PLAIN) {
            return shortest.replace(".0E", "E");
        }
        return new BigDecimal(shortest).stripTrailingZeros().toPlainString();
    }

    /** As the reader types it: {@link #text} with the decimal mark of whoever reads. */
    public static String shown(double value) {
        return Reader.marks(text(value));
    }

    static void finite(double amount, String what) {
        if (!Double.isFinite(amount)) {
            throw new IllegalArgumentException("a " + what + " must be a finite number, was " + amount);
        }
    }

    /** A number and the unit behind it, where the text is such a pair. */
    static Optional<Split> split(String text) {
        Matcher found = WITH_UNIT.matcher(text);
        if (!found.matches()) {
            return Optional.empty();
        }
        double amount = Double.parseDouble(found.group(1));
        return Double.isFinite(amount) ? Optional.of(new Split(amount, found.group(2))) : Optional.empty();
    }

    record Split(double amount, String unit) {}
}
