package keentally.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AmountsTypedTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12,345,678.9 px | 12345678.9 px",
                "-1,234 | -1234",
                "1,500 um | 1500 um",
                "0,5 | 0.5",
                "0,500 | 0.500",
                ",5 mm | .5 mm",
                "2,5 um | 2.5 um",
                "1,2345 | 1.2345",
                "-0,25 | -0.25",
                "1.5 px | 1.5 px",
                "auto | auto",
            })
    void commasAreTakenAsTheyAreMeant(String typed, String read) {
        assertThat(Amounts.typed(typed)).isEqualTo(read);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1,234,5", "1,2,3", "0,5.5", "1,5,000"})
    void whatCouldMeanTwoThingsStaysAndIsRefused(String typed) {
        assertThat(Amounts.typed(typed)).isEqualTo(typed);
        assertThatThrownBy(() -> Amounts.number(typed)).isInstanceOf(NumberFormatException.class);
    }

    @Test
    void aNumberIsRead() {
        assertThat(Amounts.number(" 3,25 ")).isEqualTo(3.25);
        assertThat(Amounts.number("3,250")).isEqualTo(3250);
    }
}
