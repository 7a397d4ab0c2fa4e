package keentally.core.words;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import keentally.core.quantity.PixelSize;
import keentally.core.reader.Reader;

/** Numbers as the reader reads them: grouped, no more digits than the eye can use. Not-a-number is a dash. */
public final class Figures {
    private static final String NONE = "–";
    private static final double MOST_PLAIN = 1e9;
    private static final double LEAST_PLAIN = 1e-4;
    private static final int MOST_DECIMALS = 8;

    private Figures() {}

    /** Four digits that count; whole numbers whole: 2,310 · 412.6 · 0.8512. */
    public static String number(double value) {
        if (Double.isNaN(value)) {
            return NONE;
        }
        if (value == Math.rint(value) && Math.abs(value) < MOST_PLAIN) {
            return format("#,##0", value);
        }
        double size = Math.abs(value);
        if (size >= MOST_PLAIN || size < LEAST_PLAIN) {
            return format("0.###E0", value);
        }
        if (size >= 1000) {
            return format("#,##0", value);
        }
        return Reader.marks(new BigDecimal(value)
                .round(new MathContext(4, RoundingMode.HALF_UP))
                .stripTrailingZeros()
                .toPlainString());
    }

    /** With a fixed number of decimals, as columns of a table need. */
    public static String fixed(double value, int decimals) {
        return Double.isNaN(value) ? NONE : format("#,##0" + (decimals == 0 ? "" : "." + "0".repeat(decimals)), value);
    }

    /** A length with its unit: 12.4 µm. */
    public static String length(double px, PixelSize told) {
        return number(told.length(px)) + " " + told.unit().symbol();
    }

    /** An area with its unit: 527 µm². */
    public static String area(double px2, PixelSize told) {
        return number(told.area(px2)) + " " + told.unit().symbol() + "²";
    }

    /** A share of a hundred: 27.3, 4.18, 0.052. */
    public static String percent(double value) {
        double size = Math.abs(value);
        return fixed(value, size >= 10 || size == 0 ? 1 : size >= 1 ? 2 : 3);
    }

    /** A value with what it may be off by, as many decimals as the two digits that count of that: 0.105 ± 0.017. */
    public static String spread(double value, double half) {
        if (Double.isNaN(half) || Double.isNaN(value)) {
            return number(value);
        }
        int decimals = half > 0 ? Math.clamp(1 - (int) Math.floor(Math.log10(half)), 0, MOST_DECIMALS) : 0;
        return fixed(value, decimals) + " ± " + fixed(half, decimals);
    }

    private static String format(String pattern, double value) {
        DecimalFormat format = new DecimalFormat(pattern, DecimalFormatSymbols.getInstance(Locale.ROOT));
        format.setRoundingMode(RoundingMode.HALF_UP);
        return Reader.marks(format.format(value));
    }
}
