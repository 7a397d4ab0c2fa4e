package keentally.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PixelSizeTest {
    private static PixelSize size(String scale, LengthUnit unit) {
        return PixelSize.of(unit, Optional.of(Scale.of(scale)));
    }

    @ParameterizedTest
    @CsvSource({
        "0.8 um/px, UM, 1080000, 691200",
        "0.8 um/px, UM, 1, 0.64",
        "0.1 um/px, UM, 57, 0.57",
        "0.1 um/px, UM, 3, 0.03",
        "0.1 mm/px, UM, 3, 30000",
        "850 nm/px, UM, 7, 5.0575",
        "0.09 um/px, MM, 1000000, 0.0081",
        "1 cm/px, NM, 2, 2e14"
    })
    void aNumberOfPixelsHasTheNearestAreaThereIs(String scale, LengthUnit unit, double pixels, double area) {
        assertThat(size(scale, unit).area(pixels)).isEqualTo(area);
    }

    @Test
    void areasAreThoseOfExactDecimals() {
        Random random = new Random(20);
        for (int i = 0; i < 2000; i++) {
            BigDecimal side = BigDecimal.valueOf(1 + random.nextInt(99_999), random.nextInt(6));
            long pixels = 1 + random.nextInt(100_000_000);
            double exact =
                    side.multiply(side).multiply(BigDecimal.valueOf(pixels)).doubleValue();
            assertThat(size(side.toPlainString() + " um/px", LengthUnit.UM).area(pixels))
                    .as("%s, %d px", side, pixels)
                    .isCloseTo(exact, within(2 * Math.ulp(exact)));
        }
    }

    @Test
    void withoutScaleOrInPixelsNothingChanges() {
        assertThat(PixelSize.of(LengthUnit.UM, Optional.empty())).isEqualTo(PixelSize.PIXELS);
        assertThat(size("2 um/px", LengthUnit.PX)).isEqualTo(PixelSize.PIXELS);
        assertThat(PixelSize.PIXELS.area(7)).isEqualTo(7);
        assertThat(PixelSize.PIXELS.length(7.5)).isEqualTo(7.5);
        assertThat(PixelSize.PIXELS.isReal()).isFalse();
    }

    @Test
    void powersFollowTheirUnits() {
        PixelSize half = size("0.5 um/px", LengthUnit.UM);
        assertThat(half.power(8, 0)).isEqualTo(8);
        assertThat(half.power(8, 1)).isEqualTo(4);
        assertThat(half.power(8, 2)).isEqualTo(2);
        assertThat(half.power(8, 3)).isEqualTo(1);
        assertThat(half.power(8, -1)).isEqualTo(16);
        assertThat(half.px(2)).isEqualTo(4);
        assertThat(half.px2(2)).isEqualTo(8);
    }

    /** Whatever pixel count an area was copied from is the least, and the greatest, that it lets through. */
    @Test
    void anAreaCopiedFromATableIsThatOfItsPixels() {
        Random random = new Random(21);
        for (int i = 0; i < 5000; i++) {
            Optional<Scale> scale = Optional.of(new Scale(
                    random.nextBoolean() ? random.nextDouble() * 3 + 1e-4 : (1 + random.nextInt(999)) / 100.0,
                    LengthUnit.UM));
            LengthUnit unit = new LengthUnit[] {LengthUnit.NM, LengthUnit.UM, LengthUnit.MM}[random.nextInt(3)];
            long pixels = random.nextInt(i < 2500 ? 100 : 100_000_000);
            double told = PixelSize.of(unit, scale).area(pixels);
            Area area = Area.of(Amounts.text(told) + " " + unit.id() + "2");
            assertThat(area.leastPixels(scale)).as("%s at %s", area, scale).isEqualTo(pixels);
            assertThat(area.mostPixels(scale)).as("%s at %s", area, scale).isEqualTo(pixels);
        }
    }

    @Test
    void areasBetweenTwoCountsOfPixels() {
        Optional<Scale> scale = Optional.of(Scale.of("2 um/px"));
        assertThat(Area.of("37 um2").leastPixels(scale)).isEqualTo(10);
        assertThat(Area.of("37 um2").mostPixels(scale)).isEqualTo(9);
        assertThat(Area.of("-1 um2").leastPixels(scale)).isZero();
        assertThat(Area.of("2.5 px2").leastPixels(scale)).isEqualTo(3);
        assertThat(Area.of("1e300 um2").mostPixels(scale)).isPositive();
    }

    @Test
    void amountsInTheUnitThatIsToldStayAsTheyAre() {
        Optional<Scale> scale = Optional.of(Scale.of("0.3 um/px"));
        PixelSize um = PixelSize.of(LengthUnit.UM, scale);
        assertThat(Length.of("7.859061668870065 um").in(um, scale)).isEqualTo(7.859061668870065);
        assertThat(Length.of("7859.061668870065 nm").in(um, scale)).isEqualTo(7.859061668870065);
        assertThat(Area.of("0.00001234567 mm2").in(um, scale)).isEqualTo(12.34567);
        assertThat(Length.of("3 px").in(um, scale)).isEqualTo(um.length(3));
        assertThatThrownBy(() -> Length.of("3 um").in(PixelSize.PIXELS, Optional.empty()))
                .isInstanceOf(MissingScaleException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e300 cm/px", "1e-20 nm/px", "1e10 um/px"})
    void aPixelIsNoLongerThanAKilometre(String scale) {
        assertThatThrownBy(() -> Scale.of(scale)).hasMessageContaining("a pixel must be between");
    }
}
