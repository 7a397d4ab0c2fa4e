package keentally.study.plot;

import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import keentally.core.reader.Reader;
import keentally.core.words.Sentences;
import org.jfree.chart.axis.LogAxis;
import org.jfree.chart.axis.NumberAxis;

/** Axes with titles and numbers as the reader has them. */
final class PlotAxis {
    private static final String LOGARITHMIC = "#,##0.####";
    private static final String EVEN = "#,##0.########";

    private PlotAxis() {}

    static NumberAxis even(String title) {
        NumberAxis axis = new NumberAxis(Sentences.worded(title));
        if (Reader.decimalComma()) { // else the axis chooses as many decimals as its steps need
            axis.setNumberFormatOverride(format(EVEN));
        }
        return axis;
    }

    static LogAxis log(String title) {
        LogAxis axis = new LogAxis(Sentences.worded(title));
        axis.setNumberFormatOverride(format(LOGARITHMIC));
        return axis;
    }

    private static DecimalFormat format(String pattern) {
        DecimalFormatSymbols marks = DecimalFormatSymbols.getInstance(Locale.ROOT);
        marks.setGroupingSeparator(Reader.marks(",").charAt(0));
        marks.setDecimalSeparator(Reader.marks(".").charAt(0));
        return new DecimalFormat(pattern, marks);
    }
}
