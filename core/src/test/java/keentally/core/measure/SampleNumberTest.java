package keentally.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import keentally.core.measure.SampleNumber.Limits;
import keentally.core.measure.SampleNumber.Missing;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SampleNumberTest {
    private static final Optional<Scale> HALF = Optional.of(Scale.of("0.5 um/px"));
    private static final List<OwnColumn> OWN = List.of(new OwnColumn("bulk", Formula.of("area * ecd")));

    /** By how each is written: areas in pixels, masses in grams. */
    private static final Map<String, Double> SAMPLE = Map.ofEntries(
            Map.entry("count", 40.0),
            Map.entry("count of rye", 10.0),
            Map.entry("all-count", 50.0),
            Map.entry("field-area", 8000.0),
            Map.entry("kept-area", 2000.0),
            Map.entry("kept-share", 0.25),
            Map.entry("area of pores", 300.0),
            Map.entry("area of dark crumb", 600.0),
            Map.entry("share of 1", 0.2),
            Map.entry("mass of pores", 3.0),
            Map.entry("sample-mass", 12.0),
            Map.entry("tag", 30.0),
            Map.entry("dilution", 10.0),
            Map.entry("mean of ecd", 7.0),
            Map.entry("mean of all ecd", 5.0),
            Map.entry("sum of bulk", 90.0),
            Map.entry("nothing", 0.0));

    private static double fact(SampleTerm term) throws Missing {
        Double value = SAMPLE.get(term.toString());
        if (value == null) {
            throw new Missing("there is no " + term);
        }
        return value;
    }

    private static SampleNumber number(String formula) {
        return SampleNumber.of("n", formula, OWN, Limits.NONE);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "area of pores / area of \"dark crumb\" | 0.5",
                "count * dilution / field-area | 0.05",
                "count of rye / count | 0.25",
                "all-count - count | 10",
                "100 * kept-share + share of 1 | 25.2",
                "kept-area - 250 um2 | 1000",
                "mass of pores / sample-mass | 0.25",
                "mean of ecd - mean of all ecd | 2",
                "sum of bulk / (mean of ecd ^ 3) | 0.26239067055393583",
                "max(count of \"rye\", tag) | 30",
                "(count)*2 | 80"
            })
    void numbersAreWorkedOut(String formula, double expected) {
        SampleNumber.Reading reading = number(formula).read(SampleNumberTest::fact, HALF);
        assertThat(reading.why()).isEmpty();
        assertThat(reading.px()).isCloseTo(expected, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "count / field-area | per_um2 | 1/µm²",
                "sum of bulk | um3 | µm³",
                "mass of pores | g | g",
                "count / sample-mass | per_g | 1/g",
                "mass of pores / field-area | g_per_um2 | g/µm²",
                "sample-mass * kept-area / mass of pores ^ 2 | um2_per_g | µm²/g",
                "mean of orientation | deg | °",
                "count | '' | ''"
            })
    void unitsFollowFromTheFormula(String formula, String id, String symbol) {
        assertThat(number(formula).unitId(LengthUnit.UM)).isEqualTo(id);
        assertThat(number(formula).unitSymbol(LengthUnit.UM)).isEqualTo(symbol);
    }

    @Test
    void numbersAreToldInTheUnitOfTheirLengths() {
        SampleNumber.Reading density = number("count / field-area").read(SampleNumberTest::fact, HALF);
        assertThat(density.told(PixelSize.of(LengthUnit.UM, HALF))).isCloseTo(0.02, within(1e-15));
        assertThat(number("kept-area").read(SampleNumberTest::fact, HALF).told(PixelSize.of(LengthUnit.UM, HALF)))
                .isEqualTo(500);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "area of holes / area of pores | there is no area of holes",
                "doses * count | there is no doses",
                "mean of area + area of holes | there is no area of holes; there is no mean of area",
                "count / nothing | divides by 0",
                "ln(nothing) | divides by 0, or takes a root or a logarithm",
                "kept-area / 3 um2 | NO SCALE"
            })
    void whatCannotBeWorkedOutIsEmptyAndSaysWhy(String formula, String why) {
        boolean scaled = !why.equals("NO SCALE");
        SampleNumber.Reading reading = number(formula).read(SampleNumberTest::fact, scaled ? HALF : Optional.empty());
        assertThat(reading.px()).isNaN();
        assertThat(reading.why().orElseThrow()).contains(scaled ? why : "scale");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "area / 2 | 'area' wants to know of what",
                "mean of softness | there is no measure and no column 'softness'",
                "area of pores + count | an area meets a plain number",
                "sample-mass + count | a mass meets a plain number",
                "sqrt(sample-mass) | has no unit to be shown in",
                "count > 3 | asks a question",
                "count count | expected an operator",
                "* | expected a number, what there is of a sample",
                "ln(field-area) | ln wants a plain number"
            })
    void whatCannotBeWrittenIsSaid(String formula, String says) {
        assertThatThrownBy(() -> number(formula))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(says);
    }

    @Test
    void namesAndLimitsAreChecked() {
        assertThatThrownBy(() -> SampleNumber.of("a b", "1", OWN, Limits.NONE))
                .hasMessageContaining("is made of letters");
        assertThatThrownBy(() -> SampleNumber.checkTyped("count")).hasMessageContaining("means something else");
        assertThatThrownBy(() -> SampleNumber.checkTyped("pi")).hasMessageContaining("means something else");
        SampleNumber.checkTyped("dilution-2");
        assertThatThrownBy(() -> new Limits(OptionalDouble.of(2), OptionalDouble.of(1)))
                .hasMessageContaining("lets nothing through");
        Limits limits = new Limits(OptionalDouble.of(2), OptionalDouble.of(3));
        assertThat(List.of(1.9, 2.0, 3.0, 3.1, Double.NaN).stream()
                        .map(v -> limits.hold(v) ? "in" : "out")
                        .collect(Collectors.joining(" ")))
                .isEqualTo("out in in out in");
    }
}
