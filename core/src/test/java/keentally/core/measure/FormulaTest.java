package keentally.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.MissingScaleException;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FormulaTest {
    private static final Optional<Scale> HALF = Optional.of(Scale.of("0.5 um/px"));
    private static final Map<Measure, Double> OBJECT = new EnumMap<>(Map.of(
            Measure.AREA, 100.0,
            Measure.FERET_MAX, 20.0,
            Measure.FERET_MIN, 8.0,
            Measure.PERIMETER, 50.0,
            Measure.CIRCULARITY, Double.NaN,
            Measure.MEAN, 30.0,
            Measure.SOLIDITY, 0.9,
            Measure.ORIENTATION, -45.0));

    private static double value(String formula) {
        return Formula.of(formula).value(OBJECT::get, HALF);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "feret-max / feret-min | 2.5",
                "feret-max-feret-min | 12",
                "feret-max - feret-min * 2 | 4",
                "(feret-max - feret-min) * 2 | 24",
                "-feret-min + 3 um | -2",
                "area - 5 um2 | 80",
                "sqrt(area) + 1 px | 11",
                "4 * pi * area / perimeter ^ 2 | 0.5026548245743669",
                "2^3 | 8",
                "-2^2 | -4",
                "feret-max ^ -1 * feret-min | 0.4",
                "min(feret-max, feret-min) | 8",
                "max(3, 1e1) | 10",
                "abs(orientation) | 45",
                "log10(1000) | 3",
                "exp(ln(7)) | 7",
                "mean * area | 3000",
                "feret-max/feret-min/2 | 1.25",
                "10 − 4 − 3 | 3",
                "1.5·2 | 3",
                "area / 25 µm² | 1"
            })
    void numbersAreWorkedOut(String formula, double expected) {
        assertThat(value(formula)).isCloseTo(expected, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "area > 35 px2 | true",
                "area > 26 um2 | false",
                "area >= 25 um2 and solidity < 1 | true",
                "area < 3 px2 or solidity = 0.9 | true",
                "not area < 3 px2 | true",
                "circularity < 2 | false",
                "circularity >= 2 | false",
                "not (area > 1 px2 and solidity > 0.95) | true",
                "feret-max / feret-min <= 2.5 | true"
            })
    void questionsAreAnswered(String question, boolean expected) {
        assertThat(Formula.question(question).holds(OBJECT::get, PixelSize.of(LengthUnit.UM, HALF), HALF))
                .isEqualTo(expected);
        assertThat(Formula.question(question).holds(OBJECT::get, PixelSize.PIXELS, HALF))
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "area + feret-max | an area meets a length",
                "area > 35 | an area meets a plain number",
                "mean - area | brightness meets an area",
                "ln(area) | ln wants a plain number",
                "min(area, 3) | an area meets a plain number",
                "sqrt(feret-max) | has no unit to be shown in",
                "softness * 2 | there is no measure 'softness'",
                "area * | expected a number, a measure or a bracket but found the end",
                "(area | expected a closing bracket",
                "area area | expected an operator but found \"area\"",
                "area ^ feret-max | expected a plain number behind ^",
                "min(3) | expected a comma",
                "2 + (3 > 1) | expected a number, not a question",
                "1 < 2 and 3 | expected a question on either side",
                "3 furlong | expected",
                "'' | there is nothing"
            })
    void whatCannotBeIsSaid(String formula, String says) {
        assertThatThrownBy(() -> {
                    if (formula.contains(">") || formula.contains("<")) {
                        Formula.question(formula);
                    } else {
                        Formula.of(formula);
                    }
                })
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(says);
    }

    @Test
    void anEmptyMeasureLeavesTheNumberEmptyAndSoDoesDividingByNothing() {
        assertThat(value("circularity * 2")).isNaN();
        assertThat(value("area / (feret-min - 8 px)")).isNaN();
    }

    @Test
    void unitsComeFromWhatIsPutTogether() {
        assertThat(new OwnColumn("volume", Formula.of("area * feret-min")).unitId(LengthUnit.UM))
                .isEqualTo("um3");
        assertThat(new OwnColumn("curve", Formula.of("1 / feret-max")).unitSymbol(LengthUnit.UM))
                .isEqualTo("1/µm");
        assertThat(new OwnColumn("turn", Formula.of("abs(orientation)")).unitId(LengthUnit.PX))
                .isEqualTo("deg");
        assertThat(new OwnColumn("slim", Formula.of("feret-max / feret-min")).unitId(LengthUnit.MM))
                .isEmpty();
        assertThat(new OwnColumn("volume", Formula.of("area * feret-min")).told(8, PixelSize.of(LengthUnit.UM, HALF)))
                .isEqualTo(1);
        assertThat(Formula.of("area / nearest-distance").measures())
                .containsExactlyInAnyOrder(Measure.AREA, Measure.NEAREST_DISTANCE);
    }

    @Test
    void realUnitsNeedAScale() {
        Formula formula = Formula.of("feret-max - 3 um");
        assertThatThrownBy(() -> formula.value(OBJECT::get, Optional.empty()))
                .isInstanceOf(MissingScaleException.class)
                .hasMessageContaining("3 um is in a real unit");
    }

    @Test
    void namesOfColumnsAreCheckedAndQuestionsAreNoNumbers() {
        assertThatThrownBy(() -> new OwnColumn("area", Formula.of("1"))).hasMessageContaining("is there already");
        assertThatThrownBy(() -> new OwnColumn("a b", Formula.of("1")))
                .hasMessageContaining("letters, digits and hyphens");
        assertThatThrownBy(() -> Formula.of("area > 3 px2")).hasMessageContaining("asks a question");
        assertThatThrownBy(() -> Formula.question("area")).hasMessageContaining("is a number");
    }
}
