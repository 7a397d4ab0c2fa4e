package keentally.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import keentally.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityTest {
    private static final Optional<Scale> SCALE = Optional.of(Scale.of("0.5 um/px"));

    @ParameterizedTest
    @CsvSource({"1.5 px, 1.5", "3 um, 6", "3 µm, 6", "3 μm, 6", "0.01 mm, 20", "500 nm, 1", "0.001 cm, 20", "2um, 4"})
    void lengthsTurnIntoPixels(String text, double px) {
        assertThat(Length.of(text).px(SCALE)).isCloseTo(px, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"20 px2, 20", "35 um2, 140", "35 um², 140", "0.0001 mm2, 400", "250000 nm2, 1"})
    void areasTurnIntoSquarePixels(String text, double px2) {
        assertThat(Area.of(text).px2(SCALE)).isCloseTo(px2, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "3", "um", "3 um2", "3 yards", "3,5 um", "1e999 um", "NaN px", "3 um 4"})
    void badLengthsSayWhatIsExpected(String text) {
        assertThatThrownBy(() -> Length.of(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("expected a length with its unit")
                .hasMessageContaining("\"" + text + "\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0 um/px", "-1 um/px", "3 px/px", "3 furlong/px", "um/px", "0.85"})
    void badScalesAreRefused(String text) {
        assertThatThrownBy(() -> Scale.of(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aScaleReadsBack() {
        Scale scale = Scale.of(" 850 nm/px ");
        assertThat(scale.toString()).isEqualTo("850 nm/px");
        assertThat(Scale.of(scale.toString())).isEqualTo(scale);
        assertThat(scale.umPerPx()).isCloseTo(0.85, within(1e-12));
        assertThat(scale.perPixel(LengthUnit.NM)).isEqualTo(850);
        assertThat(scale.perPixel(LengthUnit.MM)).isCloseTo(0.00085, within(1e-15));
        assertThat(scale.perPixel(LengthUnit.PX)).isEqualTo(1);
    }

    @Test
    void realUnitsNeedAScale() {
        assertThatThrownBy(() -> Length.of("3 um").px(Optional.empty()))
                .isInstanceOf(MissingScaleException.class)
                .hasMessageContaining("3 um is in a real unit, but this sample has no scale");
        assertThatThrownBy(() -> Area.of("3 mm2").px2(Optional.empty())).isInstanceOf(MissingScaleException.class);
        assertThat(Length.of("3 px").px(Optional.empty())).isEqualTo(3);
    }

    @Test
    void limitsAreToldApartByTheirUnit() {
        assertThat(Limit.of("0.8")).isEqualTo(new Limit.Plain(0.8));
        assertThat(Limit.of("35 um2")).isEqualTo(new Limit.OfArea(Area.of("35 um2")));
        assertThat(Limit.of("35 um")).isEqualTo(new Limit.OfLength(Length.of("35 um")));
        assertThatThrownBy(() -> Limit.of("much")).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0",
        "-0.0, 0",
        "3, 3",
        "1e-6, 0.000001",
        "1e-7, 1E-7",
        "1e15, 1E15",
        "123456789.25, 123456789.25",
        "-0.5, -0.5"
    })
    void numbersAreWrittenPlain(double value, String text) {
        assertThat(Amounts.text(value)).isEqualTo(text);
    }

    @Test
    void numbersReadBackTheSame() {
        Chance chance = new Chance(1);
        for (int i = 0; i < 5000; i++) {
            double value = (chance.between(-1.0, 1)) * Math.pow(10, chance.between(-20, 20));
            assertThat(Double.parseDouble(Amounts.text(value))).isEqualTo(value);
        }
    }

    @Test
    void lengthsAreRoundedDown() {
        assertThat(List.of(
                        Length.roundBelow(0.97), Length.roundBelow(1), Length.roundBelow(49), Length.roundBelow(9_999)))
                .containsExactly(0.5, 1.0, 20.0, 5_000.0);
    }

    @Test
    void massesAreReadAndSharedOut() {
        assertThat(Mass.of("12 g").grams()).isEqualTo(12);
        assertThat(Mass.of("2 troy oz").grams()).isEqualTo(2 * 31.1034768);
        assertThat(Mass.of("3 mg").toString()).isEqualTo("3 mg");
        assertThatThrownBy(() -> Mass.of("12")).hasMessageContaining("a mass in mg, g, kg or ozt");
        assertThatThrownBy(() -> Mass.of("-1 g")).hasMessageContaining("above 0");
        assertThat(Mass.of("10 g").of(new double[] {30, 10}, new double[] {1, 1}))
                .containsExactly(7.5, 2.5);
        assertThat(Mass.of("10 g").of(new double[] {30, 10}, new double[] {1, 3}))
                .containsExactly(5, 5);
        assertThat(Mass.of("10 g").of(new double[] {0, 0}, new double[] {1, 3}))
                .containsExactly(Double.NaN, Double.NaN);
        assertThatThrownBy(() -> Mass.of("1 g").of(new double[] {1}, new double[] {0}))
                .hasMessageContaining("density must be above 0");
    }
}
