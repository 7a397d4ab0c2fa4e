package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiguresTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "2310; 2,310",
                "14915.3475; 14,915",
                "412.61; 412.6",
                "0.85123; 0.8512",
                "0; 0",
                "-3; -3",
                "0.00001; 1E-5",
                "12.5; 12.5"
            })
    void fourDigitsThatCount(double value, String text) {
        assertThat(Figures.number(value)).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource({"27.34, 27.3", "4.181, 4.18", "0.0521, 0.052", "100, 100.0", "0, 0.0"})
    void percentsKeepSmallSharesReadable(double value, String text) {
        assertThat(Figures.percent(value)).isEqualTo(text);
    }

    @Test
    void noNumberIsADash() {
        assertThat(Figures.number(Double.NaN)).isEqualTo("–");
        assertThat(Figures.fixed(Double.NaN, 2)).isEqualTo("–");
        assertThat(Figures.fixed(1234.567, 1)).isEqualTo("1,234.6");
    }

    @Test
    void aValueHasTheDecimalsOfWhatItMayBeOffBy() {
        assertThat(Figures.spread(0.105_3, 0.017_36)).isEqualTo("0.105 ± 0.017");
        assertThat(Figures.spread(1234.567, 12.71)).isEqualTo("1,235 ± 13");
        assertThat(Figures.spread(3, 0.2)).isEqualTo("3.00 ± 0.20");
        assertThat(Figures.spread(3, 0)).isEqualTo("3 ± 0");
        assertThat(Figures.spread(3.5, Double.NaN)).isEqualTo("3.5");
        assertThat(Figures.spread(Double.NaN, 1)).isEqualTo("–");
    }
}
